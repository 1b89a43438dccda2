"use client";

import { useEffect, useState } from "react";
import { fetchBriefs, keptBriefs, type FieldPacket } from "./packet";

/** How often it is asked whether the briefs are still those: they change with setups and syllabus, not with taps. */
const ASK_MS = 10 * 60_000;

/** The briefs of a session: those on this device at once, others when the server has them. */
export function useBriefs(sessionId: string, atFirst: FieldPacket["briefs"]) {
  const [briefs, setBriefs] = useState(atFirst);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    const ask = async () => {
      const kept = await keptBriefs(sessionId);
      if (!gone && kept.length > 0) setBriefs(kept);
      const fresh = await fetchBriefs(sessionId);
      if (!gone && fresh) setBriefs(fresh);
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
  return { briefs, failure };
}
