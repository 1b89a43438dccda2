import { need } from "@/server/access";
import { coachAction, conflict } from "@/server/actions";
import { insertPilot, inTransaction, leavePilotTrail, setPilotRemoved, updatePilot } from "@/server/repositories";
import { AddPilotInput, EditPilotInput, PilotInput } from "./inputs";

/** Puts a pilot with everything of theirs into the bin or brings them back. */
const setRemoved = (removedAt: () => Date | null, kind: "removed" | "restored") =>
  coachAction(
    PilotInput,
    ({ id }) => [{ ...need("coach", "pilot", id), evenBinned: true }],
    ({ id }, { name }) =>
      inTransaction(async (transaction) => {
        await setPilotRemoved(transaction, id, removedAt());
        await leavePilotTrail(transaction, { who: name, kind, does: `${kind} the record`, pilotId: id }, new Date());
      }),
  );

export const squadActions = {
  "add-pilot": coachAction(
    AddPilotInput,
    ({ squadId }) => [need("coach", "squad", squadId)],
    async (pilot) => {
      await inTransaction((transaction) => insertPilot(transaction, pilot, new Date()));
    },
  ),

  /** Also moves a pilot, who must be theirs, into another squad, which must be too. */
  "edit-pilot": coachAction(
    EditPilotInput,
    ({ id, squadId }) => [need("coach", "pilot", id), need("coach", "squad", squadId)],
    async (pilot, { name }) => {
      await inTransaction(async (transaction) => {
        if (
          !(await updatePilot(transaction, {
            ...pilot,
            settingsFrozen: pilot.settingsFrozen ?? false,
            reactionS: pilot.reactionS ?? null,
          }))
        )
          throw conflict(
            "Somebody else changed this pilot meanwhile. Reload to see it; what you entered is still here.",
          );
        const deed = {
          who: name,
          kind: "changed-pilot",
          does: "changed name, mode, grip or squad",
          pilotId: pilot.id,
        } as const;
        await leavePilotTrail(transaction, deed, new Date());
      });
    },
  ),

  "remove-pilot": setRemoved(() => new Date(), "removed"),
  "restore-pilot": setRemoved(() => null, "restored"),
};
