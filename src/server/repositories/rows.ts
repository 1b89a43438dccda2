import { Refusal } from "../actions/errors";
import type { Transaction } from "../database";

/** JSON columns come back as text from MariaDB. */
export function fromJson<T>(value: unknown): T {
  return (typeof value === "string" ? JSON.parse(value) : value) as T;
}

/** True for the error of a row whose key is already there. */
export function isDuplicate(error: unknown): boolean {
  return (error as { code?: string }).code === "ER_DUP_ENTRY";
}

/** What this server adds to a row by itself, and what is filled in later: it differs between two sends of the same. */
const MADE_HERE = new Set([
  ...["created_at", "asked_at", "written_at", "signed_at", "started_at", "begun_at", "flown_at"],
  ...["checked_at", "cleared_at", "evidence", "faults", "line", "measured", "minutes"],
]);
/** Columns that say a row does not stand any more. */
const GONE = ["removed_at", "withdrawn_at"] as const;

/**
 * Inserts a row once. The same row that is already there is left as it is and returned, so that a repeated send changes nothing; null means the row is
 * new. Throws a Refusal (409) where what is there under this id is another row, or was taken back.
 */
export async function insertOnce<Row extends object>(
  transaction: Transaction,
  table: string,
  row: Row & { readonly id: string },
): Promise<Row | null> {
  const there = await transaction(table).where({ id: row.id }).first();
  if (there) return requireSame(table, there as Row, row);
  try {
    await transaction(table).insert(row);
    return null;
  } catch (error) {
    // Two sends of the same row at once: the other one was first.
    const other = isDuplicate(error) ? await transaction(table).where({ id: row.id }).forShare().first() : undefined;
    if (!other) throw error;
    return requireSame(table, other as Row, row);
  }
}

function requireSame<Row extends object>(table: string, there: Row, row: Row): Row {
  const what = table.replaceAll("_", " ");
  const kept = there as Readonly<Record<string, unknown>>;
  if (GONE.some((column) => kept[column] != null && !(column in row)))
    throw new Refusal(409, `This ${what} was removed in the meantime. Reload to see the change.`);
  const other = Object.entries(row).some(
    ([column, value]) => !MADE_HERE.has(column) && comparable(kept[column]) !== comparable(value),
  );
  if (other) throw new Refusal(409, `There is another ${what} with this id here. Nothing was saved; reload the page.`);
  return there;
}

/** A value as it can be compared with what came back from the database. */
function comparable(value: unknown): unknown {
  if (value instanceof Date) return value.getTime();
  if (typeof value === "boolean") return Number(value);
  if (typeof value === "object" && value !== null) return JSON.stringify(value);
  return value ?? null;
}

/** What came of a change on the version that was read: made, made already by an earlier send of the same, or someone else was faster. */
export type Edited = "changed" | "same" | "other";

/** Changes a row whose version is still the one that was read, and counts it on. */
export async function updateOnce(
  transaction: Transaction,
  table: string,
  { id, version }: { readonly id: string; readonly version: number },
  values: Readonly<Record<string, unknown>>,
): Promise<Edited> {
  const changed = await transaction(table)
    .where({ id, version })
    .update({ ...values, version: version + 1 });
  if (changed === 1) return "changed";
  const there: Readonly<Record<string, unknown>> | undefined = await transaction(table)
    .where({ id, version: version + 1 })
    .first();
  const same =
    there && Object.entries(values).every(([column, value]) => comparable(there[column]) === comparable(value));
  return same ? "same" : "other";
}
