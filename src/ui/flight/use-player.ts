"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import type { ScreenKey } from "../keys/keys";

/** How far a key moves the moment, s. */
export const STEP_S = 0.05;
const FINE_STEP_S = 0.01;

/**
 * A moment of a flight that can be moved by hand or runs, at full speed or slower; null before it is first touched. `keys` are the bindings that
 * move it.
 */
export function usePlayer(durationS: number, speed = 1) {
  const [touchedS, setCursorS] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const [looping, setLooping] = useState(true);
  // A flight that came out shorter than the one before.
  const cursorS = touchedS === null ? null : Math.min(touchedS, durationS);
  const from = useRef(0);
  useEffect(() => {
    from.current = cursorS ?? 0;
  });
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let last = performance.now();
    const tick = (now: number) => {
      const passedS = (speed * (now - last)) / 1000;
      last = now;
      const nextS = from.current + passedS;
      if (nextS > durationS && !looping && from.current < durationS) {
        setCursorS(durationS);
        return setPlaying(false);
      }
      setCursorS(nextS > durationS ? 0 : nextS);
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [playing, looping, durationS, speed]);
  const keys = useMemo<ScreenKey[]>(() => {
    const move = (byS: number) => () => setCursorS((now) => Math.max(0, Math.min(durationS, (now ?? 0) + byS)));
    return [
      { key: "ArrowRight", label: "A moment later", run: move(STEP_S) },
      { key: "ArrowLeft", label: "A moment earlier", run: move(-STEP_S) },
      { key: ".", label: "A hundredth later", run: move(FINE_STEP_S) },
      { key: ",", label: "A hundredth earlier", run: move(-FINE_STEP_S) },
      { key: " ", label: "Play, pause", run: () => setPlaying((now) => !now) },
      { key: "l", label: "Loop on, off", run: () => setLooping((now) => !now) },
    ];
  }, [durationS]);
  const step = (byS: number) => setCursorS(Math.max(0, Math.min(durationS, (cursorS ?? 0) + byS)));
  return { cursorS, setCursorS, playing, setPlaying, looping, setLooping, step, keys };
}

export type Player = ReturnType<typeof usePlayer>;
