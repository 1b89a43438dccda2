import "server-only";
import { accountsOfPilots, type SignedInCoach } from "@/server/accounts";
import type { Squad } from "@/contract";
import { listInvitations, listPilots, listSquads } from "@/server/repositories";

export interface PeopleData {
  readonly coachId: string;
  readonly squads: readonly Squad[];
  readonly pilots: readonly {
    readonly id: string;
    readonly name: string;
    readonly squadId: string;
    readonly hasAccount: boolean;
  }[];
  readonly invitations: readonly {
    readonly id: string;
    /** What it is for, in words. */
    readonly says: string;
    readonly expiresAtMs: number;
  }[];
}

export async function loadPeople(who: SignedInCoach, now = new Date()): Promise<PeopleData> {
  const [squads, pilots] = await Promise.all([listSquads(who.coachId), listPilots(who)]);
  const pilotIds = pilots.map(({ id }) => id);
  const reach = { coachId: who.coachId, squadIds: squads.map(({ id }) => id), pilotIds };
  const [accounts, invitations] = await Promise.all([accountsOfPilots(pilotIds), listInvitations(reach, now)]);
  const nameOf = (list: readonly { id: string; name: string }[], id: string | null) =>
    list.find((one) => one.id === id)?.name;
  return {
    coachId: who.coachId,
    squads,
    pilots: pilots.map(({ id, name, squadId }) => ({ id, name, squadId, hasAccount: accounts.has(id) })),
    invitations: invitations.map(({ id, kind, squadId, pilotId, expiresAtMs }) => ({
      id,
      expiresAtMs,
      says:
        kind === "coach"
          ? squadId
            ? `a coach for ${nameOf(squads, squadId)}`
            : "a coach with a squad of their own"
          : `${nameOf(pilots, pilotId) ?? "a pilot"}, ${kind === "pilot" ? "account" : "way back in"}`,
    })),
  };
}
