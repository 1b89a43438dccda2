"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { v7 as newId } from "uuid";
import { enqueue, outboxNow, reread } from "@/ui/outbox/outbox";
import { useOutbox } from "@/ui/outbox/use-outbox";
import { tallyAfter, type FieldAction, type TallyData } from "@/contract";
import { fetchPacket, keepOnDevice, type FieldPacket } from "./packet";
import { withWaiting } from "./tally-log";

/** How often the session is looked at on the server, for what another device did. */
const LOOK_MS = 15_000;

/** A session with what was tapped here, kept on this device, and how much of it still waits to be sent. */
export function useTally(data: TallyData, kept: FieldPacket["briefs"]) {
  const { id } = data.session;
  const [packet, setPacket] = useState<FieldPacket>({ tally: data, briefs: kept });
  const outbox = useOutbox();
  const done = useRef(0);
  const lastTapMs = useRef(0);
  /** The page's data that something newer was fetched after. */
  const outdated = useRef<TallyData | null>(null);

  useEffect(() => {
    // What waits on this device is known to the browser only, so it can be added no sooner than here.
    void reread().then(() =>
      setPacket((known) => ({
        ...known,
        tally: withWaiting(outdated.current === data ? known.tally : data, outboxNow().items),
      })),
    );
  }, [data]);

  // Looks for what other devices did, while nothing is under way here that the answer could not know of yet.
  useEffect(() => {
    let gone = false;
    const look = async () => {
      const quiet = () => !outboxNow().items.some((item) => item.sessionId === id && item.refused === undefined);
      if (document.visibilityState === "hidden" || !quiet()) return;
      const before = done.current;
      const fresh = await fetchPacket(id);
      if (!fresh || gone || !quiet() || done.current !== before) return;
      outdated.current = data;
      setPacket(fresh);
    };
    void look();
    const timer = setInterval(() => void look(), LOOK_MS);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [id, data]);

  const [unkept, setUnkept] = useState<string | null>(null);
  useEffect(() => {
    keepOnDevice(packet, Date.now()).then(
      () => setUnkept(null),
      (error: Error) => setUnkept(error.message),
    );
  }, [packet]);

  const act = useCallback(
    (action: FieldAction) => {
      done.current++;
      setPacket((known) => ({ ...known, tally: tallyAfter(known.tally, action) }));
      void enqueue({ key: newId(), accountId: data.accountId, sessionId: id, ...action });
    },
    [data.accountId, id],
  );
  /** Now, by this device, and never before the tap before: a clock that is set back does not turn the order round. */
  const tapMoment = useCallback(() => (lastTapMs.current = Math.max(Date.now(), lastTapMs.current + 1)), []);
  const own = outbox.items.filter((item) => item.sessionId === id);
  return {
    tally: packet.tally,
    briefs: packet.briefs,
    attempts: packet.tally.attempts.filter((attempt) => !attempt.undone),
    act,
    tapMoment,
    waiting: {
      unsent: own.filter((item) => item.refused === undefined).length,
      unkept: own.filter((item) => outbox.unkept.has(item.key)).length,
      signedOut: outbox.signedOutIds.has(data.accountId),
      broken: outbox.broken ?? unkept,
    },
    refused: own.filter((item) => item.refused !== undefined),
  };
}
