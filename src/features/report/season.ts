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
