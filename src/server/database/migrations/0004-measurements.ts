import type { Knex } from "knex";

/** What was measured on an aircraft at the field, to which its airframe is fitted; and whether a pilot's settings are frozen. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("aircraft", (table) => {
    table.json("measurements").nullable();
    // As it was before anything was measured; null when nothing was.
    table.json("estimate").nullable();
    table.integer("version").unsigned().notNullable().defaultTo(1);
  });
  await knex.schema.alterTable("pilot", (table) => {
    table.boolean("settings_frozen").notNullable().defaultTo(false);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("pilot", (table) => table.dropColumn("settings_frozen"));
  await knex.schema.alterTable("aircraft", (table) => {
    for (const column of ["measurements", "estimate", "version"]) table.dropColumn(column);
  });
}
