import { action, conflict, missing } from "@/server/actions";
import { findPilot, insertPilot, inTransaction, updatePilot } from "@/server/repositories";
import { AddPilotInput, EditPilotInput } from "./inputs";

export const squadActions = {
  "add-pilot": action(AddPilotInput, async ({ id, name, stickMode, grip }) => {
    await inTransaction((transaction) => insertPilot(transaction, { id, name, stickMode, grip }, new Date()));
  }),

  "edit-pilot": action(EditPilotInput, async ({ id, name, stickMode, grip, version }) => {
    if (!(await findPilot(id))) throw missing("That pilot");
    const changed = await inTransaction((transaction) =>
      updatePilot(transaction, { id, name, stickMode, grip, version }),
    );
    if (!changed)
      throw conflict("Somebody else changed this pilot meanwhile. Reload to see it; what you entered is still here.");
  }),
};
