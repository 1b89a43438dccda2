import { flownForReal, outcomes, type Attempt, type Outcome, type Place } from "./attempt";
import { dayIn } from "./day";
import { ATTEMPTS_WEIGHED } from "./rate";

/** One flying day at a step: day number since 1970 by the clocks of the squad, clean attempts, all attempts. */
export type FlyingDay = readonly [day: number, clean: number, all: number];

/** Raw counts at a step in one direction and place. */
export interface Tallied {
  readonly direction: string;
  readonly place: Place;
  readonly counts: Readonly<Record<Outcome, number>>;
}

/** Counts and flying days at a step, from which where a pilot stands is told without reading every attempt again. */
export interface StepDigest {
  readonly attempts: number;
  /** Flown last, and on these days; what was practised in a simulator is no flying day. */
  readonly lastMs: number | null;
  readonly days: readonly FlyingDay[];
  readonly tallies: readonly Tallied[];
}

/** Digest of the attempts at one step, any order; days by the clocks of a time zone. */
export function digestOf(attempts: readonly Attempt[], timeZone: string): StepDigest {
  const byTime = [...attempts].sort((a, b) => a.atMs - b.atMs);
  const days = new Map<number, [number, number]>();
  const real = byTime.filter(flownForReal);
  for (const { atMs, outcome } of real) {
    const day = dayIn(timeZone, atMs);
    const [clean, all] = days.get(day) ?? [0, 0];
    days.set(day, [clean + (outcome === "clean" ? 1 : 0), all + 1]);
  }
  return {
    attempts: byTime.length,
    lastMs: real.at(-1)?.atMs ?? null,
    tallies: grouped(byTime).map((group) => ({
      direction: group[0].direction,
      place: group[0].place,
      counts: countsOf(group),
    })),
    days: [...days].map(([day, [clean, all]]) => [day, clean, all] as const),
  };
}

/**
 * The newest attempts of each direction and place, in the order flown: as many as weigh in the evidence; no mark looks back over as many. Minutes of
 * those left out are carried by the oldest one kept that did not crash, so that their sum stays.
 */
export function recentOf<A extends Attempt>(attempts: readonly A[]): A[] {
  const byTime = [...attempts].sort((a, b) => a.atMs - b.atMs);
  const kept = new Map<A, A>();
  for (const group of grouped(byTime)) {
    const newest = group.slice(-ATTEMPTS_WEIGHED);
    const carriedMin = sumMinutes(group) - sumMinutes(newest);
    const carrier = newest.find(({ outcome }) => outcome !== "crashed");
    for (const attempt of newest)
      kept.set(
        attempt,
        attempt === carrier && carriedMin > 0 ? { ...attempt, minutes: (attempt.minutes ?? 0) + carriedMin } : attempt,
      );
  }
  return byTime.flatMap((attempt) => kept.get(attempt) ?? []);
}

function grouped<A extends Attempt>(attempts: readonly A[]): A[][] {
  const groups = new Map<string, A[]>();
  for (const attempt of attempts) {
    const key = `${attempt.direction} ${attempt.place}`;
    const group = groups.get(key);
    if (group) group.push(attempt);
    else groups.set(key, [attempt]);
  }
  return [...groups.values()];
}

const sumMinutes = (attempts: readonly Attempt[]) =>
  attempts.reduce((sum, { minutes, outcome }) => sum + (outcome === "crashed" ? 0 : (minutes ?? 0)), 0);

function countsOf(attempts: readonly Attempt[]): Record<Outcome, number> {
  const counts = Object.fromEntries(outcomes.map((outcome) => [outcome, 0])) as Record<Outcome, number>;
  for (const { outcome } of attempts) counts[outcome]++;
  return counts;
}
