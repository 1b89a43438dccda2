"use client";

import { useRef, useState } from "react";
import type { Airframe, Replayed, Score, Settings } from "@/core";
import { useNewest } from "@/ui/worker/use-newest";
import type { PracticeWorker } from "@/workers/practice.worker";
import { practiceWorker } from "./practice-worker";
import type { FlownTry } from "./use-try";

/** A try by its number: what was flown is too long to be told apart by itself. */
interface JudgeRequest {
  readonly n: number;
}

export interface Judged {
  readonly flown: Replayed;
  readonly score: Score;
}

/** Tries of this sitting, flown again in a worker and held against the drill. `onJudged` is told of each once. */
export function useJudge(airframe: Airframe, settings: Settings, onJudged: (judged: Judged, flown: FlownTry) => void) {
  const [tries, setTries] = useState<readonly Judged[]>([]);
  const [last, setLast] = useState<Judged | null>(null);
  const flown = useRef<readonly FlownTry[]>([]);
  const [asked, setAsked] = useState<JudgeRequest | null>(null);
  const { result, pending } = useNewest<JudgeRequest, Judged, PracticeWorker>(
    asked,
    practiceWorker,
    async (remote, { n }) => {
      const { record, drill, environment } = flown.current[n];
      const judged = await remote.judgeTry(record, { drill, environment }, airframe, settings);
      onJudged(judged, flown.current[n]);
      return judged;
    },
  );
  const answer = result?.kind === "answer" && !pending ? result.answer : null;
  if (answer && answer !== last) {
    setLast(answer);
    setTries([...tries, answer]);
  }
  return {
    refused: result?.kind === "refused" && !pending ? result.why : null,
    last: pending ? null : last,
    tries,
    judge: (one: FlownTry) => {
      flown.current = [...flown.current, one];
      setAsked({ n: flown.current.length - 1 });
    },
  };
}
