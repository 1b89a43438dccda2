import "server-only";
import { cookies } from "next/headers";
import { findAircraft, findPilot, listAircraft, type Aircraft, type Pilot } from "@/server/repositories";
import { isUuid } from "./ids";

export type SearchParams = Promise<Record<string, string | string[] | undefined>>;

/** What a person has chosen on this device: kept in cookies, never trusted further than a look-up. */
export async function remembered(name: "pilot" | "aircraft"): Promise<string | null> {
  const value = (await cookies()).get(`bathygon-${name}`)?.value;
  return value && isUuid(value) ? value : null;
}

/** One text parameter of the address, or null. */
export async function parameter(search: SearchParams, name: string): Promise<string | null> {
  const value = (await search)[name];
  return typeof value === "string" ? value : null;
}

/** The pilot and the aircraft of the address, else those used last on this device. */
export async function pilotAtHand(search: SearchParams): Promise<{ pilot: Pilot; aircraft: Aircraft | null } | null> {
  const pilotId = (await parameter(search, "pilot")) ?? (await remembered("pilot"));
  const pilot = pilotId && isUuid(pilotId) ? await findPilot(pilotId) : undefined;
  if (!pilot) return null;
  const aircraftId = (await parameter(search, "aircraft")) ?? (await remembered("aircraft"));
  const asked = aircraftId && isUuid(aircraftId) ? await findAircraft(aircraftId) : undefined;
  if (asked?.pilotId === pilot.id) return { pilot, aircraft: asked };
  const own = (await listAircraft()).find((one) => one.pilotId === pilot.id);
  return { pilot, aircraft: own ?? null };
}
