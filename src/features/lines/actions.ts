import { need } from "@/server/access";
import { badField, ByIdInput, coachAction, conflict, memberAction, there } from "@/server/actions";
import { pdfOf, requireLineFile, requireLineSheet } from "@/server/files";
import {
  findLine,
  findPilot,
  findSite,
  giveLine,
  insertLine,
  inTransaction,
  leavePilotTrail,
  leaveTrail,
  setLineRemoved,
  updateLine,
} from "@/server/repositories";
import { AddLineInput, CheckLineInput, GiveLineInput, LinePaperInput, SaveLineInput } from "./inputs";
import { linePaper } from "./line-paper";
import { LONGEST_LINE_BYTES } from "./limits";

/** What is kept of a file. */
function requireOwn(file: object) {
  const { name, style, line, copy } = requireLineFile(file);
  return { name, style, line, copy };
}

/** Throws a Refusal for a site of another squad. */
async function requireSiteOf(squadId: string, siteId: string | null): Promise<string | null> {
  if (siteId === null) return null;
  const site = await findSite(siteId);
  if (site?.squadId !== squadId)
    throw badField("siteId", "That site is not one of this squad. Reload to see which are.");
  return siteId;
}

/** Puts a line into the bin or brings it back. */
const setRemoved = (removedAt: () => Date | null, kind: "removed" | "restored") =>
  coachAction(
    ByIdInput,
    ({ id }) => [{ ...need("coach", "line", id), evenBinned: true }],
    async ({ id }, { name }) => {
      const line = there(await findLine(id), "That line");
      await inTransaction(async (transaction) => {
        await setLineRemoved(transaction, id, removedAt());
        const done = { kind, thing: "line", name: line.name } as const;
        await leaveTrail(transaction, { who: name, done, squadId: line.squadId }, new Date());
      });
    },
  );

const document = { longestBytes: LONGEST_LINE_BYTES, files: ["document"] };

export const lineActions = {
  /** Whether a file is a line of tricks; it comes back as it was read. */
  "check-line": {
    ...coachAction(
      CheckLineInput,
      () => [],
      async (input) => ({ document: requireLineFile(input.document) }),
    ),
    ...document,
  },

  /** On one page; nothing is read or kept. */
  "line-paper": {
    ...memberAction(
      LinePaperInput,
      () => [],
      async ({ document: file, flown, units }) => {
        const paper = linePaper(requireLineFile(file), requireLineSheet(flown), units);
        return { pdf: Buffer.from(await pdfOf(paper)).toString("base64") };
      },
    ),
    longestBytes: LONGEST_LINE_BYTES,
    files: ["document", "flown"],
  },

  "add-line": {
    ...coachAction(
      AddLineInput,
      ({ squadId }) => [need("coach", "squad", squadId)],
      async ({ id, squadId, siteId, document: file }, who) => {
        const own = requireOwn(file);
        const line = { id, squadId, siteId: await requireSiteOf(squadId, siteId ?? null), savedBy: who.name, ...own };
        await inTransaction(async (transaction) => {
          const now = new Date();
          if (!(await insertLine(transaction, line, now))) return;
          const done = { kind: "saved-line", name: own.name, number: 1 } as const;
          await leaveTrail(transaction, { who: who.name, done, squadId }, now);
        });
      },
    ),
    ...document,
  },

  "save-line": {
    ...coachAction(
      SaveLineInput,
      ({ id }) => [need("coach", "line", id)],
      async ({ id, version, siteId, document: file }, who, { squadOf }) => {
        const own = requireOwn(file);
        const squadId = squadOf(id);
        const line = { id, version, siteId: await requireSiteOf(squadId, siteId ?? null), savedBy: who.name, ...own };
        await inTransaction(async (transaction) => {
          const now = new Date();
          const edited = await updateLine(transaction, line, now);
          if (edited === "same") return;
          if (edited === "other")
            throw conflict(
              "Someone else saved this line meanwhile. What you changed is still here: keep it as another line, or reload to see theirs.",
            );
          const done = { kind: "saved-line", name: own.name, number: version + 1 } as const;
          await leaveTrail(transaction, { who: who.name, done, squadId }, now);
        });
      },
    ),
    ...document,
  },

  "give-line": coachAction(
    GiveLineInput,
    ({ id, pilotId }) => [need("coach", "line", id), need("coach", "pilot", pilotId)],
    async ({ id, pilotId, given }, who, { squadOf }) => {
      const [line, pilot] = [there(await findLine(id), "That line"), there(await findPilot(pilotId), "That pilot")];
      if (pilot.squadId !== squadOf(id)) throw badField("pilotId", `${pilot.name} is not in the squad of this line.`);
      await inTransaction(async (transaction) => {
        const now = new Date();
        if (!(await giveLine(transaction, { id, pilotId, given }, now))) return;
        const done = { kind: given ? "gave-line" : "took-line-back", name: line.name } as const;
        await leavePilotTrail(transaction, { who: who.name, done, pilotId }, now);
      });
    },
  ),

  "remove-line": setRemoved(() => new Date(), "removed"),
  "restore-line": setRemoved(() => null, "restored"),
};
