import "server-only";
import { entryOf, flownForReal, shortenedPlan, type Attempt, type SitePlan } from "@/core";
import type { Aircraft, Homework, KeptTryFound, Pilot, Setup, SquadLine } from "@/contract";
import { isCoach, type SignedIn } from "@/server/accounts";
import { loadDay, loadProgress } from "@/server/progress";
import { latestSetups, listHomework, listKeptTries, listLinesOf, listSitePlans } from "@/server/repositories";
import { currentStepOf, findStep, LINES_STEP, practisedDirections, type Day, type Manner, type Step } from "@/syllabus";

/** Of each site no more than so many things go with practice. Ours. */
const MOST_THINGS = 300;
/** Earlier tries that are offered to be looked at again, of all steps. Ours. */
const MOST_EARLIER = 120;

export interface PracticeData {
  readonly accountId: string;
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  /** What the aircraft carries; null for nothing but its own. */
  readonly loadId: string | null;
  readonly manner: Manner;
  readonly day: Day;
  /** The step that is practised first: the one asked for, else homework, else the pilot's own, where it is practised. */
  readonly stepId: string | null;
  readonly homework: readonly Homework[];
  /** Lines that were given to the pilot. */
  readonly lines: readonly SquadLine[];
  /** Sites of the squad that are drawn. */
  readonly sites: readonly { readonly id: string; readonly name: string; readonly plan: SitePlan }[];
  /** Tries in the simulator by step, oldest first: those that marks look back over. */
  readonly recent: Readonly<Record<string, readonly Attempt[]>>;
  /** Clean and all tries in the simulator, by step. */
  readonly tries: Readonly<Record<string, { readonly clean: number; readonly all: number }>>;
  /** The newest that can be flown again, newest first. */
  readonly earlier: readonly KeptTryFound[];
  /** A coach sets homework. */
  readonly setsHomework: boolean;
  /** When it was read: homework is overdue by it. */
  readonly nowMs: number;
}

/** What a pilot practises with, and at what they are. Whether the pilot may be seen has been asked before. */
export async function loadPractice(
  who: SignedIn,
  pilot: Pilot,
  { aircraft, loadId }: { readonly aircraft: Aircraft | null; readonly loadId: string | null },
  asked: string | null,
  nowMs = Date.now(),
): Promise<PracticeData> {
  const [setups, progress, day, homework, lines, drawn, earlier] = await Promise.all([
    latestSetups([pilot.id]),
    loadProgress([pilot]),
    loadDay(pilot.squadId),
    listHomework([pilot.id]),
    listLinesOf(pilot.id),
    listSitePlans(pilot.squadId),
    listKeptTries(pilot.id, MOST_EARLIER),
  ]);
  const entry = entryOf(progress, pilot.id);
  const manner = { school: entry.school, own: entry.own };
  const open = homework.find(({ done, tries }) => done < tries);
  const wanted = [asked, open?.stepId].flatMap((id) => (id ? (findStep(entry.syllabus, id) ?? []) : [])).at(0);
  const step = wanted ?? currentStepOf(entry);
  const flies = (one: Step) =>
    practisedDirections(one, manner).length > 0 || (one.id === LINES_STEP && lines.length > 0);
  const tries = [...entry.flown].flatMap(([stepId, { digest }]) => {
    const counts = digest.tallies.filter(({ place }) => place === "simulator").map((one) => one.counts);
    const all = counts.reduce((sum, one) => sum + one.clean + one.rough + one.bailed + one.crashed, 0);
    return all > 0 ? [[stepId, { clean: counts.reduce((sum, { clean }) => sum + clean, 0), all }] as const] : [];
  });
  return {
    ...{ accountId: who.accountId, pilot, aircraft, loadId, manner, day, homework, lines, earlier },
    sites: drawn.map(({ id, name, plan }) => ({ id, name, plan: shortenedPlan(plan, MOST_THINGS) })),
    setup: (aircraft && setups.get(aircraft.id)) ?? null,
    stepId: step && flies(step) ? step.id : null,
    tries: Object.fromEntries(tries),
    recent: Object.fromEntries(
      tries.map(([id]) => [id, (entry.flown.get(id)?.recent ?? []).filter((one) => !flownForReal(one))]),
    ),
    setsHomework: isCoach(who),
    nowMs,
  };
}
