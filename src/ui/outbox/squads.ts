import type { FieldSquad } from "@/contract";
import { keepSquads, readSquads } from "./device-store";

/** How old the squads on a device may grow while there is a network, ms. */
const FRESH_MS = 30 * 60_000;

/** Keeps the squads of the coach of this name on this device as the server has them, unless it did so lately. Without a network nothing changes. */
export async function takeSquadsAlong(name: string): Promise<void> {
  const kept = await squadsAlong();
  const fresh = kept.every(({ squad, keptAtMs }) => squad.name === name && Date.now() - keptAtMs < FRESH_MS);
  if (kept.length > 0 && fresh) return;
  const response = await fetch("/field-squads").catch(() => null);
  if (!response?.ok) return;
  const squads: readonly FieldSquad[] = await response.json();
  const keptAtMs = Date.now();
  await keepSquads(squads.map((squad) => ({ squadId: squad.squadId, keptAtMs, squad })));
}

/** The squads on this device, with when they were last seen. One that cannot be read is left out. */
export async function squadsAlong(): Promise<readonly { readonly squad: FieldSquad; readonly keptAtMs: number }[]> {
  return (await readSquads()).flatMap(({ squad, keptAtMs }) => (isSquad(squad) ? [{ squad, keptAtMs }] : []));
}

const isSquad = (kept: unknown): kept is FieldSquad => {
  if (typeof kept !== "object" || kept === null) return false;
  const { squadId, accountId, pilots, sites, syllabi } = kept as Readonly<Record<string, unknown>>;
  return (
    typeof squadId === "string" &&
    typeof accountId === "string" &&
    [pilots, sites, syllabi].every(Array.isArray) &&
    (pilots as readonly unknown[]).length > 0
  );
};
