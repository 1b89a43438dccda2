"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import {
  createPractice,
  type Airframe,
  type PracticeRecord,
  type PracticeState,
  type PreparedDrill,
  type Settings,
} from "@/core";
import type { Hands } from "./use-hands";
import type { Looking, World } from "./world";

/** After the model is through, a pilot has so much longer, s. Ours. */
const LONGER_S = 6;
/** Longer between two frames the page was hidden, s. Ours. */
const HIDDEN_S = 0.5;
/** Figures beside the picture are written anew so often, ms. */
const FIGURES_MS = 120;

export type TryPhase = "ready" | "flying" | "over";

/** A try as it is flown: the model fed with the hands by real time, drawn once a frame. */
export function useTry(props: {
  prepared: PreparedDrill;
  airframe: Airframe;
  settings: Settings;
  hands: Hands;
  world: World | null;
  looking: Looking;
  withGhost: boolean;
  /** Time goes so much slower: 1, a half, a quarter. */
  pace: number;
  phase: TryPhase;
  onPhase: (phase: TryPhase) => void;
  onOver: (record: PracticeRecord) => void;
}) {
  const { prepared, airframe, settings, hands, world, looking, withGhost, pace, phase, onPhase, onOver } = props;
  const [shown, setShown] = useState<PracticeState>(() =>
    createPractice(prepared.drill, airframe, settings, prepared.environment).state(),
  );
  const practice = useRef<ReturnType<typeof createPractice> | null>(null);
  const now = useRef({ looking, withGhost, pace, onOver });
  useEffect(() => {
    now.current = { looking, withGhost, pace, onOver };
  });
  const [radioGone, setRadioGone] = useState(false);
  const begin = useCallback(() => {
    const made = createPractice(prepared.drill, airframe, settings, prepared.environment);
    practice.current = made;
    const start = made.state();
    hands.begin(start.sticks.throttle);
    setShown(start);
    setRadioGone(false);
    onPhase("flying");
  }, [prepared, airframe, settings, hands, onPhase]);
  const stop = useCallback(() => {
    if (!practice.current) return;
    setShown(practice.current.state());
    onPhase("over");
    now.current.onOver(practice.current.record());
  }, [onPhase]);
  // The start stands in the picture until it is flown, then where the try ended.
  useEffect(() => {
    if (phase !== "flying") world?.draw(shown, withGhost ? prepared.ghost.trace : null, looking);
  }, [prepared, world, looking, withGhost, phase, shown]);
  useEffect(() => {
    if (phase !== "flying") return;
    const longestS = prepared.ghost.measures.durationS + LONGER_S;
    let [lastMs, toldMs] = [performance.now(), 0];
    let frame = 0;
    const step = (atMs: number) => {
      const flight = practice.current;
      if (!flight) return;
      const realS = Math.max(0, atMs - lastMs) / 1000;
      lastMs = atMs;
      // Nothing of the time behind a hidden tab is flown, at whatever pace.
      const elapsedS = realS < HIDDEN_S ? realS * now.current.pace : 0;
      const sticks = hands.read(elapsedS);
      if (!sticks) {
        setRadioGone(true);
        return stop();
      }
      const state = flight.advance(elapsedS, sticks);
      world?.draw(state, now.current.withGhost ? prepared.ghost.trace : null, now.current.looking);
      if (atMs - toldMs > FIGURES_MS) {
        toldMs = atMs;
        setShown(state);
      }
      if (state.ended || state.outOfTime || state.timeS > longestS) return stop();
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [phase, prepared, hands, world, stop]);
  return { shown, radioGone, begin, stop };
}
