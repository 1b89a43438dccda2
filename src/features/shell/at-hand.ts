import "server-only";
import { cookies } from "next/headers";
import { need } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import type { Aircraft, KeptLoad, Pilot } from "@/contract";
import { listAircraft, listLoads, listPilots } from "@/server/repositories";
import { requirePageAccess } from "./enter";
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

/**
 * The pilot and the aircraft of the address with what it carries, else those used last on this device. A pilot who is signed in is always at their own hand. Answers
 * 403 or 404 for a pilot of the address that is not theirs to see.
 */
export async function pilotAtHand(
  search: SearchParams,
  who: SignedIn,
): Promise<{ pilot: Pilot; aircraft: Aircraft | null; load: KeptLoad | null } | null> {
  const asked = await parameter(search, "pilot");
  if (asked !== null) await requirePageAccess(who, [need("reader", "pilot", isUuid(asked) ? asked : "")]);
  const pilots = await listPilots(who);
  const pilotId = who.pilotId ?? asked ?? (await remembered("pilot"));
  const pilot = pilots.find(({ id }) => id === pilotId);
  if (!pilot) return null;
  const own = await listAircraft([pilot.id]);
  const aircraftId = (await parameter(search, "aircraft")) ?? (await remembered("aircraft"));
  const aircraft = own.find(({ id }) => id === aircraftId) ?? own[0] ?? null;
  const loadId = await parameter(search, "load");
  const loads = aircraft && loadId !== null ? await listLoads([aircraft.id]) : [];
  return { pilot, aircraft, load: loads.find(({ id }) => id === loadId) ?? null };
}
