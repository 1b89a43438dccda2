"use client";

import { useEffect, useRef, useState } from "react";
import type { Airframe, Replayed, Score, Settings } from "@/core";
import { useNewest } from "@/ui/worker/use-newest";
import type { PracticeWorker } from "@/workers/practice.worker";
import { practiceWorker } from "./practice-worker";
import type { FlownTry } from "./use-try";

/** A try by its number: what was flown is too long to be told apart by itself. */
interface JudgeRequest {
  readonly n: number;
}

export interface Judged extends JudgeRequest {
  readonly flown: Replayed;
  readonly score: Score;
  /** Its sticks, packed; null for one that is too long to be kept. */
  readonly packed: Uint8Array | null;
}

/** Tries of this sitting, flown again in a worker and held against the drill. `onJudged` is told of each once. */
export function useJudge(airframe: Airframe, settings: Settings, onJudged: (judged: Judged, flown: FlownTry) => void) {
  const [tries, setTries] = useState<readonly Judged[]>([]);
  const flown = useRef<readonly FlownTry[]>([]);
  const told = useRef(-1);
  const [asked, setAsked] = useState<JudgeRequest | null>(null);
  const { result, pending } = useNewest<JudgeRequest, Judged, PracticeWorker>(
    asked,
    practiceWorker,
    async (remote, { n }) => {
      const { record, drill, environment } = flown.current[n];
      const [judged, packed] = await Promise.all([
        remote.judgeTry(record, { drill, environment }, airframe, settings),
        remote.packedTry({ record, drill, environment, airframe, settings }),
      ]);
      return { n, ...judged, packed };
    },
  );
  const last = result?.kind === "answer" && !pending ? result.answer : null;
  if (last && last.n !== tries.at(-1)?.n) setTries([...tries, last]);
  useEffect(() => {
    if (!last || last.n === told.current) return;
    told.current = last.n;
    onJudged(last, flown.current[last.n]);
  }, [last, onJudged]);
  return {
    refused: result?.kind === "refused" && !pending ? result.why : null,
    last,
    tries,
    judge: (one: FlownTry) => {
      flown.current = [...flown.current, one];
      setAsked({ n: flown.current.length - 1 });
    },
  };
}
