import "server-only";
import {
  aircraftOfSetups,
  latestSetups,
  listAircraft,
  listAttempts,
  listMilestones,
  listPilots,
} from "@/server/repositories";
import { standingOf, type PilotStanding } from "@/syllabus";

export interface SquadRow {
  readonly id: string;
  readonly name: string;
  readonly standing: PilotStanding;
  readonly signedOff: number;
  readonly aircraftName: string | null;
  readonly setupNumber: number | null;
  /** Aircraft to be flown by eye first. */
  readonly checkFirst: readonly string[];
}

export interface SquadData {
  readonly rows: readonly SquadRow[];
  readonly nowMs: number;
}

/** Who most needs the coach comes first: by kind of advice, then by days without flying. */
const urgency = { rest: 0, advance: 1, "step-back": 2, settle: 3, stay: 4, begin: 5 } as const;

export async function loadSquad(nowMs = Date.now()): Promise<SquadData> {
  const [pilots, aircraft, setups, aircraftOf, attempts, milestones] = await Promise.all([
    listPilots(),
    listAircraft(),
    latestSetups(),
    aircraftOfSetups(),
    listAttempts(),
    listMilestones(),
  ]);
  const rows = pilots.map((pilot): SquadRow => {
    const own = aircraft.filter((one) => one.pilotId === pilot.id);
    const flown = attempts.filter((attempt) => attempt.pilotId === pilot.id);
    // The aircraft flown last, with whatever setup; before any flight, the first.
    const lastFlown = aircraftOf.get(flown.at(-1)?.setupId ?? "");
    const main = own.find((one) => one.id === lastFlown) ?? own[0];
    const setup = main ? setups.get(main.id) : undefined;
    const signedOff = new Set(
      milestones.filter((milestone) => milestone.pilotId === pilot.id).map((milestone) => milestone.stepId),
    );
    return {
      id: pilot.id,
      name: pilot.name,
      standing: standingOf({ attempts: flown, signedOff, setupId: setup?.id ?? null, nowMs }),
      signedOff: signedOff.size,
      aircraftName: main?.name ?? null,
      setupNumber: setup?.number ?? null,
      checkFirst: own.filter((one) => one.flightState !== "flying").map((one) => `${one.name} (${one.flightState})`),
    };
  });
  rows.sort(
    (a, b) =>
      urgencyOf(a) - urgencyOf(b) ||
      (a.standing.lastFlownMs ?? 0) - (b.standing.lastFlownMs ?? 0) ||
      a.name.localeCompare(b.name),
  );
  return { rows, nowMs };
}

function urgencyOf({ standing }: SquadRow): number {
  return standing.current ? urgency[standing.current.advice.kind] : 6;
}
