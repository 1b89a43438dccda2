"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { v7 as newId } from "uuid";
import { enqueue, outboxNow, reread } from "@/ui/outbox/outbox";
import { useOutbox } from "@/ui/outbox/use-outbox";
import { tallyAfter, type FieldAction, type TallyData } from "@/contract";
import { fetchTally, keepOnDevice, type FieldBriefs } from "./packet";
import { withWaiting } from "./tally-log";
import { useBriefs } from "./use-briefs";

/** How often the session is looked at on the server, for what another device did. */
const LOOK_MS = 15_000;

/** A session with what was tapped here, kept on this device, and how much of it still waits to be sent. */
export function useTally(data: TallyData, briefsAtFirst: FieldBriefs) {
  const { id } = data.session;
  const [tally, setTally] = useState(data);
  const { briefs, plan, failure } = useBriefs(id, briefsAtFirst);
  const outbox = useOutbox();
  const done = useRef(0);
  const lastTapMs = useRef(0);
  const [unkept, setUnkept] = useState<string | null>(null);
  const keeping = useCallback(
    (kept: Promise<void>) =>
      kept.then(
        () => setUnkept(null),
        (error: Error) => setUnkept(error.message),
      ),
    [],
  );
  /** The page's data that something newer was fetched after. */
  const outdated = useRef<TallyData | null>(null);

  useEffect(() => {
    // What waits on this device is known to the browser only, so it can be added no sooner than here.
    void reread().then(() =>
      setTally((known) => withWaiting(outdated.current === data ? known : data, outboxNow().items)),
    );
  }, [data]);

  useEffect(() => void keeping(keepOnDevice(data)), [data, keeping]);

  // Looks for what other devices did, while nothing is under way here that the answer could not know of yet.
  useEffect(() => {
    let gone = false;
    const look = async () => {
      const quiet = () => !outboxNow().items.some((item) => item.sessionId === id && item.refused === undefined);
      if (document.visibilityState === "hidden" || !quiet()) return;
      const before = done.current;
      const fresh = await fetchTally(id);
      if (!fresh || gone || !quiet() || done.current !== before) return;
      outdated.current = data;
      setTally(fresh.tally);
      await keeping(fresh.keep());
    };
    void look();
    const timer = setInterval(() => void look(), LOOK_MS);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [id, data, keeping]);

  const act = useCallback(
    (action: FieldAction) => {
      done.current++;
      setTally((known) => tallyAfter(known, action));
      void enqueue({ key: newId(), accountId: data.accountId, sessionId: id, ...action });
    },
    [data.accountId, id],
  );
  /** Now, by this device, and never before the tap before: a clock that is set back does not turn the order round. */
  const tapMoment = useCallback(() => (lastTapMs.current = Math.max(Date.now(), lastTapMs.current + 1)), []);
  const own = outbox.items.filter((item) => item.sessionId === id);
  return {
    tally,
    briefs,
    /** The courses of the site; null where none are drawn. */
    plan,
    attempts: tally.attempts.filter((attempt) => !attempt.undone),
    act,
    tapMoment,
    waiting: {
      unsent: own.filter((item) => item.refused === undefined).length,
      /** The end of the session is among them. */
      end: own.some(({ action }) => action === "end-session"),
      unkept: own.filter((item) => outbox.unkept.has(item.key)).length,
      signedOut: outbox.signedOutIds.has(data.accountId),
      broken: outbox.broken ?? unkept ?? failure,
    },
    refused: own.filter((item) => item.refused !== undefined),
  };
}
