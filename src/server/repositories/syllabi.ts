import { entryOf } from "@/core";
import type { SyllabusVersion } from "@/contract";
import { builtInSyllabus, syllabusFrom, type Syllabus, type SyllabusDocument } from "@/syllabus";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce } from "./rows";
import { oncePerPage } from "./once";

/** Versions never change, so that one read is one too many only the second time. */
const read = new Map<string, Syllabus>();
const KEPT = 40;

/** The syllabus in force in a squad. */
export async function syllabusOf(squadId: string): Promise<Syllabus> {
  return entryOf(await syllabiOf([squadId]), squadId);
}

/** The syllabus in force in each of some squads; the built-in one where nothing was ever changed. */
export const syllabiOf = oncePerPage(async (squadIds): Promise<ReadonlyMap<string, Syllabus>> => {
  const newest: { id: string; squad_id: string; number: number }[] = await database()("syllabus as one")
    .select("id", "squad_id", "number")
    .whereIn("squad_id", [...squadIds])
    .whereRaw("number = (select max(number) from syllabus as other where other.squad_id = one.squad_id)");
  const unread = newest.filter(({ id }) => !read.has(id)).map(({ id }) => id);
  if (unread.length > 0) {
    const rows: { id: string; number: number; document: unknown }[] = await database()("syllabus")
      .select("id", "number", "document")
      .whereIn("id", unread);
    for (const { id, number, document } of rows) read.set(id, syllabusFrom(fromJson(document), number));
  }
  const inForce = new Map(newest.map(({ id, squad_id }) => [squad_id, entryOf(read, id)]));
  for (const id of read.keys()) if (read.size > KEPT && !newest.some((one) => one.id === id)) read.delete(id);
  return new Map(squadIds.map((id) => [id, inForce.get(id) ?? builtInSyllabus]));
});

/** All versions of a squad's syllabus, newest first. */
export async function listSyllabusVersions(squadId: string): Promise<SyllabusVersion[]> {
  const rows: { id: string; number: number; reason: string; name: string; created_at: Date }[] = await database()(
    "syllabus",
  )
    .join("coach", "coach.id", "syllabus.coach_id")
    .select("syllabus.id", "number", "reason", "coach.name", "syllabus.created_at")
    .where({ squad_id: squadId })
    .orderBy("number", "desc");
  return rows.map(({ id, number, reason, name, created_at }) => ({
    id,
    number,
    reason,
    coachName: name,
    createdAtMs: created_at.getTime(),
  }));
}

/** One version of a squad's syllabus, whole. */
export async function findSyllabusVersion(squadId: string, number: number): Promise<SyllabusDocument | undefined> {
  const row: { document: unknown } | undefined = await database()("syllabus")
    .where({ squad_id: squadId, number })
    .first("document");
  return row && fromJson(row.document);
}

/** The newest number in a squad, locked until the transaction ends, so that two saves cannot both follow it; 0 before the first. */
export async function lockSyllabus(transaction: Transaction, squadId: string): Promise<number> {
  await transaction("squad").where({ id: squadId }).forUpdate().first("id");
  const row = await transaction("syllabus").where({ squad_id: squadId }).max({ number: "number" }).forUpdate().first();
  return Number(row?.number ?? 0);
}

/** The number under which a version was kept already, or null. */
export async function savedAs(transaction: Transaction, id: string): Promise<number | null> {
  const row: { number: number } | undefined = await transaction("syllabus").where({ id }).first("number");
  return row?.number ?? null;
}

/** Keeps a version once. */
export async function insertSyllabus(
  transaction: Transaction,
  version: {
    readonly id: string;
    readonly squadId: string;
    readonly number: number;
    readonly document: SyllabusDocument;
    readonly reason: string;
    readonly coachId: string;
  },
  now: Date,
): Promise<void> {
  await insertOnce(transaction, "syllabus", {
    id: version.id,
    squad_id: version.squadId,
    number: version.number,
    document: JSON.stringify(version.document),
    reason: version.reason,
    coach_id: version.coachId,
    created_at: now,
  });
}
