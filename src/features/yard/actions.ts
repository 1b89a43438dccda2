import { need } from "@/server/access";
import { badField, ByIdInput, coachAction, conflict, faultOfName, there } from "@/server/actions";
import {
  findSite,
  insertSite,
  inTransaction,
  leaveTrail,
  keepSitePicture,
  putSitePicture,
  setSiteRemoved,
  updateSite,
  updateSitePlan,
} from "@/server/repositories";
import { knownSitePlan, type SitePlan } from "@/core";
import { BadPicture, rewrittenJpeg } from "@/server/files";
import { AddSiteInput, EditSiteInput, LONGEST_PICTURE_TEXT, SavePlanInput, SitePictureInput } from "./inputs";

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

/** Throws a Refusal naming the field for what is no picture. */
function rewritten(text: string) {
  try {
    return rewrittenJpeg(Buffer.from(text, "base64"));
  } catch (error) {
    if (error instanceof BadPicture) throw badField("jpeg", "That is no whole JPEG of at most 2048 pixels each way.");
    throw error;
  }
}

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
          throw conflict("Someone else changed this site. Reload to see the change; what you entered is still here.");
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
              "Someone else changed this plan meanwhile. Reload to see it; take yours out as a file first.",
            );
          if (!(await keepSitePicture(transaction, id, kept.plan.picture?.id ?? null)))
            throw badField("picture.id", "That picture is no longer here. Choose it again.");
        });
      },
    ),
    longestBytes: LONGEST_PLAN_BYTES,
    files: ["plan"],
  },

  /** Written anew from its pixels: nothing of where and with what it was taken is kept. Where it lies is part of the plan. */
  "put-site-picture": {
    ...coachAction(
      SitePictureInput,
      ({ id }) => [need("coach", "site", id)],
      async ({ id, pictureId, jpeg: text }) => {
        const picture = { id: pictureId, siteId: id, ...rewritten(text) };
        await inTransaction((transaction) => putSitePicture(transaction, picture, new Date()));
      },
    ),
    longestBytes: LONGEST_PICTURE_TEXT + 1024,
    files: ["jpeg"],
  },

  "remove-site": setRemoved(() => new Date(), "removed"),
  "restore-site": setRemoved(() => null, "restored"),
};
