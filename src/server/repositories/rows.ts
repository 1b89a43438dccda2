import type { Transaction } from "../database";

/** JSON columns come back as text from MariaDB. */
export function fromJson<T>(value: unknown): T {
  return (typeof value === "string" ? JSON.parse(value) : value) as T;
}

/** True for the error of a row whose key is already there. */
export function isDuplicate(error: unknown): boolean {
  return (error as { code?: string }).code === "ER_DUP_ENTRY";
}

/**
 * Inserts a row once. A row with the same id that is already there is left as it is and returned, so that a repeated
 * send changes nothing; null means the row is new.
 */
export async function insertOnce<Row extends object>(
  transaction: Transaction,
  table: string,
  row: Row & { readonly id: string },
): Promise<Row | null> {
  const there = await transaction(table).where({ id: row.id }).first();
  if (there) return there as Row;
  try {
    await transaction(table).insert(row);
    return null;
  } catch (error) {
    // Two sends of the same row at once: the other one was first.
    const other = isDuplicate(error) ? await transaction(table).where({ id: row.id }).forShare().first() : undefined;
    if (!other) throw error;
    return other as Row;
  }
}
