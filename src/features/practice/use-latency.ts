"use client";

import { useCallback, useMemo, useRef, useState } from "react";
import { median } from "@/core";

/** So many movements are looked back over, and the figure is written anew after as many. */
const LOOKED = 24;
/** Later than this it was no answer to the movement, ms: the page was busy or hidden. */
const LATEST_MS = 500;

/** From a stick or key that moved to the picture that shows it, ms; without what the display takes by itself. Null before anything moved. */
export function useLatency() {
  const [ms, setMs] = useState<number | null>(null);
  const seen = useRef<{ lastMs: number | null; waits: number[] }>({ lastMs: null, waits: [] });
  /** A picture was drawn, with what had moved by then. */
  const drawn = useCallback((movedAtMs: number | null) => {
    const { lastMs, waits } = seen.current;
    if (movedAtMs === null || movedAtMs === lastMs) return;
    seen.current.lastMs = movedAtMs;
    const wait = performance.now() - movedAtMs;
    if (wait < 0 || wait > LATEST_MS) return;
    waits.push(wait);
    if (waits.length < LOOKED && waits.length !== 1) return;
    setMs(median(waits));
    if (waits.length >= LOOKED) seen.current.waits = [];
  }, []);
  return useMemo(() => ({ ms, drawn }), [ms, drawn]);
}
