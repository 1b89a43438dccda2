import "server-only";
import {
  toBeChecked,
  type Aircraft,
  type FieldLine,
  type Pilot,
  type PlannedBlock,
  type SessionPilot,
  type Setup,
  type TallyAircraft,
  type TallyPilot,
} from "@/contract";
import { entryOf } from "@/core";
import { currentStepOf, routeOf } from "@/syllabus";
import { loadProgressBriefly, type Progress } from "./progress";
import { aircraftOfSetups, fieldLinesOf, latestSetups, listAircraft } from "./repositories";

/** What pilots are shown from in the field. */
export interface FieldKnown {
  readonly pilots: readonly Pilot[];
  readonly progress: ReadonlyMap<string, Progress>;
  readonly aircraft: readonly Aircraft[];
  /** The newest by aircraft id. */
  readonly setups: ReadonlyMap<string, Setup>;
  /** Aircraft by the id of any of their setups. */
  readonly aircraftOf: ReadonlyMap<string, string>;
  /** Given to each. */
  readonly lines: ReadonlyMap<string, readonly FieldLine[]>;
}

/** What some pilots are shown from, with what they flew lately at more steps where those are asked for, by pilot id. */
export async function loadFieldPilots(
  pilots: readonly Pilot[],
  alsoSteps: ReadonlyMap<string, ReadonlySet<string>> = new Map(),
): Promise<FieldKnown> {
  const ids = pilots.map(({ id }) => id);
  const [progress, aircraft, setups, aircraftOf, lines] = await Promise.all([
    loadProgressBriefly(pilots, Date.now(), alsoSteps),
    listAircraft(ids),
    latestSetups(ids),
    aircraftOfSetups(ids),
    fieldLinesOf(ids),
  ]);
  return { pilots, progress, aircraft, setups, aircraftOf, lines };
}

const fleetOf = ({ aircraft }: FieldKnown, pilotId: string) => aircraft.filter((one) => one.pilotId === pilotId);

/** A pilot in a session with what is flown, but for what they flew of it before. */
export function fieldPilot(known: FieldKnown, member: SessionPilot): Omit<TallyPilot, "steps"> {
  const { pilotId, stepId, setupId, loadId = null, plan, left = false } = member;
  const own = entryOf(known.progress, pilotId);
  const pilot = known.pilots.find(({ id }) => id === pilotId);
  return {
    id: pilotId,
    name: pilot?.name ?? "",
    setupId,
    loadId,
    aircraft: flownWith(known, setupId),
    left,
    blocks: plan && plan.blocks.length > 0 ? plan.blocks : [oneBlock(stepId)],
    turns: plan?.turns ?? [],
    checkFirst: fleetOf(known, pilotId).flatMap((one) => (toBeChecked(one) ? [one.name] : [])),
    route: routeOf(own.school),
    rules: own.rules,
    currentStepId: currentStepOf(own)?.id ?? null,
    signedOff: [...own.signedOff],
    lines: entryOf(known.lines, pilotId),
  };
}

/** How a pilot would come into a session: at the step they are at, with the newest setup of their first aircraft. */
export function memberAtStep(known: FieldKnown, pilotId: string): SessionPilot {
  const own = entryOf(known.progress, pilotId);
  const { steps } = own.syllabus;
  const setup = fleetOf(known, pilotId).flatMap(({ id }) => known.setups.get(id) ?? [])[0];
  const step = currentStepOf(own) ?? steps[steps.length - 1];
  return { pilotId, stepId: step.id, setupId: setup?.id ?? null };
}

/** The aircraft one of whose setups is flown. */
function flownWith({ aircraft, aircraftOf, setups }: FieldKnown, setupId: string | null): TallyAircraft | null {
  const flown = aircraft.find(({ id }) => id === aircraftOf.get(setupId ?? ""));
  const setup = flown && setups.get(flown.id);
  if (!setup) return null;
  const { id, name, flightState, clearedAtMs, openCrashes, lastTilt } = flown;
  return { id, name, flightState, clearedAtMs, openCrashes, lastTilt, tiltDeg: setup.settings.tiltDeg };
}

const oneBlock = (stepId: string): PlannedBlock => ({
  kind: "main",
  stepId,
  minutes: 0,
  firstDirection: null,
  reason: null,
});
