import type { Knex } from "knex";

/** The days on which somebody signed in: what is destroyed after a time is destroyed only when that time was lived through. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("day_seen", (table) => {
    table.date("day").primary();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("day_seen");
}
