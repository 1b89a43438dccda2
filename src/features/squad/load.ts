import "server-only";
import type { SignedInCoach } from "@/server/accounts";
import {
  aircraftOfSetups,
  latestSetups,
  listAircraft,
  listAttempts,
  listMilestones,
  listPilots,
  listRequests,
  listSquads,
  type Squad,
} from "@/server/repositories";
import { standingOf, type PilotStanding } from "@/syllabus";

export interface SquadRow {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  /** Steps the pilot asks to have signed off. */
  readonly asksFor: readonly string[];
  readonly standing: PilotStanding;
  readonly signedOff: number;
  readonly aircraftName: string | null;
  readonly setupNumber: number | null;
  /** Aircraft to be flown by eye first. */
  readonly checkFirst: readonly string[];
}

export interface SquadData {
  readonly rows: readonly SquadRow[];
  readonly squads: readonly Squad[];
  readonly nowMs: number;
}

/** Who most needs the coach comes first: by kind of advice, then by days without flying. */
const urgency = { rest: 0, advance: 1, "step-back": 2, settle: 3, stay: 4, begin: 5 } as const;

export async function loadSquad(who: SignedInCoach, nowMs = Date.now()): Promise<SquadData> {
  const [pilots, squads] = await Promise.all([listPilots(who), listSquads(who.coachId)]);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, aircraftOf, attempts, milestones, requests] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    aircraftOfSetups(pilotIds),
    listAttempts(pilotIds),
    listMilestones(pilotIds),
    listRequests(pilotIds),
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
      squadId: pilot.squadId,
      asksFor: requests
        .filter(({ pilotId, answeredAtMs }) => pilotId === pilot.id && answeredAtMs === null)
        .map(({ stepId }) => stepId),
      signedOff: signedOff.size,
      aircraftName: main?.name ?? null,
      setupNumber: setup?.number ?? null,
      checkFirst: own.filter((one) => one.flightState !== "flying").map((one) => `${one.name} (${one.flightState})`),
    };
  });
  rows.sort(
    (a, b) =>
      urgencyOf(a) - urgencyOf(b) ||
      b.asksFor.length - a.asksFor.length ||
      (a.standing.lastFlownMs ?? 0) - (b.standing.lastFlownMs ?? 0) ||
      a.name.localeCompare(b.name),
  );
  return { rows, squads, nowMs };
}

function urgencyOf({ standing }: SquadRow): number {
  return standing.current ? urgency[standing.current.advice.kind] : 6;
}
