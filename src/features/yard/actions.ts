import { need } from "@/server/access";
import { ByIdInput, coachAction, conflict, there } from "@/server/actions";
import { findSite, insertSite, inTransaction, leaveTrail, setSiteRemoved, updateSite } from "@/server/repositories";
import { AddSiteInput, EditSiteInput } from "./inputs";

/** Puts a site into the bin or brings it back. */
const setRemoved = (removedAt: () => Date | null, kind: "removed" | "restored") =>
  coachAction(
    ByIdInput,
    ({ id }) => [{ ...need("coach", "site", id), evenBinned: true }],
    async ({ id }, { name }) => {
      const { squadId, name: siteName } = there(await findSite(id), "That site");
      await inTransaction(async (transaction) => {
        await setSiteRemoved(transaction, id, removedAt());
        const deed = { who: name, done: { kind, thing: "site", name: siteName }, squadId } as const;
        await leaveTrail(transaction, deed, new Date());
      });
    },
  );

export const yardActions = {
  "add-site": coachAction(
    AddSiteInput,
    ({ squadId }) => [need("coach", "squad", squadId)],
    async (site) => {
      await inTransaction((transaction) =>
        insertSite(
          transaction,
          { ...site, ceilingM: site.ceilingM ?? null, elevationM: site.elevationM ?? null },
          new Date(),
        ),
      );
    },
  ),

  "edit-site": coachAction(
    EditSiteInput,
    ({ id }) => [need("coach", "site", id)],
    async (site) => {
      await inTransaction(async (transaction) => {
        const edited = await updateSite(transaction, {
          ...site,
          ceilingM: site.ceilingM ?? null,
          elevationM: site.elevationM ?? null,
        });
        // A repeated send, of which the trail has a line.
        if (edited === "same") return;
        if (edited === "other")
          throw conflict(
            "Somebody else changed this site meanwhile. Reload to see it; what you entered is still here.",
          );
      });
    },
  ),

  "remove-site": setRemoved(() => new Date(), "removed"),
  "restore-site": setRemoved(() => null, "restored"),
};
