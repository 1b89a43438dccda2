import type { Note } from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

interface NoteRow {
  id: string;
  pilot_id: string;
  coach_name: string;
  text: string;
  written_at: Date;
  for_coaches: number;
}

const notes = () =>
  database()("note")
    .join("coach", "coach.id", "note.coach_id")
    .select("note.id", "note.pilot_id", "note.text", "note.written_at", "note.for_coaches", "coach.name as coach_name")
    .whereNull("removed_at");

const noteFrom = (row: NoteRow): Note => ({
  id: row.id,
  pilotId: row.pilot_id,
  coachName: row.coach_name,
  text: row.text,
  writtenAtMs: row.written_at.getTime(),
  forCoaches: Boolean(row.for_coaches),
});

/** Notes that stand about a pilot, newest first; those for coaches only where they are read by one. */
export async function listNotes(pilotId: string, byCoach: boolean): Promise<Note[]> {
  const rows: NoteRow[] = await notes()
    .where({ pilot_id: pilotId, ...(!byCoach && { for_coaches: false }) })
    .orderBy("written_at", "desc");
  return rows.map(noteFrom);
}

/** Notes that were written in a session and stand, oldest first. */
export async function listSessionNotes(sessionId: string): Promise<Note[]> {
  const rows: NoteRow[] = await notes().where({ session_id: sessionId }).orderBy(["written_at", "note.id"]);
  return rows.map(noteFrom);
}

export async function insertNote(
  transaction: Transaction,
  note: {
    readonly id: string;
    readonly pilotId: string;
    readonly coachId: string;
    readonly text: string;
    /** Where it was written in one. */
    readonly sessionId?: string;
    readonly forCoaches?: boolean;
  },
  writtenAt: Date,
): Promise<void> {
  await insertOnce(transaction, "note", {
    id: note.id,
    pilot_id: note.pilotId,
    coach_id: note.coachId,
    text: note.text,
    session_id: note.sessionId ?? null,
    for_coaches: note.forCoaches ?? false,
    written_at: writtenAt,
  });
}

/** Puts a note into the bin, or brings it back with null. */
export async function setRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("note").where({ id }).update({ removed_at: removedAt });
}
