"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import {
  createPractice,
  drawCall,
  GUSTS_PER_WIND,
  headingOf,
  watchTask,
  type Airframe,
  type Drill,
  type Environment,
  type PracticeRecord,
  type PracticeState,
  type PreparedDrill,
  type Settings,
  type TaskProgress,
} from "@/core";
import { useAlarm } from "@/ui/sound/use-alarm";
import type { Hands } from "./use-hands";
import { useLatency } from "./use-latency";
import type { Looking, World } from "./world";

/** A pilot has so much longer than the model, as a share of its time and s. Ours. */
const LONGER = { share: 0.8, s: 6 };
/** Longer between two frames the page was hidden, s. Ours. */
const HIDDEN_S = 0.5;
/** Figures beside the picture are written anew so often, ms. */
const FIGURES_MS = 120;
/** A task that is done is flown on for so long, s, so that its end is whole. */
const DONE_S = 0.4;

/** The call sounds once. */
const CALLS = { called: 1 };

export type TryPhase = "ready" | "flying" | "over";

/** What one try was flown as: its call and its gusts are drawn anew each time. */
export interface FlownTry {
  readonly record: PracticeRecord;
  readonly drill: Drill;
  readonly environment: Environment;
  readonly beganAtMs: number;
  /** Flown slower than in real time, all of it or in part. */
  readonly slowed: boolean;
}

/** A drill as it is flown this time. */
function drawn({ drill, environment }: PreparedDrill): Pick<FlownTry, "drill" | "environment"> {
  const windMps = Math.hypot(environment.windNorthMps, environment.windEastMps);
  const seed = Math.floor(Math.random() * 4294967296);
  return {
    drill: drawCall(drill, Math.random()),
    environment:
      windMps > 0 ? { ...environment, gusts: { deviationMps: GUSTS_PER_WIND * windMps, seed } } : environment,
  };
}

/** What is flown now. */
interface Flying extends Pick<FlownTry, "drill" | "environment" | "beganAtMs"> {
  readonly practice: ReturnType<typeof createPractice>;
  readonly watch: ReturnType<typeof watchTask>;
  doneAtS: number | null;
  called: boolean;
  slowed: boolean;
}

const momentOf = (state: PracticeState) => ({ ...state, headingDeg: headingOf(state.attitude) });

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
  onOver: (flown: FlownTry) => void;
}) {
  const { prepared, airframe, settings, hands, world, looking, withGhost, pace, phase, onPhase, onOver } = props;
  const [shown, setShown] = useState<PracticeState>(() =>
    createPractice(prepared.drill, airframe, settings, prepared.environment).state(),
  );
  const [progress, setProgress] = useState<TaskProgress | null>(null);
  const [called, setCalled] = useState(false);
  const allowSound = useAlarm(called ? "called" : "quiet", CALLS);
  const [radioGone, setRadioGone] = useState(false);
  const flying = useRef<Flying | null>(null);
  const { ms: latencyMs, drawn: pictureDrawn } = useLatency();
  const now = useRef({ looking, withGhost, pace, onOver });
  useEffect(() => {
    now.current = { looking, withGhost, pace, onOver };
  });
  const begin = useCallback(() => {
    allowSound();
    const flown = drawn(prepared);
    const practice = createPractice(flown.drill, airframe, settings, flown.environment);
    const watch = watchTask(flown.drill.task);
    flying.current = { ...flown, practice, watch, beganAtMs: Date.now(), doneAtS: null, called: false, slowed: false };
    const start = practice.state();
    hands.begin(start.sticks.throttle);
    setShown(start);
    setProgress(null);
    setCalled(false);
    setRadioGone(false);
    onPhase("flying");
  }, [prepared, airframe, settings, hands, onPhase, allowSound]);
  const stop = useCallback(() => {
    if (!flying.current) return;
    const { practice, drill, environment, beganAtMs, slowed } = flying.current;
    setShown(practice.state());
    setCalled(false);
    onPhase("over");
    now.current.onOver({ record: practice.record(), drill, environment, beganAtMs, slowed });
  }, [onPhase]);
  // The start stands in the picture until it is flown, then where the try ended.
  useEffect(() => {
    if (phase !== "flying") world?.draw(shown, withGhost ? prepared.ghost.trace : null, looking);
  }, [prepared, world, looking, withGhost, phase, shown]);
  useEffect(() => {
    if (phase !== "flying") return;
    const longestS = prepared.ghost.measures.durationS * (1 + LONGER.share) + LONGER.s;
    let [lastMs, toldMs] = [performance.now(), 0];
    let frame = 0;
    const step = (atMs: number) => {
      const flight = flying.current;
      if (!flight) return;
      const realS = Math.max(0, atMs - lastMs) / 1000;
      lastMs = atMs;
      // Nothing of the time behind a hidden tab is flown, at whatever pace.
      const elapsedS = realS < HIDDEN_S ? realS * now.current.pace : 0;
      flight.slowed ||= now.current.pace < 1;
      const sticks = hands.read(elapsedS);
      if (!sticks) {
        setRadioGone(true);
        return stop();
      }
      const state = flight.practice.advance(elapsedS, sticks);
      world?.draw(state, now.current.withGhost ? prepared.ghost.trace : null, now.current.looking);
      pictureDrawn(hands.movedAtMs());
      const call = flight.drill.task.kind === "call" ? flight.drill.task.callS : null;
      if (call !== null && !flight.called && state.timeS >= call) {
        flight.called = true;
        setCalled(true);
      }
      const come = flight.watch?.(momentOf(state)) ?? null;
      if (come && come.done >= come.of) flight.doneAtS ??= state.timeS;
      if (atMs - toldMs > FIGURES_MS) {
        toldMs = atMs;
        setShown(state);
        setProgress(come);
      }
      const done = flight.doneAtS !== null && state.timeS > flight.doneAtS + DONE_S;
      if (state.ended || state.outOfTime || done || state.timeS > longestS) return stop();
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [phase, prepared, hands, world, stop, pictureDrawn]);
  return { shown, progress, called, radioGone, latencyMs, begin, stop };
}
