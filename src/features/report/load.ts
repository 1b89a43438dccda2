import { dayBegins, dayIn, dayText, entryOf, DAY_MS } from "@/core";
import "server-only";
import { loadProgressBriefly } from "@/server/progress";
import type { Milestone, Pilot, Setup } from "@/contract";
import { listAircraft, listAttemptsSince, listMilestones, listSetups } from "@/server/repositories";
import { pathOf, routeOf, setupFlownLast, glanceOf, type Glance, type StepStanding, type Syllabus } from "@/syllabus";
import { seasonDrawn, seasonFigures, type SeasonDrawn, type SeasonFigures } from "./season";

/** A pilot's season: what was flown, signed off and changed since a day, and where they stand. */
export interface Season {
  readonly pilot: Pilot;
  readonly sinceMs: number;
  /** The day it begins on, as 2026-09-01. */
  readonly since: string;
  /** By the clocks of which the days are. */
  readonly timeZone: string;
  readonly nowMs: number;
  readonly figures: SeasonFigures;
  readonly picture: SeasonDrawn;
  /** Signed off since then, oldest first. */
  readonly milestones: readonly Milestone[];
  readonly setups: readonly (Setup & { readonly aircraftName: string })[];
  /** The step they are at, and what to do there; null when all of the way is signed off. */
  readonly current: { readonly stepId: string; readonly advice: StepStanding["advice"] } | null;
  readonly reviewsDue: Glance["reviewsDue"];
}

/** What is shown when no day is asked for. */
const USUAL_DAYS = 180;

/** The day asked for, as ms; half a year ago for anything that is no day of the past. */
function sinceOf(text: string | null, nowMs: number, timeZone: string): number {
  const midnight = text && /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : NaN;
  const asked = midnight > 0 ? dayBegins(timeZone, midnight / DAY_MS) : NaN;
  return asked < nowMs ? asked : dayBegins(timeZone, dayIn(timeZone, nowMs) - USUAL_DAYS);
}

/** The season since a day such as 2026-09-01, else of the last half year. */
export async function loadSeason(pilot: Pilot, since: string | null, nowMs = Date.now()): Promise<Season> {
  const progress = entryOf(await loadProgressBriefly([pilot], nowMs), pilot.id);
  const { timeZone } = progress.rules;
  const sinceMs = sinceOf(since, nowMs, timeZone);
  const [attempts, milestones, setups, aircraft] = await Promise.all([
    listAttemptsSince(pilot.id, new Date(sinceMs)),
    listMilestones([pilot.id]),
    listSetups(pilot.id),
    listAircraft([pilot.id]),
  ]);
  const { syllabus } = progress;
  // Newest first: the present settings of the aircraft they fly.
  const flownWith = setups.find(({ id }) => id === setupFlownLast(progress));
  const newest = setups.find(({ aircraftId }) => aircraftId === flownWith?.aircraftId);
  const { current, reviewsDue } = glanceOf({ ...progress, setupId: newest?.id ?? null, nowMs });
  return {
    pilot,
    sinceMs,
    since: dayText(timeZone, sinceMs),
    timeZone,
    nowMs,
    figures: seasonFigures(
      attempts,
      syllabus.steps.map(({ id }) => id),
      timeZone,
    ),
    picture: seasonDrawn(
      attempts,
      milestones,
      (stepId) => syllabus.skillByStep.get(stepId)?.stage ?? null,
      sinceMs,
      timeZone,
    ),
    milestones: milestones.filter(({ signedAtMs }) => signedAtMs >= sinceMs),
    setups: setups
      .filter(({ createdAtMs }) => createdAtMs >= sinceMs)
      .map((one) => ({ ...one, aircraftName: aircraft.find(({ id }) => id === one.aircraftId)?.name ?? "" })),
    current: current && { stepId: current.stepId, advice: current.advice },
    reviewsDue,
  };
}

/** Steps of a stage still to be signed off on a route; a stage without steps is never done. */
export function stageOpen(
  syllabus: Syllabus,
  route: ReturnType<typeof routeOf>,
  stage: number,
  signedOff: ReadonlySet<string>,
): readonly string[] {
  const own = pathOf(syllabus, route).filter(
    ({ id, optional }) => !optional && entryOf(syllabus.skillByStep, id).stage === stage,
  );
  if (own.length === 0) return ["nothing"];
  return own.filter(({ id }) => !signedOff.has(id)).map(({ id }) => id);
}
