import type { Knex } from "knex";

/** What was measured on an aircraft at the field; its airframe is fitted to them. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("aircraft", (table) => {
    table.json("measurements").nullable();
    // As it was before anything was measured; null when nothing was.
    table.json("estimate").nullable();
    table.integer("version").unsigned().notNullable().defaultTo(1);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("aircraft", (table) => {
    for (const column of ["measurements", "estimate", "version"]) table.dropColumn(column);
  });
}
