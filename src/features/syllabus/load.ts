import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import type { SyllabusVersion } from "@/contract";
import {
  findSyllabusVersion,
  listPilots,
  listSquads,
  listSyllabusVersions,
  schoolsOf,
  syllabusOf,
} from "@/server/repositories";
import { builtInSyllabus, type School, type SyllabusDocument } from "@/syllabus";

export interface SyllabusData {
  readonly squadId: string;
  readonly squadName: string;
  /** For the optimistic lock of the squad. */
  readonly squadVersion: number;
  readonly squads: readonly { readonly id: string; readonly name: string }[];
  readonly school: School;
  /** Number of the version in force; 0 for the built-in one. */
  readonly number: number;
  /** Its text; null for the built-in one, which the browser has. */
  readonly document: SyllabusDocument | null;
  /** An older version that is looked at. */
  readonly older: { readonly number: number; readonly document: SyllabusDocument } | null;
  /** Newest first. */
  readonly versions: readonly SyllabusVersion[];
  readonly mayChange: boolean;
}

/** A squad's syllabus: the squad asked for, else that of the pilot at hand, else the first. Null without any squad, or for a version that there is not. */
export async function loadSyllabus(
  who: SignedIn,
  asked: { readonly squadId: string | null; readonly pilotSquadId: string | null; readonly version: number | null },
): Promise<SyllabusData | null> {
  const squads = who.coachId === null ? [] : await listSquads(who.coachId);
  const own = isCoach(who) ? squads.map(({ id }) => id) : (await listPilots(who)).map(({ squadId }) => squadId);
  const wanted = [asked.squadId, asked.pilotSquadId, own[0]].find((id) => id && own.includes(id));
  if (!wanted) return null;
  const squad = squads.find(({ id }) => id === wanted);
  const [syllabus, versions, schools, older] = await Promise.all([
    syllabusOf(wanted),
    listSyllabusVersions(wanted),
    schoolsOf([wanted]),
    asked.version === null
      ? undefined
      : asked.version === 0
        ? builtInSyllabus.document
        : findSyllabusVersion(wanted, asked.version),
  ]);
  if (asked.version !== null && !older) return null;
  return {
    squadId: wanted,
    squadName: squad?.name ?? "",
    squadVersion: squad?.version ?? 0,
    squads: squads.map(({ id, name }) => ({ id, name })),
    school: schools.get(wanted) ?? {},
    number: syllabus.number,
    document: syllabus.number === 0 ? null : syllabus.document,
    older: older ? { number: asked.version!, document: older } : null,
    versions,
    mayChange: squad !== undefined,
  };
}
