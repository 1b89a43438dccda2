import "server-only";
import { entryOf } from "@/core";
import { isCoach, type SignedIn } from "@/server/accounts";
import {
  latestSetups,
  listAircraft,
  listLoads,
  listPilots,
  listSignedOff,
  schoolsOf,
  syllabiOf,
  lastFlown,
} from "@/server/repositories";
import { currentStep, routeOf, schoolOf } from "@/syllabus";
import type { ShellData } from "@/ui/shell/at-hand";
import { sentSyllabi } from "@/contract";
import { remembered } from "./at-hand";

/** What the frame round every desk screen shows. */
export async function loadShell(who: SignedIn): Promise<ShellData> {
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const squadIds = [...new Set(pilots.map(({ squadId }) => squadId))];
  const [aircraft, setups, signedOff, flown, syllabi, schools] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    listSignedOff(pilotIds),
    lastFlown(pilotIds),
    syllabiOf(squadIds),
    schoolsOf(squadIds),
  ]);
  const loads = await listLoads(aircraft.map(({ id }) => id));
  return {
    name: who.name,
    coaches: isCoach(who),
    syllabi: sentSyllabi(syllabi),
    pilots: pilots.map(({ id, name, squadId, school }) => ({
      id,
      name,
      squadId,
      aircraft: aircraft
        .filter((one) => one.pilotId === id)
        .map((one) => ({
          id: one.id,
          name: one.name,
          setupNumber: setups.get(one.id)?.number ?? null,
          loads: loads.filter(({ aircraftId }) => aircraftId === one.id).map(({ id, name }) => ({ id, name })),
        })),
      currentStepId:
        currentStep(
          entryOf(syllabi, squadId),
          routeOf(schoolOf(school, schools.get(squadId) ?? {})),
          entryOf(signedOff, id),
          entryOf(flown, id),
        )?.id ?? null,
    })),
    rememberedPilotId: who.pilotId ?? (await remembered("pilot")),
    rememberedAircraftId: await remembered("aircraft"),
  };
}
