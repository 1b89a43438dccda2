"use client";

import { useCallback, useState } from "react";
import { v7 as newId } from "uuid";
import { outcomeOfTry, type Attempt, type Score } from "@/core";
import { tricksOf, type ActionInput, type LineTry, type SquadLine } from "@/contract";
import type { Step } from "@/syllabus";
import { base64 } from "@/ui/actions/base64";
import { enqueue } from "@/ui/outbox/outbox";
import { useOutbox } from "@/ui/outbox/use-outbox";
import type { PracticeData } from "./load";
import type { Judged } from "./use-judge";
import type { FlownTry } from "./use-try";

/** A sitting that nothing was flown in for so long is over, ms. Ours. */
const SITTING_MS = 40 * 60_000;

/** What of a score is one of the step's own measures. */
function measuredOf({ measures }: Step, { drill }: FlownTry, { value }: Score): ActionInput<"log-try">["measured"] {
  const name = drill.task.kind === "trick" ? "stopErrorDeg" : drill.task.kind === "land" ? "missM" : null;
  return name && value !== null && measures.includes(name) ? { [name]: Math.round(value * 100) / 100 } : {};
}

/** The way a step was flown: in its direction, and along a line where it is one. */
export interface FlownAs {
  readonly direction: string;
  readonly line: SquadLine | null;
}

/** A try at a line: it broke at the first trick that did not come. */
function lineTry({ id, version, name, line }: SquadLine, { passed, value }: Score): LineTry {
  const tricks = tricksOf(line.items);
  return { id, version, name, tricks, brokeAt: passed ? null : Math.min(value ?? 0, tricks.length - 1) };
}

/** Keeps tries as attempts in the simulator: through the outbox, with a network or without. */
export function useLog({ pilot, setup, loadId, accountId }: PracticeData) {
  const [sitting, setSitting] = useState({ id: newId(), lastMs: 0 });
  const outbox = useOutbox();
  const log = useCallback(
    (
      step: Step,
      { direction, line }: FlownAs,
      { score, packed, flown: { measures } }: Judged,
      flown: FlownTry,
    ): Attempt => {
      const { beganAtMs } = flown;
      const fresh = sitting.lastMs > 0 && beganAtMs - sitting.lastMs > SITTING_MS;
      const sittingId = fresh ? newId() : sitting.id;
      setSitting({ id: sittingId, lastMs: beganAtMs });
      const input: ActionInput<"log-try"> = {
        ...{ id: newId(), sittingId, pilotId: pilot.id, stepId: step.id, direction },
        outcome: outcomeOfTry(score),
        ...{ flownAtMs: beganAtMs, seconds: Math.round(measures.durationS * 10) / 10 },
        measured: measuredOf(step, flown, score),
        ...{ setupId: setup?.id ?? null, loadId },
        ...(line && { line: lineTry(line, score) }),
        ...(packed && { packed: base64(packed) }),
      };
      void enqueue({ key: newId(), accountId, sessionId: sittingId, action: "log-try", input });
      const { outcome, measured, setupId, seconds } = input;
      return {
        ...{ direction, outcome, measured, setupId, place: "simulator", sessionId: sittingId },
        ...{ atMs: beganAtMs, minutes: seconds / 60 },
      };
    },
    [sitting, pilot.id, setup, loadId, accountId],
  );
  const own = outbox.items.filter(({ action }) => action === "log-try");
  return {
    log,
    waiting: own.filter(({ refused }) => refused === undefined).length,
    refused: own.flatMap(({ refused }) => refused ?? []),
    broken: outbox.broken,
  };
}
