import { findStep } from "@/syllabus";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import { useListener } from "@/ui/units/listener";
import { adviceWords } from "@/words";
import { nextOf } from "./next-of";
import type { ShownRow } from "./shown";

/** What every row of the squad says of its pilot, however much room it has. */
export function useRow(row: ShownRow) {
  const { hrefFor } = useAtHand();
  const syllabus = useSyllabusOf()(row.squadId);
  const listener = useListener();
  const { current } = row.glance;
  return {
    syllabus,
    current,
    step: current && findStep(syllabus, current.stepId),
    advice: current
      ? adviceWords(current.advice, current.stepId, syllabus, listener)
      : "All signed off: fly what is due.",
    next: nextOf(row),
    /** Address of a screen with this pilot. */
    to: (path: string) => hrefFor(path, { pilot: row.id, aircraft: undefined }),
  };
}
