import type { Place } from "@/core";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

export interface SessionPilot {
  readonly pilotId: string;
  readonly stepId: string;
  readonly setupId: string | null;
}

export interface Session {
  readonly id: string;
  readonly squadId: string;
  /** Who runs it; null when a pilot practises without a coach. */
  readonly coachId: string | null;
  readonly place: Place;
  /** Where, if that was said. */
  readonly siteId?: string | null;
  readonly startedAtMs: number;
  readonly endedAtMs: number | null;
  /** In the order in which they take turns. */
  readonly pilots: readonly SessionPilot[];
}

interface SessionRow {
  id: string;
  squad_id: string;
  coach_id: string | null;
  place: Place;
  site_id: string | null;
  started_at: Date;
  ended_at: Date | null;
}

async function withPilots(rows: readonly SessionRow[]): Promise<Session[]> {
  const members: { session_id: string; pilot_id: string; step_id: string; setup_id: string | null }[] =
    await database()("session_pilot")
      .whereIn(
        "session_id",
        rows.map((row) => row.id),
      )
      .orderBy("position");
  return rows.map((row) => ({
    id: row.id,
    squadId: row.squad_id,
    coachId: row.coach_id,
    place: row.place,
    siteId: row.site_id,
    startedAtMs: row.started_at.getTime(),
    endedAtMs: row.ended_at?.getTime() ?? null,
    pilots: members
      .filter((member) => member.session_id === row.id)
      .map((member) => ({ pilotId: member.pilot_id, stepId: member.step_id, setupId: member.setup_id })),
  }));
}

/** The newest sessions in which any of some pilots flies, newest first. */
export async function listSessions(pilotIds: readonly string[], limit: number): Promise<Session[]> {
  return withPilots(
    await database()("session")
      .whereIn(
        "id",
        database()("session_pilot")
          .select("session_id")
          .whereIn("pilot_id", [...pilotIds]),
      )
      .orderBy("started_at", "desc")
      .limit(limit),
  );
}

/** Sessions since a moment in which any of some pilots flew, newest first. */
export async function listSessionsSince(pilotIds: readonly string[], since: Date): Promise<Session[]> {
  return withPilots(
    await database()("session")
      .where("started_at", ">=", since)
      .whereIn(
        "id",
        database()("session_pilot")
          .select("session_id")
          .whereIn("pilot_id", [...pilotIds]),
      )
      .orderBy("started_at", "desc"),
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

export async function insertSession(transaction: Transaction, session: Omit<Session, "endedAtMs">): Promise<void> {
  const there = await insertOnce(transaction, "session", {
    id: session.id,
    squad_id: session.squadId,
    coach_id: session.coachId,
    place: session.place,
    site_id: session.siteId ?? null,
    started_at: new Date(session.startedAtMs),
  });
  if (there) return;
  await transaction("session_pilot").insert(
    session.pilots.map((member, position) => ({
      session_id: session.id,
      pilot_id: member.pilotId,
      step_id: member.stepId,
      setup_id: member.setupId,
      position,
    })),
  );
}

/** Closes a session, or opens it again with null. */
export async function setSessionEnd(transaction: Transaction, id: string, endedAt: Date | null): Promise<void> {
  await transaction("session").where({ id }).update({ ended_at: endedAt });
}
