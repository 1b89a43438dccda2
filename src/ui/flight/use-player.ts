"use client";

import { useEffect, useMemo, useState } from "react";
import type { ScreenKey } from "../keys/keys";

/** How far a key moves the moment, s. */
const STEP_S = 0.05;
const FINE_STEP_S = 0.01;

/**
 * A moment of a flight that can be moved by hand or runs, at full speed or slower; null before it is first touched. `keys` are the bindings that
 * move it.
 */
export function usePlayer(durationS: number, speed = 1) {
  const [touchedS, setCursorS] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  // A flight that came out shorter than the one before.
  const cursorS = touchedS === null ? null : Math.min(touchedS, durationS);
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let last = performance.now();
    const tick = (now: number) => {
      const passedS = (speed * (now - last)) / 1000;
      last = now;
      setCursorS((at) => ((at ?? 0) + passedS > durationS ? 0 : (at ?? 0) + passedS));
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [playing, durationS, speed]);
  const keys = useMemo<ScreenKey[]>(() => {
    const move = (byS: number) => () => setCursorS((now) => Math.max(0, Math.min(durationS, (now ?? 0) + byS)));
    return [
      { key: "ArrowRight", label: "A moment later", run: move(STEP_S) },
      { key: "ArrowLeft", label: "A moment earlier", run: move(-STEP_S) },
      { key: ".", label: "A hundredth later", run: move(FINE_STEP_S) },
      { key: ",", label: "A hundredth earlier", run: move(-FINE_STEP_S) },
      { key: " ", label: "Play, pause", run: () => setPlaying((now) => !now) },
    ];
  }, [durationS]);
  return { cursorS, setCursorS, playing, setPlaying, keys };
}

export type Player = ReturnType<typeof usePlayer>;
