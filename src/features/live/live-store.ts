import type { DBSchema } from "idb";
import { requiredColumns } from "@/core";
import { opener } from "@/ui/device/open-database";

/** A live recording that this device keeps until somebody has read it or thrown it away. */
export interface LeftRecording {
  readonly id: string;
  readonly pilotId: string;
  readonly beganMs: number;
  readonly rows: number;
}

interface Live extends DBSchema {
  recordings: { key: string; value: { id: string; pilotId: string; beganMs: number } };
  /** Lines in the order they came, some at a time. */
  pieces: { key: [string, number]; value: { id: string; row: number; lines: readonly string[] } };
}

const live = opener<Live>("bathygon-live", (database) => {
  database.createObjectStore("recordings", { keyPath: "id" });
  database.createObjectStore("pieces", { keyPath: ["id", "row"] });
});

/** Notes that a recording begins. */
export async function beginLive(one: { id: string; pilotId: string; beganMs: number }): Promise<void> {
  const database = await live.open();
  await database.put("recordings", one);
}

/** Keeps lines of it, from a row on. */
export async function keepLines(id: string, row: number, lines: readonly string[]): Promise<void> {
  const database = await live.open();
  await database.put("pieces", { id, row, lines });
}

const piecesOf = (id: string) => IDBKeyRange.bound([id, 0], [id, Number.MAX_SAFE_INTEGER]);

/** What was left on this device for a pilot, newest first. */
export async function leftRecordings(pilotId: string): Promise<readonly LeftRecording[]> {
  const database = await live.open();
  const all = (await database.getAll("recordings")).filter((one) => one.pilotId === pilotId);
  const left = await Promise.all(
    all.map(async (one) => {
      const pieces = await database.getAll("pieces", piecesOf(one.id));
      return { ...one, rows: pieces.reduce((sum, { lines }) => sum + lines.length, 0) };
    }),
  );
  return left.filter(({ rows }) => rows > 0).sort((a, b) => b.beganMs - a.beganMs);
}

/** The recording as a file of the open format. */
export async function liveFile({ id, beganMs }: Pick<LeftRecording, "id" | "beganMs">): Promise<File> {
  const database = await live.open();
  const pieces = await database.getAll("pieces", piecesOf(id));
  const text = [
    requiredColumns.join(","),
    ...pieces.sort((a, b) => a.row - b.row).flatMap(({ lines }) => lines),
    "",
  ].join("\n");
  const at = new Date(beganMs);
  const two = (n: number) => String(n).padStart(2, "0");
  const name = `live ${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}.${two(at.getMinutes())}.csv`;
  return new File([text], name, { type: "text/csv", lastModified: Date.now() });
}

export async function dropLive(id: string): Promise<void> {
  const database = await live.open();
  const both = database.transaction(["recordings", "pieces"], "readwrite");
  await Promise.all([
    both.objectStore("recordings").delete(id),
    both.objectStore("pieces").delete(piecesOf(id)),
    both.done,
  ]);
}
