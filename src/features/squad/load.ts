import "server-only";
import { entryOf } from "@/core";
import type { SignedInCoach } from "@/server/accounts";
import { loadProgressBriefly } from "@/server/progress";
import { toBeChecked, type Squad } from "@/contract";
import {
  aircraftOfSetups,
  latestSetups,
  listAircraft,
  listPilots,
  listRequests,
  listSquads,
} from "@/server/repositories";
import { glanceOf, setupFlownLast, type Glance } from "@/syllabus";
import { byNeed, reasonsFor, type Reason } from "./needs-coach";

export interface SquadRow {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  /** Steps the pilot asks to have signed off. */
  readonly asksFor: readonly string[];
  readonly glance: Glance;
  readonly aircraftName: string | null;
  readonly setupNumber: number | null;
  /** Aircraft to be flown by eye first. */
  readonly checkFirst: readonly string[];
  /** Why the pilot needs the coach, most pressing first. */
  readonly reasons: readonly Reason[];
}

export interface SquadData {
  /** Who needs the coach most first. */
  readonly rows: readonly SquadRow[];
  readonly squads: readonly Squad[];
  readonly nowMs: number;
}

/** Every pilot within reach at a glance. The number of queries does not grow with pilots or attempts. */
export async function loadSquad(who: SignedInCoach, nowMs = Date.now()): Promise<SquadData> {
  const [pilots, squads] = await Promise.all([listPilots(who), listSquads(who.coachId)]);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, aircraftOf, progress, requests] = await Promise.all([
    // One crash alone keeps an aircraft on the ground.
    listAircraft(pilotIds, 1),
    latestSetups(pilotIds),
    aircraftOfSetups(pilotIds),
    loadProgressBriefly(pilots, nowMs),
    listRequests(pilotIds),
  ]);
  const rows = pilots.map((pilot): SquadRow => {
    const own = aircraft.filter((one) => one.pilotId === pilot.id);
    const known = entryOf(progress, pilot.id);
    // The aircraft flown last at the step they are on, with whatever setup; before any flight, the first.
    const main = own.find((one) => one.id === aircraftOf.get(setupFlownLast(known) ?? "")) ?? own[0];
    const setup = main ? setups.get(main.id) : undefined;
    const row = {
      id: pilot.id,
      name: pilot.name,
      squadId: pilot.squadId,
      glance: glanceOf({ ...known, setupId: setup?.id ?? null, nowMs }),
      asksFor: requests
        .filter(({ pilotId, answeredAtMs }) => pilotId === pilot.id && answeredAtMs === null)
        .map(({ stepId }) => stepId),
      aircraftName: main?.name ?? null,
      setupNumber: setup?.number ?? null,
      checkFirst: own.flatMap((one) => {
        const why = toBeChecked(one);
        return why ? [`${one.name} (${why})`] : [];
      }),
    };
    return { ...row, reasons: reasonsFor(row, known.syllabus) };
  });
  return { rows: rows.sort(byNeed), squads, nowMs };
}
