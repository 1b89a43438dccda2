import { DAY_MS } from "@/core";
import type { InvitationKind, Invitation } from "@/contract";
import { createHash, randomBytes } from "node:crypto";
import { v7 as newId } from "uuid";
import { database, type Transaction } from "../database";

interface InvitationRow {
  id: string;
  kind: InvitationKind;
  squad_id: string | null;
  pilot_id: string | null;
  account_id: string | null;
  coach_id: string | null;
  created_at: Date;
  expires_at: Date;
}

/** An invitation works this long. */
export const INVITATION_MS = 7 * DAY_MS;

const fromRow = (row: InvitationRow): Invitation => ({
  id: row.id,
  kind: row.kind,
  squadId: row.squad_id,
  pilotId: row.pilot_id,
  accountId: row.account_id,
  coachId: row.coach_id,
  expiresAtMs: row.expires_at.getTime(),
});

const tokenHash = (token: string) => createHash("sha256").update(token).digest("hex");

/** Makes an invitation and returns the secret of its link; only a hash of that is kept. One with the same id stays, and has no link any more. */
export async function insertInvitation(
  transaction: Transaction,
  invitation: Omit<Invitation, "expiresAtMs" | "id"> & { readonly id?: string },
  now: Date,
): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  const id = invitation.id ?? newId();
  await transaction("invitation").insert({
    id,
    token_hash: tokenHash(token),
    kind: invitation.kind,
    squad_id: invitation.squadId,
    pilot_id: invitation.pilotId,
    account_id: invitation.accountId,
    coach_id: invitation.coachId,
    created_at: now,
    expires_at: new Date(now.getTime() + INVITATION_MS),
  });
  return token;
}

const open = (transaction: Pick<Transaction, "from">, now: Date) =>
  transaction.from("invitation").whereNull("used_at").whereNull("revoked_at").where("expires_at", ">", now);

/** The invitation of a link while it is open. */
export async function findInvitation(token: string, now: Date): Promise<Invitation | undefined> {
  const row: InvitationRow | undefined = await open(database(), now)
    .where({ token_hash: tokenHash(token) })
    .first();
  return row && fromRow(row);
}

/** The same, used up by this transaction: of several who use it at once, one gets it. */
export async function takeInvitation(
  transaction: Transaction,
  token: string,
  now: Date,
): Promise<Invitation | undefined> {
  const row: InvitationRow | undefined = await open(transaction, now)
    .where({ token_hash: tokenHash(token) })
    .forUpdate()
    .first();
  if (!row) return undefined;
  await transaction("invitation").where({ id: row.id }).update({ used_at: now });
  return fromRow(row);
}

/** Open invitations into some squads, for some pilots, or made by a coach for a squad of one's own; newest first. */
export async function listInvitations(
  reach: { readonly squadIds: readonly string[]; readonly pilotIds: readonly string[]; readonly coachId: string },
  now: Date,
): Promise<(Invitation & { readonly createdAtMs: number })[]> {
  const rows: InvitationRow[] = await open(database(), now)
    .where((any) => {
      void any
        .whereIn("squad_id", [...reach.squadIds])
        .orWhereIn("pilot_id", [...reach.pilotIds])
        .orWhere((own) => void own.where({ coach_id: reach.coachId }).whereNull("squad_id").whereNull("pilot_id"));
    })
    .orderBy("created_at", "desc");
  return rows.map((row) => ({ ...fromRow(row), createdAtMs: row.created_at.getTime() }));
}

/** Makes an invitation worthless, or every open one of a pilot. */
export async function revokeInvitations(
  transaction: Transaction,
  which: { readonly id: string } | { readonly pilot_id: string },
  now: Date,
): Promise<void> {
  await open(transaction, now).where(which).update({ revoked_at: now });
}

/** The names that an invitation shows to its holder. */
export async function invitedBy(
  invitation: Invitation,
): Promise<{ readonly squadName: string | null; readonly byName: string | null }> {
  const squad = invitation.squadId && (await database()("squad").where({ id: invitation.squadId }).first("name"));
  const coach = invitation.coachId && (await database()("coach").where({ id: invitation.coachId }).first("name"));
  return { squadName: squad ? squad.name : null, byName: coach ? coach.name : null };
}
