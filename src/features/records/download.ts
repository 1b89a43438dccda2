import "server-only";
import { csvTables, recordCsv } from "@/server/files";
import { need, requireAccess } from "@/server/access";
import { isCoach, type SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { findPilot, inTransaction, leavePilotTrail, readRecord, syllabusOf } from "@/server/repositories";

/**
 * A file of a pilot's record: `record.json` with everything, or `<table>.csv`. For their coaches and themselves. Throws a Refusal for a file
 * that does not exist or is not theirs. The trail tells who took it.
 */
export async function downloadRecord(
  who: SignedIn,
  pilotId: string,
  file: string,
  now = new Date(),
): Promise<Response> {
  await requireAccess(who, [need("reader", "pilot", pilotId)]);
  const table = csvTables.find((name) => file === `${name}.csv`);
  if (!table && file !== "record.json") throw new Refusal(404, "There is no such file.");
  const [whole, pilot] = await Promise.all([readRecord(pilotId, now), findPilot(pilotId)]);
  // What coaches keep between them is in no file of the pilot's.
  const record = whole && { ...whole, notes: whole.notes.filter(({ forCoaches }) => isCoach(who) || !forCoaches) };
  if (!record || !pilot) throw new Refusal(404, "That pilot is not in the records.");
  const deed = { who: who.name, done: { kind: "exported", file }, pilotId } as const;
  await inTransaction((transaction) => leavePilotTrail(transaction, deed, now));
  const body = table ? recordCsv(record, table, await syllabusOf(pilot.squadId)) : JSON.stringify(record, null, 1);
  return new Response(body, {
    headers: {
      "content-type": table ? "text/csv; charset=utf-8; header=present" : "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="pilot-${pilotId.slice(-6)}-${file}"`,
      "cache-control": "no-store",
    },
  });
}
