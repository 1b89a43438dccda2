import { need, requireAccess } from "@/server/access";
import { badField, coachAction, Refusal } from "@/server/actions";
import { requirePilotRecord } from "@/server/files";
import {
  erasePilot,
  findPilot,
  inTransaction,
  leavePilotTrail,
  leaveTrail,
  syllabusOf,
  writeRecord,
  type PilotRecord,
} from "@/server/repositories";
import type { SignedIn } from "@/server/accounts";
import { ErasePilotInput, ImportInput } from "./inputs";
import { LONGEST_REQUEST_BYTES } from "./limits";

/** A pilot who is here already must be the importer's own, and out of the bin. */
async function requireOwnPilot(who: SignedIn, { pilot }: PilotRecord): Promise<void> {
  if (await findPilot(pilot.id)) await requireAccess(who, [need("coach", "pilot", pilot.id)]);
}

export const recordActions = {
  /** Brings in the record of a pilot from a file. What is here already stays; the same file again changes nothing. */
  "import-record": {
    ...coachAction(
      ImportInput,
      ({ squadId }) => [need("coach", "squad", squadId)],
      async ({ squadId, record: file }, who) => {
        const record = requirePilotRecord(file, await syllabusOf(squadId));
        await requireOwnPilot(who, record);
        const added = await inTransaction(async (transaction) => {
          const now = new Date();
          const count = await writeRecord(transaction, record, squadId, now);
          const deed = { who: who.name, done: { kind: "imported", count }, pilotId: record.pilot.id } as const;
          if (count > 0) await leavePilotTrail(transaction, deed, now);
          return count;
        });
        return { pilotId: record.pilot.id, added };
      },
    ),
    longestBytes: LONGEST_REQUEST_BYTES,
    files: ["record"],
  },

  /** Deletes a pilot's whole record at once and for good, as the pilot may ask for. */
  "erase-pilot": coachAction(
    ErasePilotInput,
    ({ id }) => [{ ...need("coach", "pilot", id), evenBinned: true }],
    async ({ id, name }, who) => {
      const pilot = await findPilot(id);
      if (!pilot) throw new Refusal(404, "That pilot is not in the records.");
      if (pilot.name.trim() !== name)
        throw badField("name", "This is not the name of the pilot whose record would go.");
      await inTransaction(async (transaction) => {
        await erasePilot(transaction, id);
        const deed = { who: who.name, done: { kind: "erased" }, squadId: pilot.squadId } as const;
        await leaveTrail(transaction, deed, new Date());
      });
    },
  ),
};
