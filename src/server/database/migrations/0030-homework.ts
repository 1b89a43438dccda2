import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** What a coach asks a pilot to practise: so many clean tries at a step by a date. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("homework", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.string("step_id", 40).notNullable();
    table.smallint("tries").unsigned().notNullable();
    table.specificType("due_at", MOMENT).notNullable();
    table.specificType("created_at", MOMENT).notNullable();
    table.specificType("removed_at", MOMENT).nullable();
    table.index(["pilot_id", "due_at"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("homework");
}
