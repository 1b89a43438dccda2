import type { OpenedInvitation, Invitation } from "@/contract";
import { v7 as newId } from "uuid";
import { need } from "@/server/access";
import {
  accountsOfPilots,
  deletePilotAccount,
  endSignIns,
  hashPassword,
  insertAccount,
  requireGoodPassword,
  requireShortName,
  secondFactorOf,
  startSignIn,
  updatePassword,
} from "@/server/accounts";
import { ByIdInput, badField, coachAction, conflict, missing, openAction, Refusal } from "@/server/actions";
import {
  addToSquad,
  findInvitation,
  findPilot,
  insertCoach,
  insertInvitation,
  insertSquad,
  inTransaction,
  invitedBy,
  isDuplicate,
  leavePilotTrail,
  leaveTrail,
  revokeInvitations,
  takeInvitation,
} from "@/server/repositories";
import type { Transaction } from "@/server/database";
import { AcceptInput, InviteCoachInput, InvitePilotInput, PilotAccountInput, TokenInput, WayBackInput } from "./inputs";

const worthless = () =>
  new Refusal(404, "This link is no longer valid: it was used, withdrawn or is older than 7 days. Ask for a new one.");

/** A link that was handed out cannot be shown again, so a repeated send is told so. */
async function once(make: () => Promise<string>): Promise<{ token: string }> {
  try {
    return { token: await make() };
  } catch (error) {
    if (isDuplicate(error)) throw conflict("This invitation was made already. Take it back and make another.");
    throw error;
  }
}

/** Makes the coach or opens the pilot's record to them, and gives them an account. Returns its id. */
async function settle(
  transaction: Transaction,
  invitation: Invitation,
  account: { readonly id: string; readonly name: string; readonly passwordHash: string },
  now: Date,
): Promise<string> {
  const { id, name, passwordHash } = account;
  if (invitation.kind === "pilot") {
    const pilotId = invitation.pilotId!;
    await revokeInvitations(transaction, { pilot_id: pilotId }, now);
    await leavePilotTrail(transaction, { who: name, done: { kind: "opened-account" }, pilotId }, now);
    return insertAccount(transaction, { pilotId, name, passwordHash }, now);
  }
  // An id that is known from a file is someone else's.
  if (await insertCoach(transaction, { id, name }, now))
    throw conflict("This link was opened with an id that is in use here. Open it again.");
  await joinSquad(transaction, invitation, { id, name }, now);
  return insertAccount(transaction, { coachId: id, name, passwordHash }, now);
}

async function joinSquad(
  transaction: Transaction,
  { squadId }: Invitation,
  coach: { readonly id: string; readonly name: string },
  now: Date,
): Promise<void> {
  if (squadId === null) return insertSquad(transaction, { id: newId(), name: "The squad", ownerId: coach.id }, now);
  await addToSquad(transaction, { squadId, coachId: coach.id, owner: false }, now);
  await leaveTrail(transaction, { who: coach.name, done: { kind: "joined" }, squadId }, now);
}

/** Invitations by one-time link: for another coach, for a pilot's own account, and back in after a forgotten password. */
export const invitationActions = {
  "invite-coach": coachAction(
    InviteCoachInput,
    ({ squadId }) => (squadId ? [need("owner", "squad", squadId)] : []),
    ({ id, squadId = null }, { coachId, name }) =>
      once(() =>
        inTransaction(async (transaction) => {
          const now = new Date();
          if (squadId) await leaveTrail(transaction, { who: name, done: { kind: "invited-coach" }, squadId }, now);
          const invitation = { id, kind: "coach", squadId, pilotId: null, accountId: null, coachId } as const;
          return insertInvitation(transaction, invitation, now);
        }),
      ),
  ),

  /** For a pilot without an account one to make it; for one with, a way back to it. */
  "invite-pilot": coachAction(
    InvitePilotInput,
    ({ pilotId }) => [need("coach", "pilot", pilotId)],
    async ({ id, pilotId }, { coachId, name }) => {
      const accountId = (await accountsOfPilots([pilotId])).get(pilotId) ?? null;
      return once(() =>
        inTransaction(async (transaction) => {
          const now = new Date();
          await revokeInvitations(transaction, { pilot_id: pilotId }, now);
          const done = { kind: accountId ? "made-way-back" : "invited-pilot" } as const;
          await leavePilotTrail(transaction, { who: name, done, pilotId }, now);
          const kind = accountId ? "way-back" : "pilot";
          return insertInvitation(transaction, { id, kind, squadId: null, pilotId, accountId, coachId }, now);
        }),
      );
    },
  ),

  "revoke-invitation": coachAction(
    ByIdInput,
    ({ id }) => [need("coach", "invitation", id)],
    async ({ id }) => {
      await inTransaction((transaction) => revokeInvitations(transaction, { id }, new Date()));
    },
  ),

  "close-pilot-account": coachAction(
    PilotAccountInput,
    ({ pilotId }) => [need("coach", "pilot", pilotId)],
    ({ pilotId }, { name }) =>
      inTransaction(async (transaction) => {
        if (!(await deletePilotAccount(transaction, pilotId))) throw missing("That account");
        await leavePilotTrail(transaction, { who: name, done: { kind: "closed-account" }, pilotId }, new Date());
      }),
  ),

  /** What the link is for. Does not use it up. */
  "open-invitation": openAction(TokenInput, async ({ token }): Promise<OpenedInvitation> => {
    const invitation = await findInvitation(token, new Date());
    if (!invitation) throw worthless();
    const pilot = invitation.pilotId ? await findPilot(invitation.pilotId) : undefined;
    const { squadName, byName } = await invitedBy(invitation);
    return {
      kind: invitation.kind,
      pilotName: pilot?.name ?? null,
      squadName,
      byName,
      expiresAtMs: invitation.expiresAtMs,
    };
  }),

  "accept-invitation": openAction(AcceptInput, async ({ id, token, name, password }, { device, setToken }) => {
    requireGoodPassword("password", password, name);
    requireShortName(name);
    if (!(await findInvitation(token, new Date()))) throw worthless();
    const passwordHash = await hashPassword(password);
    const now = new Date();
    try {
      const signIn = await inTransaction(async (transaction) => {
        const invitation = await takeInvitation(transaction, token, now);
        if (!invitation || invitation.kind === "way-back") throw worthless();
        return startSignIn(
          transaction,
          await settle(transaction, invitation, { id, name, passwordHash }, now),
          device,
          now,
        );
      });
      await setToken(signIn);
    } catch (error) {
      if (isDuplicate(error)) throw badField("name", "This name is taken. Add something to yours.");
      throw error;
    }
  }),

  /** A coach who has an account already takes up another squad. */
  "join-squad": coachAction(
    TokenInput,
    () => [],
    ({ token }, { coachId, name }) =>
      inTransaction(async (transaction) => {
        const now = new Date();
        const invitation = await takeInvitation(transaction, token, now);
        if (invitation?.kind !== "coach") throw worthless();
        if (invitation.squadId === null)
          throw conflict("This link is for a coach who is new here. You have an account; add a squad under People.");
        await joinSquad(transaction, invitation, { id: coachId, name }, now);
      }),
  ),

  /** A new password by link; every device is signed out. With a second factor the way in leads past it still. */
  "take-way-back": openAction(WayBackInput, async ({ token, password }, { device, setToken }) => {
    requireGoodPassword("password", password, "");
    if (!(await findInvitation(token, new Date()))) throw worthless();
    const passwordHash = await hashPassword(password);
    const now = new Date();
    const signIn = await inTransaction(async (transaction) => {
      const invitation = await takeInvitation(transaction, token, now);
      if (!invitation?.accountId) throw worthless();
      await updatePassword(transaction, invitation.accountId, passwordHash);
      await endSignIns(transaction, invitation.accountId, "all");
      if (await secondFactorOf(invitation.accountId)) return null;
      return startSignIn(transaction, invitation.accountId, device, now);
    });
    if (signIn) await setToken(signIn);
  }),
};
