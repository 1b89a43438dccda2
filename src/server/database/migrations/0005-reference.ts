import type { Knex } from "knex";

/** What the bin is emptied by. */
const marks = [
  ["note", "removed_at"],
  ["milestone", "withdrawn_at"],
  ["attempt", "undone_at"],
] as const;

/** The aircraft that a pilot's hands know, and indexes by which the bin is emptied. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("pilot", (table) => {
    table.specificType("reference_aircraft_id", "char(36) character set ascii collate ascii_bin").nullable();
  });
  for (const [table, column] of marks) await knex.schema.alterTable(table, (change) => change.index(column));
}

export async function down(knex: Knex): Promise<void> {
  for (const [table, column] of marks) await knex.schema.alterTable(table, (change) => change.dropIndex(column));
  await knex.schema.alterTable("pilot", (table) => table.dropColumn("reference_aircraft_id"));
}
