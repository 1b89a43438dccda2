"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import { MOST_CANDIDATES } from "./limits";
import type { Candidate, PlanData } from "./load";

/** What the pilots who are taken could fly: of those on the plan from the start it came with the screen, of the others it is asked as they are taken. */
export function useCandidates({ ready, nowMs }: PlanData, taken: readonly string[]) {
  const [asked, setAsked] = useState<ReadonlyMap<string, Candidate>>(new Map());
  /** Why of some it is not known, by their ids. */
  const [unread, setUnread] = useState<ReadonlyMap<string, string>>(new Map());
  const [tries, setTries] = useState(0);
  const waiting = useRef(new Set<string>());
  // The screen came anew: what was asked for the one before may have changed since.
  const [askedFor, setAskedFor] = useState(nowMs);
  if (askedFor !== nowMs) {
    setAskedFor(nowMs);
    setAsked(new Map());
  }
  const known = useMemo(() => new Map([...asked, ...ready.map((one) => [one.id, one] as const)]), [asked, ready]);
  const missing = taken.filter((id) => !known.has(id)).join();
  useEffect(() => {
    const now = waiting.current;
    const ids = missing.split(",").filter((id) => id && !now.has(id));
    for (let from = 0; from < ids.length; from += MOST_CANDIDATES) {
      const some = ids.slice(from, from + MOST_CANDIDATES);
      for (const id of some) now.add(id);
      void candidatesOnServer(some)
        .then((found) => {
          setAsked((before) => new Map([...before, ...found.map((one) => [one.id, one] as const)]));
          if (found.length < some.length) throw new Error("Reload the page: the squad has changed.");
        })
        .catch((error: Error) =>
          setUnread((before) => new Map([...before, ...some.map((id) => [id, error.message] as const)])),
        )
        .finally(() => some.forEach((id) => now.delete(id)));
    }
  }, [missing, tries, nowMs]);
  return {
    known,
    unread,
    readAgain: () => {
      setUnread(new Map());
      setTries((before) => before + 1);
    },
  };
}

/** Throws an Error that says in plain words why not. */
async function candidatesOnServer(pilotIds: readonly string[]): Promise<readonly Candidate[]> {
  const answer = await fetch(`/plan-candidates/${pilotIds.join()}`).catch(() => {
    throw new Error("No connection.");
  });
  if (!answer.ok) throw new Error((await answer.text()).trim());
  return (await answer.json()) as readonly Candidate[];
}
