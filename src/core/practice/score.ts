import type { Settings } from "../flight";
import type { Outcome } from "../progress";
import { indexAt, missedOnTrace } from "../recipes";
import type { FoundTrick } from "../tape";
import { between } from "../yard";
import type { Drill } from "./drill";
import type { NextThing } from "./next-thing";
import type { Replayed } from "./replay";
import { CourseWatch, headingOf, HoldWatch, type Moment } from "./watch";

export interface Score {
  readonly passed: boolean;
  /** What the task is measured by, in its own unit (°, s, m, places); null where it was not come to. */
  readonly value: number | null;
  readonly next: NextThing;
}

/** Upside down with more throttle than this it is driven toward the ground. */
const OPEN_SHARE = 0.1;

/** A try held against what its drill asks for: its task, then the marks of its recipe. */
export function scoreTry(drill: Drill, flown: Replayed, settings: Settings): Score {
  const { task } = drill;
  const { trace, measures } = flown;
  const { ended, tricks } = measures;
  const crashed = ended?.kind === "crash" ? ended : null;
  const scored = ((): Score => {
    switch (task.kind) {
      case "free":
        return { passed: !crashed, value: measures.durationS, next: { kind: "passed" } };
      case "trick":
        return trickScore(task, tricks);
      case "hold":
        return holdScore(task, trace);
      case "land": {
        if (ended?.kind !== "touchdown") return { passed: false, value: null, next: { kind: "not-landed" } };
        const m = between(task.at, { eastM: trace.eastM.at(-1)!, northM: trace.northM.at(-1)! });
        return m <= task.withinM
          ? { passed: true, value: m, next: { kind: "passed" } }
          : { passed: false, value: m, next: { kind: "off-spot", m, withinM: task.withinM } };
      }
      case "course":
        return courseScore(task, trace);
      case "tricks":
        return lineScore(task, tricks);
      case "call":
        return task.answer === "switch" ? switchScore(task, trace, measures.switched) : callScore(task, trace);
    }
  })();
  if (!crashed) return scored.passed ? markScore(drill, scored, flown, settings) : scored;
  const next = { kind: "crashed", into: crashed.into, atS: crashed.timeS, speedMps: crashed.speedMps } as const;
  return { ...scored, passed: false, next };
}

type Of<Kind extends Drill["task"]["kind"]> = Extract<Drill["task"], { kind: Kind }>;
type Path = Replayed["trace"];

/** What the recipe's own marks say of a try that did its task. */
function markScore(drill: Drill, scored: Score, flown: Replayed, settings: Settings): Score {
  const { task, recipe, object = null, round, inPictureS, steady = { afterS: 0, beforeS: 0 } } = drill;
  const { trace, measures } = flown;
  const trick = task.kind === "trick" ? foundFor(task, measures.tricks) : undefined;
  // A landing, a course and a call say by themselves what is looked at.
  if (task.kind !== "free" && !(trick && round)) return scored;
  const at = (timeS: number) => indexAt(trace, Math.max(0, timeS));
  const last = trace.timeS.length - 1;
  const whole =
    trick && round ? ([at(trick.fromS - round.beforeS), at(trick.toS + round.afterS)] as const) : ([0, last] as const);
  const sinceS = trick?.fromS ?? 0;
  const [mark] = missedOnTrace(recipe, trace, {
    ...{ whole, object },
    turn: trick ? [at(trick.fromS + steady.afterS), at(trick.toS - steady.beforeS)] : null,
    inPicture: inPictureS ? [at(sinceS + inPictureS[0]), at(sinceS + inPictureS[1])] : whole,
    camera: { tiltDeg: settings.tiltDeg, ...settings.camera },
  });
  return mark ? { ...scored, passed: false, next: { kind: "missed-mark", mark } } : scored;
}

const foundFor = ({ trick }: Of<"trick">, tricks: readonly FoundTrick[]) =>
  tricks.find(
    ({ kind, direction, turns }) => kind === trick.kind && direction === trick.direction && turns === trick.turns,
  );

function trickScore(task: Of<"trick">, tricks: readonly FoundTrick[]): Score {
  const { trick, withinDeg } = task;
  const found = foundFor(task, tricks);
  if (!found) {
    return { passed: false, value: null, next: otherwise(trick, tricks) };
  }
  const { stopErrorDeg, throttleInvertedMean } = found.measures;
  const value = stopErrorDeg ?? null;
  if (withinDeg !== null && value !== null && Math.abs(value) > withinDeg)
    return {
      passed: false,
      value,
      next: { kind: value > 0 ? "stopped-past" : "stopped-short", deg: Math.abs(value), withinDeg },
    };
  if ((throttleInvertedMean ?? 0) > OPEN_SHARE && (trick.kind === "hang" || trick.kind === "flip"))
    return { passed: false, value, next: { kind: "throttle-open", share: throttleInvertedMean! } };
  return { passed: true, value, next: { kind: "passed" } };
}

/** What was flown in the place of a trick. */
function otherwise({ kind, direction, turns }: Of<"trick">["trick"], tricks: readonly FoundTrick[]): NextThing {
  const alike = tricks.find((one) => one.kind === kind && one.direction === direction);
  if (alike) return { kind: "other-turns", turns: alike.turns, wantsTurns: turns };
  const other = tricks.at(0);
  return other ? { kind: "other-trick", found: other.kind, direction: other.direction } : { kind: "not-flown" };
}

/** The moments of a try, one after the other. */
function watched<Watch extends { add(moment: Moment): void }>(watch: Watch, path: Path): Watch {
  path.timeS.forEach((timeS, i) =>
    watch.add({
      ...{ timeS, northM: path.northM[i], eastM: path.eastM[i], heightM: path.heightM[i] },
      ...{ northMps: path.vNorthMps[i], eastMps: path.vEastMps[i] },
      headingDeg: headingOf({ w: path.qw[i], x: path.qx[i], y: path.qy[i], z: path.qz[i] }),
    }),
  );
  return watch;
}

function holdScore(task: Of<"hold">, path: Path): Score {
  const { longestS } = watched(new HoldWatch(task), path);
  return longestS >= task.seconds - 1e-6
    ? { passed: true, value: longestS, next: { kind: "passed" } }
    : { passed: false, value: longestS, next: { kind: "left-circle", heldS: longestS, wantsS: task.seconds } };
}

function courseScore(task: Of<"course">, path: Path): Score {
  const { turnedDeg: wantsDeg = 0, mostJerkDegPerS2: most = Infinity } = task;
  const watch = watched(new CourseWatch(task), path);
  const { place, nearestM, why, turnedDeg } = watch;
  if (!watch.all)
    return {
      ...{ passed: false, value: place },
      next: why ?? { kind: "missed-place", place: place + 1, nearestM, withinM: watch.withinM },
    };
  const deg = Math.abs(turnedDeg);
  if (deg < wantsDeg) return { passed: false, value: place, next: { kind: "turned-too-little", deg, wantsDeg } };
  if (most === Infinity) return { passed: true, value: place, next: { kind: "passed" } };
  const degPerS2 = jerkOf(path);
  return degPerS2 > most
    ? { passed: false, value: degPerS2, next: { kind: "jerked", degPerS2, mostDegPerS2: most } }
    : { passed: true, value: degPerS2, next: { kind: "passed" } };
}

/** Tricks in their order; others in between do not matter. The value is how many came. */
function lineScore({ tricks: wanted }: Of<"tricks">, tricks: readonly FoundTrick[]): Score {
  let come = 0;
  for (const { kind, direction, turns } of tricks) {
    const next = wanted.at(come);
    if (next && next.kind === kind && next.direction === direction && next.turns === turns) come++;
  }
  return come >= wanted.length
    ? { passed: true, value: come, next: { kind: "passed" } }
    : { passed: false, value: come, next: { kind: "line-broke", at: come + 1, wants: wanted[come].kind } };
}

/** Turning rates are smoothed over so long before their change is told, s: what is faster is the machine's. Estimate of ours. */
const SMOOTHED_S = 0.12;

/** How fast turning gathered at the most, °/s²: the largest change of the three body rates, smoothed. */
export function jerkOf({ sampleS, timeS, rollDps, pitchDps, yawDps }: Path): number {
  const width = Math.max(1, Math.round(SMOOTHED_S / sampleS));
  let most = 0;
  // The mean over a stretch changes by what comes in less what goes out, over its length.
  for (let i = width; i < timeS.length; i++) {
    const change = (rates: readonly number[]) => (rates[i] - rates[i - width]) / (width * sampleS);
    most = Math.max(most, Math.hypot(change(rollDps), change(pitchDps), change(yawDps)));
  }
  return most;
}

/** The switch is left on for so long at the least, s, and the height kept within this, m. Ours. */
const LEVELLED_S = 0.5;
const KEPT_M = 2;

/** From the call to the switch, there and back, and the height meanwhile. */
function switchScore({ callS }: Of<"call">, path: Path, switched: Replayed["measures"]["switched"]): Score {
  const on = callS === null ? undefined : switched.find((one) => one.on && one.timeS >= callS);
  if (callS === null || switched.some((one) => one.on && one.timeS < callS))
    return { passed: false, value: null, next: { kind: "before-the-call" } };
  const back = on && switched.find((one) => !one.on && one.timeS >= on.timeS + LEVELLED_S);
  const reactionS = on ? on.timeS - callS : null;
  if (reactionS === null || !back)
    return { passed: false, value: reactionS, next: { kind: "no-answer", answer: "switch" } };
  const [from, to] = [indexAt(path, callS), path.timeS.length - 1];
  let byM = 0;
  for (let i = from; i <= to; i++) byM = Math.max(byM, Math.abs(path.heightM[i] - path.heightM[from]));
  return byM > KEPT_M
    ? { passed: false, value: reactionS, next: { kind: "lost-height", byM, withinM: KEPT_M } }
    : { passed: true, value: reactionS, next: { kind: "answered", reactionS } };
}

/** A stick that moved so far from where it stood at the call has answered, share of full stick. Ours. */
const ANSWERS = 0.15;
/** Slower ahead than this it has stopped; falling no faster than this it is out of a dive, m/s. */
const STOPPED_MPS = 0.3;
const LEVEL_MPS = 0.5;

/** From the call to the first stick that moved, and whether what was asked for was done; the value is the reaction time, s. */
function callScore({ callS, answer }: Of<"call">, path: Path): Score {
  if (callS === null) return { passed: false, value: null, next: { kind: "before-the-call" } };
  const done = (i: number) => (answer === "stop" ? path.vNorthMps[i] <= STOPPED_MPS : path.climbMps[i] >= -LEVEL_MPS);
  const last = path.timeS.length - 1;
  if (path.timeS[last] <= callS) return { passed: false, value: null, next: { kind: "before-the-call" } };
  const called = indexAt(path, callS);
  if (answer === "stop" && done(called)) return { passed: false, value: null, next: { kind: "before-the-call" } };
  const moved = (i: number) =>
    (["stickRoll", "stickPitch", "stickYaw", "stickThrottle"] as const).some(
      (axis) => Math.abs(path[axis][i] - path[axis][called]) > ANSWERS,
    );
  let i = called;
  while (i <= last && !moved(i)) i++;
  const reactionS = i <= last ? path.timeS[i] - callS : null;
  while (i <= last && !done(i)) i++;
  return reactionS !== null && i <= last
    ? { passed: true, value: reactionS, next: { kind: "answered", reactionS } }
    : { passed: false, value: reactionS, next: { kind: "no-answer", answer } };
}

/** What a try counts as among attempts. */
export const outcomeOfTry = ({ passed, next }: Score): Outcome =>
  passed ? "clean" : next.kind === "crashed" ? "crashed" : "rough";
