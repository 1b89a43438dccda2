import type { Squad } from "@/contract";
import { Refusal } from "../actions/errors";
import { database, type Transaction } from "../database";
import { usualRules, type SquadRules } from "@/core";
import type { School } from "@/syllabus";
import { fromJson, insertOnce, updateOnce, type Edited } from "./rows";
import { oncePerPage } from "./once";

/** The squads somebody coaches, oldest first, each with all its coaches. */
export async function listSquads(coachId: string): Promise<Squad[]> {
  const squads: { id: string; name: string; version: number; school: unknown; rules: unknown }[] = await database()(
    "squad",
  )
    .join("squad_coach", "squad_coach.squad_id", "squad.id")
    .select("squad.id", "squad.name", "squad.version", "squad.school", "squad.rules")
    .where("squad_coach.coach_id", coachId)
    .whereNull("squad.removed_at")
    .orderBy(["squad.created_at", "squad.id"]);
  const coaches: { squad_id: string; id: string; name: string; owner: number }[] = await database()("squad_coach")
    .join("coach", "coach.id", "squad_coach.coach_id")
    .select("squad_coach.squad_id", "coach.id", "coach.name", "squad_coach.owner")
    .whereIn(
      "squad_coach.squad_id",
      squads.map(({ id }) => id),
    )
    .orderBy([{ column: "squad_coach.owner", order: "desc" }, "squad_coach.since", "coach.name"]);
  return squads.map((squad) => ({
    ...squad,
    school: squad.school === null ? {} : fromJson(squad.school),
    rules: rulesFrom(squad.rules),
    coaches: coaches
      .filter((coach) => coach.squad_id === squad.id)
      .map(({ id, name, owner }) => ({ id, name, owner: Boolean(owner) })),
  }));
}

export async function insertSquad(
  transaction: Transaction,
  squad: { readonly id: string; readonly name: string; readonly ownerId: string },
  now: Date,
): Promise<void> {
  const there = await insertOnce(transaction, "squad", { id: squad.id, name: squad.name, created_at: now });
  const member = { squadId: squad.id, coachId: squad.ownerId, owner: true };
  if (!there) return addToSquad(transaction, member, now);
  const own = await transaction("squad_coach").where({ squad_id: squad.id, coach_id: squad.ownerId }).first();
  if (!own) throw new Refusal(409, "There is another squad with this id here. Nothing was saved; reload the page.");
}

/** Puts a squad with all its pilots into the bin; nobody comes into it by a link any more. */
export async function removeSquad(transaction: Transaction, id: string, now: Date): Promise<void> {
  await transaction("squad").where({ id }).whereNull("removed_at").update({ removed_at: now });
  await transaction("pilot").where({ squad_id: id }).whereNull("removed_at").update({ removed_at: now });
  await transaction("invitation").where({ squad_id: id, used_at: null, revoked_at: null }).update({ revoked_at: now });
}

/** Brings a squad back, with the pilots that went with it; those deleted before stay in the bin. */
export async function restoreSquad(transaction: Transaction, id: string): Promise<void> {
  const row: { removed_at: Date | null } | undefined = await transaction("squad").where({ id }).forUpdate().first();
  if (!row?.removed_at) return;
  await transaction("pilot").where({ squad_id: id, removed_at: row.removed_at }).update({ removed_at: null });
  await transaction("squad").where({ id }).update({ removed_at: null });
}

/** What some squads are called, in the order asked for. */
export async function listSquadNames(ids: readonly string[]): Promise<string[]> {
  const rows: { id: string; name: string }[] = await database()("squad")
    .whereIn("id", [...ids])
    .select("id", "name");
  return ids.map((id) => rows.find((row) => row.id === id)?.name ?? "");
}

/** Renames a squad whose version is still the one that was read. */
export async function renameSquad(
  transaction: Transaction,
  { id, name, version }: { readonly id: string; readonly name: string; readonly version: number },
): Promise<Edited> {
  return updateOnce(transaction, "squad", { id, version }, { name });
}

/** Lets a coach coach a squad; one who does already stays as they are. */
export async function addToSquad(
  transaction: Transaction,
  { squadId, coachId, owner }: { readonly squadId: string; readonly coachId: string; readonly owner: boolean },
  now: Date,
): Promise<void> {
  await transaction("squad_coach")
    .insert({ squad_id: squadId, coach_id: coachId, owner, since: now })
    .onConflict(["squad_id", "coach_id"])
    .ignore();
}

/** The coaches of a squad, locked until the transaction ends, so that two changes cannot leave it without an owner. */
export async function lockSquadCoaches(
  transaction: Transaction,
  squadId: string,
): Promise<readonly { readonly coachId: string; readonly owner: boolean }[]> {
  const rows: { coach_id: string; owner: number }[] = await transaction("squad_coach")
    .where({ squad_id: squadId })
    .forUpdate();
  return rows.map(({ coach_id, owner }) => ({ coachId: coach_id, owner: Boolean(owner) }));
}

export async function setOwner(
  transaction: Transaction,
  squadId: string,
  coachId: string,
  owner: boolean,
): Promise<void> {
  await transaction("squad_coach").where({ squad_id: squadId, coach_id: coachId }).update({ owner });
}

export async function removeFromSquad(transaction: Transaction, squadId: string, coachId: string): Promise<void> {
  await transaction("squad_coach").where({ squad_id: squadId, coach_id: coachId }).delete();
}

/** What some squads are called. */
export async function squadNames(squadIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows: { id: string; name: string }[] = await database()("squad")
    .select("id", "name")
    .whereIn("id", [...squadIds]);
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** The schools of some squads. */
export async function schoolsOf(squadIds: readonly string[]): Promise<ReadonlyMap<string, School>> {
  return new Map([...(await waysOf(squadIds))].map(([id, { school }]) => [id, school]));
}

/** How a squad goes about it. */
export interface SquadWays {
  readonly school: School;
  readonly rules: SquadRules;
}

/** The schools and rules of some squads. */
export const waysOf = oncePerPage(async (squadIds): Promise<ReadonlyMap<string, SquadWays>> => {
  const rows: { id: string; school: unknown; rules: unknown }[] = await database()("squad")
    .select("id", "school", "rules")
    .whereIn("id", [...squadIds]);
  return new Map(
    rows.map(({ id, school, rules }) => [
      id,
      { school: school === null ? {} : fromJson(school), rules: rulesFrom(rules) },
    ]),
  );
});

/** The rules of a pilot's squad, as a transaction sees them. */
export async function rulesOfPilot(transaction: Transaction, pilotId: string): Promise<SquadRules> {
  const row: { rules: unknown } | undefined = await transaction("pilot")
    .join("squad", "squad.id", "pilot.squad_id")
    .where("pilot.id", pilotId)
    .first("squad.rules");
  return rulesFrom(row?.rules ?? null);
}

const rulesFrom = (kept: unknown): SquadRules =>
  kept === null ? usualRules : { ...usualRules, ...fromJson<Partial<SquadRules>>(kept) };

/** Sets the rules of a squad whose version is still the one that was read. */
export async function setSquadRules(
  transaction: Transaction,
  { id, rules, version }: { readonly id: string; readonly rules: SquadRules; readonly version: number },
): Promise<Edited> {
  return updateOnce(transaction, "squad", { id, version }, { rules: JSON.stringify(rules) });
}

/** Sets the school of a squad whose version is still the one that was read. */
export async function setSquadSchool(
  transaction: Transaction,
  { id, school, version }: { readonly id: string; readonly school: School; readonly version: number },
): Promise<Edited> {
  return updateOnce(transaction, "squad", { id, version }, { school: JSON.stringify(school) });
}
