import { matchTaps, type FoundTrick, type TapMatch } from "@/core";
import { findStep, onTape, type Syllabus } from "@/syllabus";
import type { TappedSession } from "./load";

/** The session under way when the file was written, or the one begun last before it; without its time the newest. */
export function nearest(sessions: readonly TappedSession[], atMs: number | null): TappedSession | undefined {
  if (atMs === null) return sessions[0];
  return sessions.find(({ startedAtMs }) => startedAtMs <= atMs) ?? sessions[0];
}

/** Which tap of a session each trick meets; null where too few do. */
export function matched(tricks: readonly FoundTrick[], session: TappedSession, syllabus: Syllabus): TapMatch | null {
  return matchTaps(
    tricks,
    session.attempts.map(({ id, atMs, stepId, direction }) => {
      const step = findStep(syllabus, stepId);
      return { id, atMs, ...(step ? onTape(step, direction) : { kinds: [], direction: null }) };
    }),
  );
}
