import type { DeedDone } from "@/contract";
import { need } from "@/server/access";
import { ByIdInput, coachAction, conflict, missing } from "@/server/actions";
import {
  insertSquad,
  inTransaction,
  leaveTrail,
  listCoaches,
  listSquadNames,
  lockSquadCoaches,
  refreshDigestsIn,
  removeFromSquad,
  removeSquad,
  renameSquad,
  restoreSquad,
  setOwner,
  setSquadRules,
  waysOf,
} from "@/server/repositories";
import {
  LeaveSquadInput,
  RenameSquadInput,
  SetOwnerInput,
  SquadCoachInput,
  SquadInput,
  SquadRulesInput,
} from "./inputs";

const nameOf = async (coachId: string) => (await listCoaches()).find(({ id }) => id === coachId)?.name ?? "a coach";
const ownSquad = ({ squadId }: { squadId: string }) => [need("owner", "squad", squadId)];

/** A squad is never left without an owner. */
function requireOwner(coaches: readonly { readonly coachId: string; readonly owner: boolean }[]): void {
  if (!coaches.some(({ owner }) => owner)) throw conflict("A squad needs an owner. Make someone else an owner first.");
}

async function endCoaching(end: {
  readonly squadId: string;
  readonly coachId: string;
  readonly who: string;
  readonly done: DeedDone;
}): Promise<void> {
  const { squadId, coachId, who, done } = end;
  await inTransaction(async (transaction) => {
    const coaches = await lockSquadCoaches(transaction, squadId);
    if (!coaches.some((one) => one.coachId === coachId)) throw missing("That coach");
    requireOwner(coaches.filter((one) => one.coachId !== coachId));
    await removeFromSquad(transaction, squadId, coachId);
    await leaveTrail(transaction, { who, done, squadId }, new Date());
  });
}

const binSquad = (kind: "removed" | "restored") =>
  coachAction(
    ByIdInput,
    ({ id }) => [{ ...need("owner", "squad", id), evenBinned: true }],
    async ({ id }, { name: who }) => {
      const [name] = await listSquadNames([id]);
      await inTransaction(async (transaction) => {
        const now = new Date();
        await (kind === "removed" ? removeSquad(transaction, id, now) : restoreSquad(transaction, id));
        await leaveTrail(transaction, { who, done: { kind, thing: "squad", name }, squadId: id }, now);
      });
    },
  );

/** What a coach does with squads and with those who share them. */
export const squadKeepingActions = {
  "add-squad": coachAction(
    SquadInput,
    () => [],
    async ({ id, name }, { coachId }) => {
      await inTransaction((transaction) => insertSquad(transaction, { id, name, ownerId: coachId }, new Date()));
    },
  ),

  "rename-squad": coachAction(
    RenameSquadInput,
    ({ id }) => [need("owner", "squad", id)],
    (squad, { name }) =>
      inTransaction(async (transaction) => {
        const edited = await renameSquad(transaction, squad);
        if (edited === "same") return;
        if (edited === "other")
          throw conflict("Someone else renamed it. Reload to see the change; what you entered is still here.");
        const done = { kind: "named-squad", name: squad.name } as const;
        await leaveTrail(transaction, { who: name, done, squadId: squad.id }, new Date());
      }),
  ),

  /** Delete, with all its pilots; an owner's last squad, too. */
  "remove-squad": binSquad("removed"),
  "restore-squad": binSquad("restored"),

  /** How days are counted and marks judged. Of other days all that was flown is counted anew. */
  "set-squad-rules": coachAction(
    SquadRulesInput,
    ({ id }) => [need("owner", "squad", id)],
    ({ id, version, timeZone, mostLuck, attendedOnly }, { name }) =>
      inTransaction(async (transaction) => {
        const before = (await waysOf([id])).get(id)?.rules;
        const edited = await setSquadRules(transaction, { id, version, rules: { timeZone, mostLuck, attendedOnly } });
        if (edited === "same") return;
        if (edited === "other")
          throw conflict("Someone else changed this squad. Reload to see the change; what you chose is still here.");
        if (before?.timeZone !== timeZone) await refreshDigestsIn(transaction, id);
        await leaveTrail(transaction, { who: name, done: { kind: "changed-squad-rules" }, squadId: id }, new Date());
      }),
  ),

  "set-owner": coachAction(SetOwnerInput, ownSquad, async ({ squadId, coachId, owner }, { name }) => {
    const subject = await nameOf(coachId);
    await inTransaction(async (transaction) => {
      const coaches = await lockSquadCoaches(transaction, squadId);
      if (!coaches.some((one) => one.coachId === coachId)) throw missing("That coach");
      requireOwner(coaches.map((one) => (one.coachId === coachId ? { ...one, owner } : one)));
      await setOwner(transaction, squadId, coachId, owner);
      const done = { kind: owner ? "made-owner" : "took-ownership", coach: subject } as const;
      await leaveTrail(transaction, { who: name, done, squadId }, new Date());
    });
  }),

  "remove-coach": coachAction(SquadCoachInput, ownSquad, async ({ squadId, coachId }, { name }) =>
    endCoaching({ squadId, coachId, who: name, done: { kind: "ended-sharing", coach: await nameOf(coachId) } }),
  ),

  "leave-squad": coachAction(
    LeaveSquadInput,
    ({ squadId }) => [need("coach", "squad", squadId)],
    ({ squadId }, { coachId, name }) => endCoaching({ squadId, coachId, who: name, done: { kind: "left-squad" } }),
  ),
};
