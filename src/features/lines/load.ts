import "server-only";
import { entryOf, flownForReal, shortenedPlan, type SitePlan } from "@/core";
import type { Aircraft, LineVersion, LoggedAttempt, Pilot, Setup, Site, SquadLine } from "@/contract";
import { isCoach, type SignedIn } from "@/server/accounts";
import { loadDay, loadProgress } from "@/server/progress";
import {
  findLine,
  latestSetups,
  listLines,
  listLinesOf,
  listLineTries,
  listLineVersions,
  listPilots,
  listSitePlans,
  listSites,
} from "@/server/repositories";
import { currentStepOf, type Day, type Manner } from "@/syllabus";

/** Of each site no more than so many things go with the lines. Ours. */
const MOST_THINGS = 300;

/** How far a pilot is with a trick. */
export type Standing = "signed-off" | "learning" | "new";

export interface LinesData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  /** Those of the squad; for a pilot, those given to them. */
  readonly lines: readonly SquadLine[];
  readonly sites: readonly Site[];
  /** Of those that are drawn, by site. */
  readonly plans: Readonly<Record<string, SitePlan>>;
  /** Pilots of the squad, to whom a line can be given. */
  readonly squadPilots: readonly { readonly id: string; readonly name: string }[];
  /** How the pilot flies what can be flown in more than one way. */
  readonly manner: Manner;
  /** By trick, of those that the pilot has or is at. */
  readonly standings: Readonly<Record<string, Exclude<Standing, "new">>>;
  readonly day: Day;
  /** The line that is open, with every version of it, the newest first; null for one that is begun. */
  readonly open: { readonly line: SquadLine; readonly versions: readonly LineVersion[] } | null;
  readonly mayChange: boolean;
  /** Tries at the line that is open, in the field and in practice, by whoever is in the squad. */
  readonly tries: readonly LoggedAttempt[];
  /** Tries in the field at any line by this pilot. */
  readonly ownTries: readonly LoggedAttempt[];
}

/** The lines of the pilot's squad, and the one asked for. Whether that may be read has been asked before. */
export async function loadLines(
  who: SignedIn,
  pilot: Pilot,
  aircraft: Aircraft | null,
  lineId: string | null,
): Promise<LinesData> {
  const mayChange = isCoach(who);
  const line = lineId === null ? undefined : await findLine(lineId);
  // A line is its own squad's, whoever is at hand to fly it.
  const squadId = line?.squadId ?? pilot.squadId;
  const [setups, progress, day, lines, sites, plans, pilots, versions] = await Promise.all([
    latestSetups([pilot.id]),
    loadProgress([pilot]),
    loadDay(squadId),
    mayChange ? listLines([squadId]) : listLinesOf(pilot.id),
    listSites([squadId]),
    listSitePlans(squadId),
    mayChange ? listPilots(who) : [],
    lineId === null || !mayChange ? [] : listLineVersions(lineId),
  ]);
  const squadPilots = pilots.filter((one) => one.squadId === squadId).map(({ id, name }) => ({ id, name }));
  // A pilot does not see to whom else it was given.
  const asSeen = (one: SquadLine): SquadLine => (mayChange ? one : { ...one, pilotIds: [pilot.id] });
  const [tries, ownTries] = await Promise.all([
    lineId === null ? [] : listLineTries(mayChange ? squadPilots.map(({ id }) => id) : [pilot.id], lineId),
    listLineTries([pilot.id]).then((all) => all.filter(flownForReal)),
  ]);
  const { syllabus, school, own, flown, signedOff } = entryOf(progress, pilot.id);
  const current = currentStepOf(entryOf(progress, pilot.id))?.id;
  const standings = new Map<string, Exclude<Standing, "new">>();
  for (const { id, flownAs } of syllabus.steps) {
    if (!flownAs) continue;
    // Signed off in one step counts for the trick, whatever else of it is being learnt.
    if (signedOff.has(id)) standings.set(flownAs.trick, "signed-off");
    else if ((id === current || flown.get(id)?.recent.length) && !standings.has(flownAs.trick))
      standings.set(flownAs.trick, "learning");
  }
  return {
    pilot,
    aircraft,
    setup: (aircraft && setups.get(aircraft.id)) ?? null,
    lines: lines.map(asSeen),
    sites,
    plans: Object.fromEntries(plans.map(({ id, plan }) => [id, shortenedPlan(plan, MOST_THINGS)])),
    squadPilots,
    manner: { school, own },
    standings: Object.fromEntries(standings),
    day,
    open: line ? { line: asSeen(line), versions } : null,
    mayChange,
    tries,
    ownTries,
  };
}
