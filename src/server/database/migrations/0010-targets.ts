import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";

/** By when a pilot is to have a step signed off. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("target", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.string("step_id", 40).notNullable();
    table.specificType("due_at", "datetime(3)").notNullable();
    table.specificType("created_at", "datetime(3)").notNullable();
    table.specificType("removed_at", "datetime(3)").nullable();
    table.index(["pilot_id", "due_at"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("target");
}
