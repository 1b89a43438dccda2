import { need } from "@/server/access";
import { coachAction, conflict } from "@/server/actions";
import { requireSyllabusFile } from "@/server/files";
import {
  insertSyllabus,
  inTransaction,
  leaveTrail,
  lockSyllabus,
  savedAs,
  setSquadSchool,
  syllabusOf,
} from "@/server/repositories";
import { requireSchool, syllabusChanges } from "@/syllabus";
import { SaveSyllabusInput, SquadSchoolInput } from "./inputs";
import { LONGEST_SYLLABUS_BYTES } from "./limits";

/** Changes named one by one in the trail; more are counted. */
const NAMED = 3;

export const syllabusActions = {
  /** Keeps a syllabus as the next version of a squad's. It is in force at once; what was signed off before keeps the version it was judged by. */
  "save-syllabus": {
    ...coachAction(
      SaveSyllabusInput,
      ({ squadId }) => [need("coach", "squad", squadId)],
      async ({ id, squadId, basedOn, reason, document: file }, { coachId, name }) => {
        const document = requireSyllabusFile(file);
        const changes = syllabusChanges((await syllabusOf(squadId)).document, document);
        return inTransaction(async (transaction) => {
          const newest = await lockSyllabus(transaction, squadId);
          const again = await savedAs(transaction, id);
          if (again !== null) return { number: again };
          if (newest !== basedOn)
            throw conflict(
              `Someone saved version ${newest} meanwhile. Your changes are still here; look at that version, then save again.`,
            );
          const number = newest + 1;
          const now = new Date();
          await insertSyllabus(transaction, { id, squadId, number, document, reason, coachId }, now);
          const named = { changes: changes.slice(0, NAMED), more: Math.max(0, changes.length - NAMED) };
          const done = { kind: "saved-syllabus", number, reason, ...named } as const;
          await leaveTrail(transaction, { who: name, done, squadId }, now);
          return { number };
        });
      },
    ),
    longestBytes: LONGEST_SYLLABUS_BYTES,
    files: ["document"],
  },

  /** The sides a squad takes where practitioners disagree, for pilots who chose none of their own. */
  "set-squad-school": coachAction(
    SquadSchoolInput,
    ({ id }) => [need("coach", "squad", id)],
    async ({ id, school, version }, { name }) => {
      await inTransaction(async (transaction) => {
        const edited = await setSquadSchool(transaction, { id, school: requireSchool(school), version });
        if (edited === "same") return;
        if (edited === "other")
          throw conflict("Someone else changed this squad. Reload to see the change; what you chose is still here.");
        await leaveTrail(transaction, { who: name, done: { kind: "changed-squad-school" }, squadId: id }, new Date());
      });
    },
  ),
};
