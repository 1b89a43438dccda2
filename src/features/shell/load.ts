import "server-only";
import { cache } from "react";
import { sentSyllabi } from "@/contract";
import { isCoach, type SignedIn } from "@/server/accounts";
import { listLoads, listPilots, nameAircraft, syllabiOf } from "@/server/repositories";
import type { ShellData } from "@/ui/shell/at-hand";
import { remembered } from "./asked";

/** What the frame round every desk screen shows: names, and nothing that would have to be worked out for each visit. */
export const loadShell = cache(async (who: SignedIn): Promise<ShellData> => {
  const pilots = await listPilots(who);
  const [aircraft, syllabi] = await Promise.all([
    nameAircraft(pilots.map(({ id }) => id)),
    syllabiOf([...new Set(pilots.map(({ squadId }) => squadId))]),
  ]);
  const loads = await listLoads(aircraft.map(({ id }) => id));
  return {
    name: who.name,
    coaches: isCoach(who),
    syllabi: sentSyllabi(syllabi),
    pilots: pilots.map(({ id, name, squadId }) => ({
      id,
      name,
      squadId,
      aircraft: aircraft
        .filter(({ pilotId }) => pilotId === id)
        .map((one) => ({
          id: one.id,
          name: one.name,
          setupNumber: one.setupNumber,
          loads: loads.filter(({ aircraftId }) => aircraftId === one.id).map(({ id, name }) => ({ id, name })),
        })),
    })),
    rememberedPilotId: who.pilotId ?? (await remembered("pilot")),
    rememberedAircraftId: await remembered("aircraft"),
  };
});
