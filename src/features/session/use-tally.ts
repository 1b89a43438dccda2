"use client";

import { useCallback, useEffect, useState, useSyncExternalStore } from "react";
import { v7 as newId } from "uuid";
import type { LoggedAttempt } from "@/server/repositories";
import type { TallyData } from "./load";
import { flush, needsSignIn, put, subscribe, waiting, type Outgoing } from "./outbox";
import { applied, withWaiting } from "./tally-log";

const RETRY_MS = 4000;
const none: readonly Outgoing[] = [];

/** The attempts of a session with what was tapped here, and how much of it still waits to be sent. */
export function useTally(data: TallyData) {
  const { session } = data;
  const [attempts, setAttempts] = useState<readonly LoggedAttempt[]>(data.attempts);
  const outbox = useSyncExternalStore(subscribe, waiting, () => none);
  const signedOut = useSyncExternalStore(subscribe, needsSignIn, () => false);
  useEffect(() => {
    // What waits on this device is known to the browser only, so it can be added no sooner than here.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setAttempts((known) => withWaiting(known, waiting(), session));
    void flush();
    const timer = setInterval(() => void flush(), RETRY_MS);
    const now = () => void flush();
    window.addEventListener("online", now);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", now);
    };
  }, [session]);

  const act = useCallback(
    (action: Outgoing["action"], input: object) => {
      setAttempts((known) => applied(known, action, input, session));
      put({ key: newId(), sessionId: session.id, action, input });
    },
    [session],
  );
  const own = outbox.filter((item) => item.sessionId === session.id);
  return {
    attempts: attempts.filter((attempt) => !attempt.undone),
    act,
    signedOut,
    unsent: own.filter((item) => item.refused === undefined).length,
    refused: own.filter((item) => item.refused !== undefined),
  };
}
