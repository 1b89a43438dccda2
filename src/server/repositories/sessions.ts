import type { PilotPlan, Session, SessionPilot } from "@/contract";
import { entryOf, type Place } from "@/core";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce } from "./rows";

/** A session is begun at once unless it is said that it is prepared only. */
export type NewSession = Omit<Session, "endedAtMs" | "begun"> & { readonly begun?: boolean };

export interface SessionRow {
  id: string;
  squad_id: string;
  coach_id: string | null;
  place: Place;
  site_id: string | null;
  temperature_c: number | null;
  wind_mps: number | null;
  started_at: Date;
  begun_at: Date | null;
  ended_at: Date | null;
  ended_by: string | null;
  begun_against: unknown;
}

export interface MemberRow {
  session_id: string;
  pilot_id: string;
  step_id: string;
  setup_id: string | null;
  load_id: string | null;
  plan: unknown;
  left_at: Date | null;
}

async function withPilots(rows: readonly SessionRow[]): Promise<Session[]> {
  const members: MemberRow[] = await database()("session_pilot")
    .whereIn(
      "session_id",
      rows.map((row) => row.id),
    )
    .orderBy("position");
  const enders: { id: string; name: string }[] = await database()("account")
    .leftJoin("coach", "coach.id", "account.coach_id")
    .leftJoin("pilot", "pilot.id", "account.pilot_id")
    .select("account.id", database().raw("coalesce(coach.name, pilot.name) as name"))
    .whereIn(
      "account.id",
      rows.flatMap(({ ended_by }) => ended_by ?? []),
    );
  const enderOf = (accountId: string | null) => {
    const account = enders.find(({ id }) => id === accountId);
    return account ? { accountId: account.id, name: account.name } : null;
  };
  return rows.map((row) => ({
    id: row.id,
    squadId: row.squad_id,
    coachId: row.coach_id,
    place: row.place,
    siteId: row.site_id,
    temperatureC: row.temperature_c,
    windMps: row.wind_mps,
    startedAtMs: row.started_at.getTime(),
    begun: row.begun_at !== null,
    endedAtMs: row.ended_at?.getTime() ?? null,
    endedBy: enderOf(row.ended_by),
    against: row.begun_against === null ? [] : fromJson<Session["against"]>(row.begun_against),
    pilots: members
      .filter((member) => member.session_id === row.id)
      .map((member) => ({
        pilotId: member.pilot_id,
        stepId: member.step_id,
        setupId: member.setup_id,
        loadId: member.load_id,
        left: member.left_at !== null,
        ...(member.plan !== null && { plan: fromJson<PilotPlan>(member.plan) }),
      })),
  }));
}

/** The newest sessions in which any of some pilots flies, newest first. */
export const listSessions = async (pilotIds: readonly string[], limit: number): Promise<Session[]> =>
  withPilots(await newestSessions(pilotIds, limit));

/** The ids of the newest sessions in which a pilot flies, newest first: without who else flew there. */
export async function newestSessionIds(pilotId: string, limit: number): Promise<string[]> {
  const rows: { id: string }[] = await newestSessions([pilotId], limit).select("id");
  return rows.map(({ id }) => id);
}

const newestSessions = (pilotIds: readonly string[], limit: number) =>
  database()<SessionRow>("session")
    .whereIn(
      "id",
      database()("session_pilot")
        .select("session_id")
        .whereIn("pilot_id", [...pilotIds]),
    )
    .orderBy("started_at", "desc")
    .limit(limit);

/** Sessions since a moment in which any of some pilots flew, newest first. */
export async function listSessionsSince(pilotIds: readonly string[], since: Date): Promise<Session[]> {
  return withPilots(
    await database()("session")
      .where("started_at", ">=", since)
      .whereNotNull("begun_at")
      .whereIn(
        "id",
        database()("session_pilot")
          .select("session_id")
          .whereIn("pilot_id", [...pilotIds]),
      )
      .orderBy("started_at", "desc"),
  );
}

/** A session that was held, and who flew in it. */
export interface HeldSession extends Pick<
  Session,
  "id" | "squadId" | "siteId" | "place" | "startedAtMs" | "endedAtMs"
> {
  readonly pilotIds: readonly string[];
}

/** Sessions since a moment in which any of some pilots flew, newest first; of who flew there those pilots only, without what was planned for them. */
export async function listHeldSince(pilotIds: readonly string[], since: Date): Promise<HeldSession[]> {
  const members: { session_id: string; pilot_id: string }[] = await database()("session_pilot")
    .join("session", "session.id", "session_id")
    .select("session_id", "pilot_id")
    .where("started_at", ">=", since)
    .whereNotNull("begun_at")
    .whereIn("pilot_id", [...pilotIds])
    .orderBy("position");
  const flew = new Map<string, string[]>();
  for (const { session_id, pilot_id } of members) flew.set(session_id, [...(flew.get(session_id) ?? []), pilot_id]);
  const rows: SessionRow[] = await database()("session")
    .whereIn("id", [...flew.keys()])
    .orderBy("started_at", "desc");
  return rows.map((row) => ({
    id: row.id,
    squadId: row.squad_id,
    siteId: row.site_id,
    place: row.place,
    startedAtMs: row.started_at.getTime(),
    endedAtMs: row.ended_at?.getTime() ?? null,
    pilotIds: entryOf(flew, row.id),
  }));
}

/** The newest session of a squad since a moment, begun or prepared; none if there is none. */
export async function latestSessionsOf(squadId: string, since: Date): Promise<Session[]> {
  return withPilots(
    await database()("session")
      .where({ squad_id: squadId })
      .where("started_at", ">=", since)
      .orderBy("started_at", "desc")
      .limit(1),
  );
}

export async function findSession(id: string): Promise<Session | undefined> {
  const row: SessionRow | undefined = await database()("session").where({ id }).first();
  return row && (await withPilots([row]))[0];
}

/** Whether a session is over. */
export async function sessionEnded(transaction: Transaction, id: string): Promise<boolean> {
  return (await transaction("session").where({ id }).whereNotNull("ended_at").first("id")) !== undefined;
}

export async function insertSession(transaction: Transaction, session: NewSession): Promise<void> {
  const there = await insertOnce(transaction, "session", {
    id: session.id,
    squad_id: session.squadId,
    coach_id: session.coachId,
    place: session.place,
    site_id: session.siteId ?? null,
    temperature_c: session.temperatureC ?? null,
    wind_mps: session.windMps ?? null,
    started_at: new Date(session.startedAtMs),
    begun_at: session.begun === false ? null : new Date(session.startedAtMs),
    begun_against: session.against && session.against.length > 0 ? JSON.stringify(session.against) : null,
  });
  if (there) return;
  await transaction("session_pilot").insert(
    session.pilots.map((member, position) => ({
      session_id: session.id,
      pilot_id: member.pilotId,
      step_id: member.stepId,
      setup_id: member.setupId,
      load_id: member.loadId ?? null,
      position,
      plan: member.plan ? JSON.stringify(member.plan) : null,
    })),
  );
}

/** Begins a prepared session. One that was begun before stays as it is. */
export async function setSessionBegun(transaction: Transaction, id: string, at: Date): Promise<void> {
  await transaction("session").where({ id }).whereNull("begun_at").update({ started_at: at, begun_at: at });
}

/** Deletes a session in which nothing was flown and nothing noted. Returns whether it is gone. */
export async function deleteEmpty(transaction: Transaction, id: string): Promise<boolean> {
  await transaction("session").where({ id }).forUpdate().first("id");
  for (const table of ["attempt", "note"])
    if (await transaction(table).where({ session_id: id }).forUpdate().first("id")) return false;
  await transaction("session_pilot").where({ session_id: id }).delete();
  await transaction("session").where({ id }).delete();
  return true;
}

/** Takes a pilot into a session once; one who left it is in again. */
export async function takeIn(
  transaction: Transaction,
  sessionId: string,
  { pilotId, stepId, setupId, loadId }: Pick<SessionPilot, "pilotId" | "stepId" | "setupId" | "loadId">,
): Promise<void> {
  await transaction("session").where({ id: sessionId }).forUpdate().first("id");
  const known = { session_id: sessionId, pilot_id: pilotId };
  if ((await transaction("session_pilot").where(known).update({ left_at: null })) > 0) return;
  const row = await transaction("session_pilot")
    .where({ session_id: sessionId })
    .max({ position: "position" })
    .forUpdate()
    .first();
  await transaction("session_pilot").insert({
    ...known,
    step_id: stepId,
    setup_id: setupId,
    load_id: loadId ?? null,
    position: Number(row?.position ?? -1) + 1,
  });
}

/** A pilot flies no more in a session. */
export async function setLeft(transaction: Transaction, sessionId: string, pilotId: string, at: Date): Promise<void> {
  await transaction("session_pilot")
    .where({ session_id: sessionId, pilot_id: pilotId })
    .whereNull("left_at")
    .update({ left_at: at });
}

/** Moves the end of a session that ends by itself: no earlier than this. */
export async function extendSession(transaction: Transaction, id: string, at: Date): Promise<void> {
  await transaction("session")
    .where({ id })
    .where((earlier) => void earlier.whereNull("ended_at").orWhere("ended_at", "<", at))
    .update({ ended_at: at });
}

/** Closes a session for whoever did it, or opens it again with null. */
export async function setSessionEnd(
  transaction: Transaction,
  id: string,
  end: { readonly at: Date; readonly byAccountId: string | null } | null,
): Promise<void> {
  await transaction("session")
    .where({ id })
    .update({ ended_at: end?.at ?? null, ended_by: end?.byAccountId ?? null });
}
