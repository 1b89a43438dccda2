import "server-only";
import { need } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import type { Aircraft, KeptLoad, Pilot } from "@/contract";
import { listAircraft, listLoads, listPilots } from "@/server/repositories";
import { parameter, remembered, type SearchParams } from "./asked";
import { requirePageAccess } from "./enter";
import { isUuid } from "./ids";
import { loadShell } from "./load";

/** The pilot of the address, else the one used last on this device; see `pilotAtHand`. */
async function pilotOnly(search: SearchParams, who: SignedIn): Promise<Pilot | null> {
  const asked = await parameter(search, "pilot");
  if (asked !== null) await requirePageAccess(who, [need("reader", "pilot", isUuid(asked) ? asked : "")]);
  const pilots = await listPilots(who);
  const pilotId = who.pilotId ?? asked ?? (await remembered("pilot"));
  return pilots.find(({ id }) => id === pilotId) ?? null;
}

/** The one asked for by the address, else the one used last, else the first. */
async function aircraftOf<One extends { readonly id: string }>(
  search: SearchParams,
  own: readonly One[],
): Promise<One | null> {
  const asked = (await parameter(search, "aircraft")) ?? (await remembered("aircraft"));
  return own.find(({ id }) => id === asked) ?? own[0] ?? null;
}

/** `pilotAtHand` for a page that asks nothing more of the aircraft: by what the frame round it knows, without another look-up. */
export async function namedAtHand(
  search: SearchParams,
  who: SignedIn,
): Promise<{ pilot: Pilot; aircraftId: string | null } | null> {
  const pilot = await pilotOnly(search, who);
  if (!pilot) return null;
  const { pilots } = await loadShell(who);
  const aircraft = await aircraftOf(search, pilots.find(({ id }) => id === pilot.id)?.aircraft ?? []);
  return { pilot, aircraftId: aircraft?.id ?? null };
}

/**
 * The pilot and the aircraft of the address with what it carries, else those used last on this device. A pilot who is signed in is always at their own hand. Answers
 * 403 or 404 for a pilot of the address that is not theirs to see.
 */
export async function pilotAtHand(
  search: SearchParams,
  who: SignedIn,
): Promise<{ pilot: Pilot; aircraft: Aircraft | null; load: KeptLoad | null } | null> {
  const pilot = await pilotOnly(search, who);
  if (!pilot) return null;
  const aircraft = await aircraftOf(search, await listAircraft([pilot.id]));
  const loadId = await parameter(search, "load");
  const loads = aircraft && loadId !== null ? await listLoads([aircraft.id]) : [];
  return { pilot, aircraft, load: loads.find(({ id }) => id === loadId) ?? null };
}
