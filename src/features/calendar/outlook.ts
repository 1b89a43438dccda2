import { attemptsToMeet, placesOf, posteriorOf, seededRandom, windowOf, type AttemptsToGo, DAY_MS } from "@/core";
import type { Outlook } from "@/words";
import { pathOf, routeOf, type DigestedStep, type StandingInput, type Step } from "@/syllabus";

/** Of a step nobody has flown yet, where the pilot has signed off nothing to judge by. Common practice, no source. */
const USUAL_ATTEMPTS_A_STEP = 24;
const USUAL_ATTEMPTS_A_SESSION = 12;
const LAST_DAYS = 10;

/** What it would take a pilot to be ready at a step by a date, from the pace so far and the sessions planned until then. */
export function outlookOf(
  step: Step,
  dueAtMs: number,
  input: Pick<StandingInput, "syllabus" | "school" | "flown" | "signedOff" | "nowMs">,
  planned: number,
): Outlook {
  const { syllabus, school, flown, signedOff, nowMs } = input;
  const path = pathOf(syllabus, routeOf(school)).filter(({ optional, id }) => !optional || id === step.id);
  const furthest = path.reduce((last, { id }, i) => (signedOff.has(id) ? i : last), -1);
  const to = path.indexOf(step);
  const way = to < 0 ? [step] : path.slice(Math.min(to, furthest + 1), to + 1);
  const open = way.filter(({ id }) => !signedOff.has(id));
  const each = open.map((one) => toGo(one, flown.get(one.id), paceOf(flown, signedOff)));
  const attempts = {
    median: each.reduce((sum, { median }) => sum + median, 0),
    high: each.reduce((sum, { high }) => sum + high, 0),
  };
  const attemptsASession = medianOf(lastDays(flown)) ?? USUAL_ATTEMPTS_A_SESSION;
  const sessions = Math.ceil(attempts.median / attemptsASession);
  const kind = open.length === 0 ? "there" : dueAtMs < nowMs ? "past" : sessions <= planned ? "enough" : "short";
  const weeks = Math.max(0, (dueAtMs - nowMs) / (7 * DAY_MS));
  return { attempts, openSteps: open.length, attemptsASession, sessions, planned, weeks, kind };
}

/** A step that was flown goes on as it went; one that was not takes as many attempts as the pilot's other steps did. */
function toGo(step: Step, own: DigestedStep | undefined, pace: number): AttemptsToGo {
  if (!own || own.digest.attempts === 0) return { median: pace, high: 2 * pace };
  const counted = own.recent.filter(({ place }) => placesOf(step.mark).includes(place));
  const rates = step.directions.map(({ id }) => ({
    direction: id,
    ...posteriorOf(
      counted.filter(({ direction }) => direction === id),
      windowOf(step.mark).share,
    ),
  }));
  // The same attempts have the same future, and nothing else of a calendar takes as long.
  const key = JSON.stringify([step.mark, step.directions, own.recent]);
  const known = futures.get(key);
  if (known) return known;
  const future = attemptsToMeet(step.mark, own.recent, rates, seededRandom(1));
  if (futures.size >= MOST_FUTURES) futures.clear();
  futures.set(key, future);
  return future;
}

const futures = new Map<string, AttemptsToGo>();
const MOST_FUTURES = 300;

/** Attempts a step took until it was signed off, as a median of this pilot's. */
function paceOf(flown: ReadonlyMap<string, DigestedStep>, signedOff: ReadonlySet<string>): number {
  const taken = [...flown].flatMap(([id, { digest }]) => (signedOff.has(id) ? [digest.attempts] : []));
  return Math.round(medianOf(taken) ?? USUAL_ATTEMPTS_A_STEP);
}

/** Attempts on each of the last days flown. */
function lastDays(flown: ReadonlyMap<string, DigestedStep>): number[] {
  const byDay = new Map<number, number>();
  for (const { digest } of flown.values())
    for (const [day, , all] of digest.days) byDay.set(day, (byDay.get(day) ?? 0) + all);
  return [...byDay]
    .sort(([a], [b]) => b - a)
    .slice(0, LAST_DAYS)
    .map(([, count]) => count);
}

function medianOf(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted.length === 0 ? null : sorted[Math.floor(sorted.length / 2)];
}
