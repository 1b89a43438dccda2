import "server-only";
import type { BegunAgainst, Session } from "@/contract";
import { entryOf } from "@/core";
import type { SignedInCoach } from "@/server/accounts";
import { loadProgressBriefly } from "@/server/progress";
import { aircraftOfSetups, listAircraft, listLoads, listPilots, listSites } from "@/server/repositories";
import { findStep, simulatorLacking, siteRefusal, skillOf } from "@/syllabus";
import type { BeginInFieldInput } from "./inputs";

/**
 * A session as it was begun without a network, as far as it still can be: who is no more in the squad is left out, a setup, load or site that is gone is
 * none, and what stands against a step is noted with it. Nothing is refused: it was flown already.
 */
export async function sessionFromField(
  { id, squadId, place, siteId, pilots }: BeginInFieldInput,
  who: SignedInCoach,
  startedAtMs: number,
): Promise<Omit<Session, "endedAtMs" | "begun">> {
  const squad = (await listPilots(who)).filter((pilot) => pilot.squadId === squadId);
  const flying = squad.filter((pilot) => pilots.some(({ pilotId }) => pilotId === pilot.id));
  const ids = flying.map((pilot) => pilot.id);
  const [progress, aircraft, aircraftOf, sites] = await Promise.all([
    loadProgressBriefly(flying, startedAtMs),
    listAircraft(ids),
    aircraftOfSetups(ids),
    listSites([squadId]),
  ]);
  const loads = await listLoads(aircraft.map((one) => one.id));
  const site = sites.find((one) => one.id === siteId) ?? null;
  const members = pilots.flatMap(({ pilotId, stepId, setupId, loadId = null }) => {
    if (!ids.includes(pilotId)) return [];
    const own = aircraft.find((one) => one.id === aircraftOf.get(setupId ?? "") && one.pilotId === pilotId);
    const load = loads.find((one) => one.id === loadId && one.aircraftId === own?.id);
    return [{ pilotId, stepId, setupId: own ? setupId : null, loadId: load?.id ?? null }];
  });
  const against = members.flatMap(({ pilotId, stepId }): BegunAgainst[] => {
    const { syllabus, school, flown, signedOff } = entryOf(progress, pilotId);
    const step = findStep(syllabus, stepId);
    if (!step || place === "simulator") return [];
    const lacks = !signedOff.has(stepId) && simulatorLacking(step, school, flown.get(stepId)?.recent ?? []);
    const refusals = [
      ...(lacks ? [{ kind: "simulator-first", step: step.name } as const] : []),
      ...(site ? [siteRefusal(step, skillOf(syllabus, step), site)] : []),
    ];
    return refusals.flatMap((refusal) => (refusal ? [{ pilotId, refusal }] : []));
  });
  return { id, squadId, coachId: who.coachId, place, siteId: site?.id ?? null, startedAtMs, pilots: members, against };
}
