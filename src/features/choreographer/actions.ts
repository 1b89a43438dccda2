import { need } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { ByIdInput, badField, coachAction, conflict, there } from "@/server/actions";
import { requireVariantFile } from "@/server/files";
import {
  findVariant,
  insertVariant,
  inTransaction,
  leaveTrail,
  listPilots,
  setVariantRemoved,
  updateVariant,
} from "@/server/repositories";
import { AddVariantInput, CheckVariantInput, EditVariantInput } from "./inputs";
import { LONGEST_VARIANT_BYTES } from "./limits";

/** Pilots of a squad by name; throws a Refusal for someone else's. */
async function requirePilotsOf(who: SignedIn, squadId: string, pilotIds: readonly string[]): Promise<string[]> {
  const pilots = (await listPilots(who)).filter((pilot) => pilot.squadId === squadId);
  return pilotIds.map((id) => {
    const pilot = pilots.find((one) => one.id === id);
    if (!pilot) throw badField("pilotIds", "A pilot on the list is not in this squad. Reload to see who is.");
    return pilot.name;
  });
}

/** What is kept of a file. */
function requireOwn(file: object) {
  const { format: _, version: __, ...own } = requireVariantFile(file);
  return own;
}

/** Puts an own way into the bin or brings it back. */
const setRemoved = (removedAt: () => Date | null, kind: "removed" | "restored") =>
  coachAction(
    ByIdInput,
    ({ id }) => [{ ...need("coach", "variant", id), evenBinned: true }],
    async ({ id }, { name }) => {
      const variant = there(await findVariant(id), "That way to fly a trick");
      await inTransaction(async (transaction) => {
        await setVariantRemoved(transaction, id, removedAt());
        const done = { kind, thing: "variant", name: variant.name } as const;
        await leaveTrail(transaction, { who: name, done, squadId: variant.squadId }, new Date());
      });
    },
  );

export const choreographerActions = {
  /** Whether a file is a way to fly a trick; it comes back as it was read. */
  "check-variant": {
    ...coachAction(
      CheckVariantInput,
      () => [],
      async ({ document }) => ({ document: requireVariantFile(document) }),
    ),
    longestBytes: LONGEST_VARIANT_BYTES,
    files: ["document"],
  },

  "add-variant": {
    ...coachAction(
      AddVariantInput,
      ({ squadId }) => [need("coach", "squad", squadId)],
      async ({ id, squadId, pilotIds, document: file }, who) => {
        const own = requireOwn(file);
        const flownBy = await requirePilotsOf(who, squadId, pilotIds);
        await inTransaction(async (transaction) => {
          const now = new Date();
          if (!(await insertVariant(transaction, { id, squadId, pilotIds, ...own }, now))) return;
          const done = { kind: "added-variant", name: own.name, flownBy } as const;
          await leaveTrail(transaction, { who: who.name, done, squadId }, now);
        });
      },
    ),
    longestBytes: LONGEST_VARIANT_BYTES,
    files: ["document"],
  },

  "edit-variant": {
    ...coachAction(
      EditVariantInput,
      ({ id }) => [need("coach", "variant", id)],
      async ({ id, version, pilotIds, document: file }, who, { squadOf }) => {
        const own = requireOwn(file);
        const squadId = squadOf(id);
        const flownBy = await requirePilotsOf(who, squadId, pilotIds);
        await inTransaction(async (transaction) => {
          const now = new Date();
          const edited = await updateVariant(transaction, { id, version, pilotIds, ...own }, now);
          if (edited === "same") return;
          if (edited === "other")
            throw conflict(
              "Someone else saved this way meanwhile. What you changed is still here: save it under another name, or reload to see theirs.",
            );
          const done = { kind: "changed-variant", name: own.name, flownBy } as const;
          await leaveTrail(transaction, { who: who.name, done, squadId }, now);
        });
      },
    ),
    longestBytes: LONGEST_VARIANT_BYTES,
    files: ["document"],
  },

  "remove-variant": setRemoved(() => new Date(), "removed"),
  "restore-variant": setRemoved(() => null, "restored"),
};
