import type { Recording, RecordingFound } from "@/contract";
import type { TapeMapping } from "@/core";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce } from "./rows";

interface RecordingRow {
  id: string;
  pilot_id: string;
  setup_id: string | null;
  name: string;
  sha256: string;
  bytes: number;
  packed_bytes: number;
  recorded_at: Date | null;
  mapping: unknown;
  found?: unknown;
  clock_at: Date | null;
  kept_by: string;
  kept_by_pilot: boolean | number;
  created_at: Date;
  whole_at: Date | null;
}

const fields = [
  ...["id", "pilot_id", "setup_id", "name", "sha256", "bytes", "packed_bytes", "recorded_at", "mapping", "clock_at"],
  ...["kept_by", "kept_by_pilot", "created_at", "whole_at"],
].map((column) => `recording.${column}`);

const counted = `(select count(*) from recording_piece where recording_id = recording.id) as pieces_here,
  json_length(found, '$.tricks') as tricks, json_value(found, '$.toS') - json_value(found, '$.fromS') as duration_s`;
type Counted = RecordingRow & { pieces_here: number | string; tricks: number | null; duration_s: number | null };

const rows = () => database()("recording").select(...fields, database().raw(counted) as unknown as string);

const recordingFrom = (row: Counted): Recording => ({
  id: row.id,
  pilotId: row.pilot_id,
  setupId: row.setup_id,
  name: row.name,
  sha256: row.sha256,
  bytes: row.bytes,
  packedBytes: row.packed_bytes,
  recordedAtMs: row.recorded_at?.getTime() ?? null,
  piecesHere: Number(row.pieces_here),
  whole: row.whole_at !== null,
  mapping: row.mapping === null ? null : fromJson<TapeMapping>(row.mapping),
  keptBy: row.kept_by,
  keptByPilot: Boolean(row.kept_by_pilot),
  keptAtMs: row.created_at.getTime(),
  durationS: row.duration_s === null ? null : Number(row.duration_s),
  tricks: row.tricks === null ? null : Number(row.tricks),
  clockMs: row.clock_at?.getTime() ?? null,
});

/** The recordings of a pilot, those on their way among them, newest first. */
export async function listRecordings(pilotId: string): Promise<Recording[]> {
  const all: Counted[] = await rows()
    .where({ pilot_id: pilotId })
    .orderByRaw("coalesce(recorded_at, created_at) desc, id desc");
  return all.map(recordingFrom);
}

export async function findRecording(id: string): Promise<Recording | undefined> {
  const row: Counted | undefined = await rows().where("recording.id", id).first();
  return row && recordingFrom(row);
}

/** What was found in the whole recordings of a pilot since a moment, by id. */
export async function recordingsFound(pilotId: string, since: Date): Promise<ReadonlyMap<string, RecordingFound>> {
  const all: { id: string; found: unknown }[] = await database()("recording")
    .select("id", "found")
    .where({ pilot_id: pilotId })
    .whereNotNull("whole_at")
    .whereRaw("coalesce(recorded_at, created_at) >= ?", [since]);
  return new Map(all.map(({ id, found }) => [id, fromJson<RecordingFound>(found)]));
}

/** Bytes that the recordings of a squad's pilots take up, packed, or have been promised. */
export async function recordedBytes(squadId: string): Promise<number> {
  const [{ bytes }]: { bytes: number | string | null }[] = await database()("recording")
    .join("pilot", "pilot.id", "pilot_id")
    .where({ squad_id: squadId })
    .sum({ bytes: "packed_bytes" });
  return Number(bytes ?? 0);
}

/** The largest recordings of a squad, with the pilot's name. */
export async function largestRecordings(
  squadId: string,
  limit: number,
): Promise<readonly { readonly name: string; readonly pilotName: string; readonly packedBytes: number }[]> {
  const all: { name: string; pilot_name: string; packed_bytes: number }[] = await database()("recording")
    .join("pilot", "pilot.id", "pilot_id")
    .where({ squad_id: squadId })
    .orderBy([{ column: "packed_bytes", order: "desc" }, "recording.id"])
    .limit(limit)
    .select("recording.name", "packed_bytes", "pilot.name as pilot_name");
  return all.map((one) => ({ name: one.name, pilotName: one.pilot_name, packedBytes: one.packed_bytes }));
}

/** Locks a pilot and their squad, so that two recordings do not both take the last room; then what of this file is here. */
export async function lockRecordings(
  transaction: Transaction,
  { squadId, pilotId, sha256 }: { readonly squadId: string; readonly pilotId: string; readonly sha256: string },
): Promise<{ readonly id: string; readonly packedBytes: number; readonly whole: boolean } | null> {
  await transaction("squad").where({ id: squadId }).forUpdate().first("id");
  const row: RecordingRow | undefined = await transaction("recording")
    .where({ pilot_id: pilotId, sha256 })
    .forUpdate()
    .first();
  return row ? { id: row.id, packedBytes: row.packed_bytes, whole: row.whole_at !== null } : null;
}

export async function insertRecording(
  transaction: Transaction,
  one: Pick<
    Recording,
    "id" | "pilotId" | "setupId" | "name" | "sha256" | "bytes" | "packedBytes" | "recordedAtMs" | "mapping" | "keptBy"
  > & { readonly keptByPilot: boolean },
  now: Date,
): Promise<void> {
  await insertOnce(transaction, "recording", {
    id: one.id,
    pilot_id: one.pilotId,
    setup_id: one.setupId,
    name: one.name,
    sha256: one.sha256,
    bytes: one.bytes,
    packed_bytes: one.packedBytes,
    recorded_at: one.recordedAtMs === null ? null : new Date(one.recordedAtMs),
    mapping: one.mapping && JSON.stringify(one.mapping),
    kept_by: one.keptBy,
    kept_by_pilot: one.keptByPilot,
    created_at: now,
  });
}

/** Another browser may pack the same file a little otherwise. */
export async function setPackedBytes(transaction: Transaction, id: string, packedBytes: number): Promise<void> {
  await transaction("recording").where({ id }).update({ packed_bytes: packedBytes });
}

/** Numbers of the pieces that are here. */
export async function listPieces(id: string, transaction: Transaction | null = null): Promise<number[]> {
  const all: { number: number }[] = await (transaction ?? database())("recording_piece")
    .where({ recording_id: id })
    .orderBy("number")
    .select("number");
  return all.map(({ number }) => number);
}

/** Keeps a piece, once; the same number again takes its place. Returns whether it fits into what was promised. */
export async function putPiece(
  transaction: Transaction,
  id: string,
  { number, packed }: { readonly number: number; readonly packed: Uint8Array },
): Promise<boolean> {
  const row: RecordingRow | undefined = await transaction("recording").where({ id }).forUpdate().first();
  if (!row || row.whole_at !== null) return row !== undefined;
  const [{ bytes }]: { bytes: number | string | null }[] = await transaction("recording_piece")
    .where({ recording_id: id })
    .whereNot({ number })
    .sum({ bytes: "bytes" });
  if (Number(bytes ?? 0) + packed.length > row.packed_bytes) return false;
  await transaction("recording_piece")
    .insert({ recording_id: id, number, bytes: packed.length, packed: Buffer.from(packed) })
    .onConflict(["recording_id", "number"])
    .merge();
  return true;
}

/** A piece as it was sent, packed; undefined where it is not here. */
export async function findPiece(id: string, number: number): Promise<Buffer | undefined> {
  const row: { packed: Buffer } | undefined = await database()("recording_piece")
    .where({ recording_id: id, number })
    .first("packed");
  return row?.packed;
}

/** Says that a recording is whole. Returns false where it was that already, or is gone. */
export async function setWhole(
  transaction: Transaction,
  id: string,
  found: RecordingFound,
  now: Date,
): Promise<boolean> {
  const changed = await transaction("recording")
    .where({ id })
    .whereNull("whole_at")
    .update({ whole_at: now, found: JSON.stringify(found) });
  return changed === 1;
}

/** Drops the pieces of a recording that came out as another file. */
export async function dropPieces(transaction: Transaction, id: string): Promise<void> {
  await transaction("recording_piece").where({ recording_id: id }).delete();
}

/** Deletes a recording with its pieces, for good. */
export async function deleteRecording(transaction: Transaction, id: string): Promise<void> {
  await transaction("recording").where({ id }).delete();
}

/** Says what was found in it now, and when its time 0 was. */
export async function setMatched(
  transaction: Transaction,
  id: string,
  { found, clockAt }: { readonly found: RecordingFound; readonly clockAt: Date },
): Promise<void> {
  await transaction("recording")
    .where({ id })
    .update({ found: JSON.stringify(found), clock_at: clockAt });
}

/** Drops what was begun before a moment and never became whole. */
export async function dropUnfinished(before: Date): Promise<void> {
  await database()("recording").whereNull("whole_at").where("created_at", "<", before).delete();
}
