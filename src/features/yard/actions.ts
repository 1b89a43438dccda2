import { need } from "@/server/access";
import { badField, ByIdInput, coachAction, conflict, faultOfName, there } from "@/server/actions";
import {
  findSite,
  insertSite,
  inTransaction,
  leaveTrail,
  setSiteRemoved,
  updateSite,
  updateSitePlan,
} from "@/server/repositories";
import { knownSitePlan, type SitePlan } from "@/core";
import { AddSiteInput, EditSiteInput, SavePlanInput } from "./inputs";

/** Throws a Refusal for a name with what is not seen or turns the writing round. */
function requireNames({ features, courses }: SitePlan): void {
  const look = (field: string, name: string) => {
    const fault = name === "" ? null : faultOfName(name);
    if (fault) throw badField(field, `The name ${fault}.`);
  };
  features.forEach(({ name }, i) => look(`features[${i}].name`, name));
  courses.forEach(({ name, poles }, i) => {
    look(`courses[${i}].name`, name);
    // Poles are called by their ids.
    poles.forEach(({ id }, k) => look(`courses[${i}].poles[${k}].id`, id));
  });
}

/** A plan of 20,000 corners is a little over 1 MB. */
const LONGEST_PLAN_BYTES = 3 * 1024 * 1024;

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

  /** What was drawn; what the program does not know in it is not kept. */
  "save-plan": {
    ...coachAction(
      SavePlanInput,
      ({ id }) => [need("coach", "site", id)],
      async ({ id, version, plan }, { name }) => {
        const kept = { siteId: id, version, plan: knownSitePlan(plan) };
        requireNames(kept.plan);
        await inTransaction(async (transaction) => {
          const edited = await updateSitePlan(transaction, kept, name, new Date());
          if (edited === "other")
            throw conflict(
              "Somebody else changed this plan meanwhile. Reload to see it; take yours out as a file first.",
            );
        });
      },
    ),
    longestBytes: LONGEST_PLAN_BYTES,
    files: ["plan"],
  },

  "remove-site": setRemoved(() => new Date(), "removed"),
  "restore-site": setRemoved(() => null, "restored"),
};
