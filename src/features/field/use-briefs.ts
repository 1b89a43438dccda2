"use client";

import { useEffect, useState } from "react";
import { fetchBriefs, keptBriefs, type FieldBriefs } from "./packet";

/** How often it is asked whether the briefs are still those: they change with setups and syllabus, not with taps. */
const ASK_MS = 10 * 60_000;

/** The briefs of a session and the courses of its site: those on this device at once, others when the server has them. */
export function useBriefs(sessionId: string, atFirst: FieldBriefs) {
  const [known, setKnown] = useState(atFirst);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    const ask = async () => {
      const kept = await keptBriefs(sessionId);
      if (!gone && (kept.briefs.length > 0 || kept.plan)) setKnown(kept);
      const fresh = await fetchBriefs(sessionId);
      if (!gone && fresh) setKnown(fresh);
    };
    const asking = () =>
      void ask().then(
        () => setFailure(null),
        (error: Error) => setFailure(error.message),
      );
    asking();
    const timer = setInterval(asking, ASK_MS);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [sessionId]);
  return { ...known, failure };
}
