"use client";

import { useEffect } from "react";

/** Keeps the screen on while it is shown, where the device offers that; asks again whenever somebody comes back to it. */
export function useWakeLock(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        const held = await navigator.wakeLock.request("screen");
        if (gone) await held.release();
        else lock = held;
      } catch {
        // A device short of battery may refuse: the tally works all the same.
      }
    };
    const asking = () => void ask();
    asking();
    document.addEventListener("visibilitychange", asking);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", asking);
      void lock?.release();
    };
  }, [on]);
}
