import { useMemo } from "react";
import { v7 as newId } from "uuid";
import type { GivenLine, LineTry, LoggedAttempt, TallyData, TallyStep } from "@/contract";
import { outcomes, type Outcome } from "@/core";
import { flownStep, lineDirection, type Step } from "@/syllabus";
import { useKeys } from "@/ui/keys/keys";
import { outcomeWords } from "@/ui/marks/marks";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { useFieldNote } from "./field-notes";
import type { usePack } from "./pack-clock";
import type { useFieldPlace } from "./use-field-place";
import type { useTally } from "./use-tally";

const outcomeKeys: Readonly<Record<Outcome, string>> = { clean: "c", rough: "r", bailed: "b", crashed: "x" };

/** What is flown now: the step, null where nothing is counted, the step it is about, what was flown of it before and in this session, and the direction. */
export function useFlownNow(
  attempts: readonly LoggedAttempt[],
  { pilot, block, chosenDirection }: ReturnType<typeof useFieldPlace>,
) {
  const syllabus = useSyllabus();
  const own = attempts.filter((attempt) => attempt.pilotId === pilot.id && attempt.stepId === block.stepId);
  const known = knownStep(pilot.steps, block.stepId ?? "");
  // A step that no syllabus has any more is flown on in the directions it was flown in.
  const flownIn = [...new Set([...known.earlier, ...own].map((one) => one.direction))].join(" ");
  const taught = useMemo(
    () => (block.stepId ? flownStep(syllabus, block.stepId, flownIn === "" ? [] : flownIn.split(" ")) : null),
    [syllabus, block.stepId, flownIn],
  );
  // What the coach shows is nobody's attempt.
  const step = block.kind === "show" ? null : taught;
  const direction = step ? directionOf(step, chosenDirection ?? block.firstDirection) : "";
  return { step, taught, own, known, direction, last: own.at(-1) };
}

export type FlownNow = ReturnType<typeof useFlownNow>;

/** What a tap does, also by a key. */
export function useTaps(
  { session, coaches }: TallyData,
  { act, tapMoment }: Pick<ReturnType<typeof useTally>, "act" | "tapMoment">,
  place: ReturnType<typeof useFieldPlace>,
  { step, direction, last }: Pick<FlownNow, "step" | "direction" | "last">,
  pack: ReturnType<typeof usePack>,
  note: ReturnType<typeof useFieldNote>,
  nextTurn: () => void,
  /** The aircraft is to be looked at. */
  crashed: () => void,
  /** The line that is flown; null for a trick. */
  line: GivenLine | null,
) {
  const { pilot } = place;
  const handlers = useMemo(() => {
    /** Of a line: at which of its tricks it broke; null where it was flown through, or nobody said. */
    const tap = (outcome: Outcome, brokeAt: number | null = null) => {
      if (!step) return;
      act({
        action: "log-attempt",
        input: {
          id: newId(),
          sessionId: session.id,
          pilotId: pilot.id,
          stepId: step.id,
          direction: line ? lineDirection(step, line.tricks.length) : direction,
          outcome,
          ...(line && { line: triedAt(line, brokeAt) }),
          flownAtMs: tapMoment(),
          pack: pack.sinceMs === null ? null : pack.number,
        },
      });
      if (outcome === "crashed" && session.place !== "simulator" && pilot.aircraft) crashed();
    };
    const undo = () => last && act({ action: "undo-attempt", input: { id: last.id } });
    const toggleFault = (id: string) =>
      last &&
      act({
        action: "set-faults",
        input: {
          id: last.id,
          faults: last.faults.includes(id) ? last.faults.filter((fault) => fault !== id) : [...last.faults, id],
        },
      });
    const turn = () => {
      const ids = step?.directions.map((one) => one.id) ?? [];
      if (ids.length > 0) place.chooseDirection(ids[(ids.indexOf(direction) + 1) % ids.length]);
    };
    return { tap, undo, toggleFault, turn };
  }, [
    act,
    tapMoment,
    session.id,
    session.place,
    pilot.id,
    pilot.aircraft,
    crashed,
    line,
    step,
    direction,
    last,
    pack.sinceMs,
    pack.number,
    place,
  ]);
  const keys = useMemo(
    () => [
      ...outcomes.map((outcome) => ({
        key: outcomeKeys[outcome],
        label: outcomeWords[outcome],
        run: () => void handlers.tap(outcome),
      })),
      { key: "d", label: "The other direction", run: handlers.turn },
      { key: "u", label: "Undo the last attempt", run: () => void handlers.undo() },
      { key: "n", label: "Next pilot", run: nextTurn },
      ...(coaches ? [{ key: "o", label: "Note of this pilot", run: note.show }] : []),
      ...(step?.faults ?? []).map((fault, i) => ({
        key: String(i + 1),
        label: `Fault: ${fault.short}`,
        run: () => void handlers.toggleFault(fault.id),
      })),
    ],
    [handlers, step, coaches, note.show, nextTurn],
  );
  useKeys(keys);
  return handlers;
}

/** A try as it is kept: without what only says how the line is trained. */
function triedAt({ lookAfter: _, ...line }: GivenLine, brokeAt: number | null): LineTry {
  return { ...line, brokeAt };
}

/** The direction asked for where the step has it, else its first. */
const directionOf = ({ directions }: Step, wanted: string | null) =>
  directions.find(({ id }) => id === wanted)?.id ?? directions[0].id;

/** What is known of a step; one taken up in the field without a network was flown nobody here knows how often. */
const knownStep = (steps: readonly TallyStep[], stepId: string): TallyStep =>
  steps.find((one) => one.stepId === stepId) ?? { stepId, earlier: [], unknownBefore: true };
