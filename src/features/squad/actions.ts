import { need, requireAccess } from "@/server/access";
import { ByIdInput, coachAction, conflict } from "@/server/actions";
import {
  findPilot,
  insertPilot,
  inTransaction,
  leavePilotTrail,
  leaveTrail,
  listSquadNames,
  refreshDigestsOf,
  setPilotRemoved,
  updatePilot,
} from "@/server/repositories";
import { AddPilotInput, EditPilotInput } from "./inputs";

/** Puts a pilot with everything of theirs into the bin or brings them back. */
const setRemoved = (removedAt: () => Date | null, kind: "removed" | "restored") =>
  coachAction(
    ByIdInput,
    ({ id }) => [{ ...need("coach", "pilot", id), evenBinned: true }],
    ({ id }, { name }) =>
      inTransaction(async (transaction) => {
        await setPilotRemoved(transaction, id, removedAt());
        const deed = { who: name, done: { kind, thing: "record" }, pilotId: id } as const;
        await leavePilotTrail(transaction, deed, new Date());
      }),
  );

export const squadActions = {
  "add-pilot": coachAction(
    AddPilotInput,
    ({ squadId }) => [need("coach", "squad", squadId)],
    async (pilot) => {
      const settingsFrozen = pilot.settingsFrozen ?? false;
      await inTransaction((transaction) => insertPilot(transaction, { ...pilot, settingsFrozen }, new Date()));
    },
  ),

  /** Also moves a pilot, who must be theirs, into another squad, which must be too. */
  "edit-pilot": coachAction(
    EditPilotInput,
    ({ id, squadId }) => [need("coach", "pilot", id), need("coach", "squad", squadId)],
    async (pilot, who) => {
      const { name } = who;
      await inTransaction(async (transaction) => {
        const before = await findPilot(pilot.id);
        const movedFrom = before && before.squadId !== pilot.squadId ? before.squadId : null;
        // Who only shares a squad takes nobody out of it.
        if (movedFrom) await requireAccess(who, [need("owner", "squad", movedFrom)]);
        const edited = await updatePilot(transaction, {
          ...pilot,
          settingsFrozen: pilot.settingsFrozen ?? false,
          reactionS: pilot.reactionS ?? null,
          cruiseMps: pilot.cruiseMps ?? null,
          reachShare: pilot.reachShare ?? null,
          stickLengthMm: pilot.stickLengthMm ?? null,
        });
        // A repeated send, of which the trail has a line.
        if (edited === "same") return;
        if (edited === "other")
          throw conflict("Someone else changed this pilot. Reload to see the change; what you entered is still here.");
        const now = new Date();
        if (movedFrom) {
          // The other squad may count its days by other clocks.
          await refreshDigestsOf(transaction, pilot.id);
          const [to] = await listSquadNames([pilot.squadId]);
          const done = { kind: "moved-away", pilot: before!.name, to } as const;
          await leaveTrail(transaction, { who: name, done, squadId: movedFrom, pilotId: pilot.id }, now);
        }
        const done = { kind: movedFrom ? "moved-here" : "changed-pilot" } as const;
        await leavePilotTrail(transaction, { who: name, done, pilotId: pilot.id }, now);
      });
    },
  ),

  "remove-pilot": setRemoved(() => new Date(), "removed"),
  "restore-pilot": setRemoved(() => null, "restored"),
};
