import "server-only";
import { entryOf, usualRules, type SquadRules } from "@/core";
import {
  currentStepOf,
  findStep,
  schoolOf,
  sideOf,
  type DigestedStep,
  type OwnVariant,
  type School,
  type Syllabus,
} from "@/syllabus";
import type { Pilot } from "@/contract";
import { listFlown, listFlownBriefly, listSignedOff, syllabiOf, variantsOf, waysOf, type Flown } from "../repositories";

/** What where a pilot stands is told from. */
export interface Progress {
  readonly syllabus: Syllabus;
  readonly school: School;
  readonly rules: SquadRules;
  /** Ways of a coach's own that were chosen for the pilot. */
  readonly own: readonly OwnVariant[];
  readonly flown: ReadonlyMap<string, DigestedStep>;
  readonly signedOff: ReadonlySet<string>;
}

type Known = ReadonlyMap<string, Omit<Progress, "flown">>;

/** Attempts of the last hours are read with a squad: whoever crashed a lot is to rest. */
const HOURS_MS = 12 * 3_600_000;

/** Everything where some pilots stand is told from, by pilot id: for one or a few. */
export async function loadProgress(pilots: readonly Pilot[]): Promise<ReadonlyMap<string, Progress>> {
  const [known, flown] = await Promise.all([loadKnown(pilots), listFlown(pilots.map(({ id }) => id))]);
  return joined(known, flown);
}

/**
 * The same for a whole squad, with the recent attempts only of each pilot's current step, of the last hours, and of steps that the simulator still
 * gates; and of more steps where those are asked for, by pilot id. The number of queries is constant.
 */
export async function loadProgressBriefly(
  pilots: readonly Pilot[],
  nowMs: number,
  alsoSteps: ReadonlyMap<string, ReadonlySet<string>> = new Map(),
): Promise<ReadonlyMap<string, Progress>> {
  const known = await loadKnown(pilots);
  const flown = await listFlownBriefly(
    pilots.map(({ id }) => id),
    (counts) =>
      [...counts].flatMap(([pilotId, steps]) => {
        const { syllabus, school, signedOff } = entryOf(known, pilotId);
        const current = currentStepOf({ syllabus, school, signedOff, flown: steps })?.id;
        const gated = (stepId: string) =>
          sideOf(school, "simulator").id === "first" &&
          !signedOff.has(stepId) &&
          findStep(syllabus, stepId)?.simulatorFirst;
        return [...steps]
          .filter(
            ([stepId, { digest }]) =>
              stepId === current ||
              alsoSteps.get(pilotId)?.has(stepId) ||
              gated(stepId) ||
              nowMs - (digest.lastMs ?? 0) < HOURS_MS,
          )
          .map(([stepId]) => [pilotId, stepId] as const);
      }),
  );
  return joined(known, flown);
}

async function loadKnown(pilots: readonly Pilot[]): Promise<Known> {
  const squadIds = [...new Set(pilots.map(({ squadId }) => squadId))];
  const [syllabi, ways, own, signedOff] = await Promise.all([
    syllabiOf(squadIds),
    waysOf(squadIds),
    variantsOf(pilots.map(({ id }) => id)),
    listSignedOff(pilots.map(({ id }) => id)),
  ]);
  return new Map(
    pilots.map(({ id, squadId, school }) => [
      id,
      {
        syllabus: entryOf(syllabi, squadId),
        school: schoolOf(school, ways.get(squadId)?.school ?? {}),
        rules: ways.get(squadId)?.rules ?? usualRules,
        own: entryOf(own, id),
        signedOff: entryOf(signedOff, id),
      },
    ]),
  );
}

function joined(known: Known, flown: Flown): ReadonlyMap<string, Progress> {
  return new Map([...known].map(([id, one]) => [id, { ...one, flown: entryOf(flown, id) }]));
}
