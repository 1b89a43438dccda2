"use client";

import { useMemo, useState } from "react";
import { matchTaps, type FoundTrick, type Pack, type TapMatch } from "@/core";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { findStep, onTape, type Syllabus } from "@/syllabus";
import type { TappedSession } from "./load";

/** The session under way when the file was written, or the one begun last before it; without its time the newest. */
function nearest(sessions: readonly TappedSession[], atMs: number | null): TappedSession | undefined {
  if (atMs === null) return sessions[0];
  return sessions.find(({ startedAtMs }) => startedAtMs <= atMs) ?? sessions[0];
}

/** Which tap of a session each trick meets; null where too few do. */
function matched(tricks: readonly FoundTrick[], session: TappedSession, syllabus: Syllabus): TapMatch | null {
  return matchTaps(
    tricks,
    session.attempts.map(({ id, atMs, stepId, direction }) => {
      const step = findStep(syllabus, stepId);
      return { id, atMs, ...(step ? onTape(step, direction) : { kinds: [], direction: null }) };
    }),
  );
}

/** The session a recording is of, the nearest until another is chosen, and which of its taps each trick meets. */
export function useMatch(pack: Pack, sessions: readonly TappedSession[], recordedAtMs: number | null) {
  const [sessionId, setSessionId] = useState(() => nearest(sessions, recordedAtMs)?.id ?? "");
  const session = sessions.find(({ id }) => id === sessionId) ?? null;
  const syllabus = useSyllabus();
  const match = useMemo(() => session && matched(pack.tricks, session, syllabus), [pack, session, syllabus]);
  return { session, sessionId, setSessionId, match, syllabus };
}

export type Matching = ReturnType<typeof useMatch>;
