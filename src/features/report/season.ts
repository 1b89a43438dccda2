import {
  flownForReal,
  GAP_DAYS,
  outcomes,
  wilsonInterval,
  type Attempt,
  type Outcome,
  type Place,
  dayIn,
  Z90,
} from "@/core";

/** What was flown at one step in one direction. */
export interface SeasonLine {
  readonly stepId: string;
  readonly direction: string;
  readonly counts: Readonly<Record<Outcome, number>>;
  readonly attempts: number;
  /** 90 % Wilson interval of the clean share. */
  readonly low: number;
  readonly high: number;
  /** Clean shares of the earlier and the later half; null with fewer than eight attempts. */
  readonly halves: readonly [earlier: number, later: number] | null;
}

/** A pilot's season in numbers. */
export interface SeasonFigures {
  readonly attempts: number;
  readonly daysFlown: number;
  readonly sessions: number;
  readonly places: Readonly<Partial<Record<Place, number>>>;
  readonly lines: readonly SeasonLine[];
  /** Stretches without a flight. */
  readonly gaps: readonly { readonly fromMs: number; readonly days: number }[];
}

type Flown = Attempt & { readonly stepId: string };
const LEAST_FOR_HALVES = 8;

/** Counts a season from its attempts in the order flown, lines in the order of the steps given. What was practised in a simulator is counted by its place only. Days are those of the time zone. */
export function seasonFigures(
  attempts: readonly Flown[],
  stepOrder: readonly string[],
  timeZone: string,
): SeasonFigures {
  const real = attempts.filter(flownForReal);
  const dayOf = ({ atMs }: Flown) => dayIn(timeZone, atMs);
  const groups = new Map<string, Flown[]>();
  for (const attempt of real) {
    const key = `${attempt.stepId} ${attempt.direction}`;
    const group = groups.get(key);
    if (group) group.push(attempt);
    else groups.set(key, [attempt]);
  }
  const places: Partial<Record<Place, number>> = {};
  for (const { place } of attempts) places[place] = (places[place] ?? 0) + 1;
  const rank = (stepId: string) => {
    const at = stepOrder.indexOf(stepId);
    return at < 0 ? stepOrder.length : at;
  };
  return {
    attempts: real.length,
    daysFlown: new Set(real.map(dayOf)).size,
    sessions: new Set(real.map(({ sessionId }) => sessionId)).size,
    places,
    lines: [...groups.values()].map(lineOf).sort((a, b) => rank(a.stepId) - rank(b.stepId)),
    gaps: real.slice(1).flatMap((attempt, i) => {
      const days = dayOf(attempt) - dayOf(real[i]);
      return days > GAP_DAYS ? [{ fromMs: real[i].atMs, days }] : [];
    }),
  };
}

function lineOf(attempts: readonly Flown[]): SeasonLine {
  const counts = Object.fromEntries(
    outcomes.map((outcome) => [outcome, attempts.filter((one) => one.outcome === outcome).length]),
  ) as Record<Outcome, number>;
  const half = Math.floor(attempts.length / 2);
  const share = (part: readonly Flown[]) => part.filter(({ outcome }) => outcome === "clean").length / part.length;
  return {
    stepId: attempts[0].stepId,
    direction: attempts[0].direction,
    counts,
    attempts: attempts.length,
    ...wilsonInterval(counts.clean, attempts.length, Z90),
    halves: attempts.length < LEAST_FOR_HALVES ? null : [share(attempts.slice(0, half)), share(attempts.slice(half))],
  };
}

/** What a picture of a season is drawn from. Stages count from 0, the shallowest. */
export interface SeasonDrawn {
  /** What was flown in a stage on a day, in time order. */
  readonly days: readonly {
    readonly atMs: number;
    readonly stage: number;
    readonly attempts: number;
    readonly clean: number;
    readonly crashes: number;
  }[];
  readonly signOffs: readonly { readonly id: string; readonly atMs: number; readonly stage: number }[];
  /** The deepest stage with a step signed off, from when on, in time order; nothing before the first. */
  readonly depth: readonly { readonly atMs: number; readonly stage: number }[];
}

/** Days and depth of a season, from attempts in the order flown and every sign-off that stands. A step of no stage is left out. */
export function seasonDrawn(
  attempts: readonly Flown[],
  signedOff: readonly { readonly id: string; readonly stepId: string; readonly signedAtMs: number }[],
  stageOf: (stepId: string) => number | null,
  sinceMs: number,
  timeZone: string,
): SeasonDrawn {
  const days = new Map<string, { atMs: number; stage: number; attempts: number; clean: number; crashes: number }>();
  for (const one of attempts.filter(flownForReal)) {
    const stage = stageOf(one.stepId);
    if (stage === null) continue;
    const key = `${dayIn(timeZone, one.atMs)} ${stage}`;
    const day = days.get(key) ?? { atMs: one.atMs, stage, attempts: 0, clean: 0, crashes: 0 };
    day.attempts++;
    if (one.outcome === "clean") day.clean++;
    if (one.outcome === "crashed") day.crashes++;
    days.set(key, day);
  }
  const all = signedOff
    .flatMap(({ id, stepId, signedAtMs }) => {
      const stage = stageOf(stepId);
      return stage === null ? [] : [{ id, atMs: signedAtMs, stage }];
    })
    .sort((a, b) => a.atMs - b.atMs);
  const depth: { atMs: number; stage: number }[] = [];
  for (const { atMs, stage } of all) {
    const last = depth.at(-1);
    if (last && stage <= last.stage) continue;
    const from = Math.max(atMs, sinceMs);
    if (last && last.atMs === from) last.stage = stage;
    else depth.push({ atMs: from, stage });
  }
  return { days: [...days.values()], signOffs: all.filter(({ atMs }) => atMs >= sinceMs), depth };
}
