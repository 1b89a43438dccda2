"use client";

import { useEffect, useSyncExternalStore } from "react";
import { emptyOutbox, flush, outboxNow, subscribe, type OutboxState } from "./outbox";

const RETRY_MS = 4000;

/** What waits on this device. As long as something shows it, it is sent whenever the server answers. */
export function useOutbox(): OutboxState {
  const state = useSyncExternalStore(subscribe, outboxNow, emptyOutbox);
  useEffect(() => {
    const now = () => void flush();
    now();
    const timer = setInterval(now, RETRY_MS);
    window.addEventListener("online", now);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", now);
    };
  }, []);
  return state;
}
