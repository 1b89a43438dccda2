import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";

/** Minimum start heights that were worked out, by all that they depend on. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("start_height", (table) => {
    table.specificType("key", "char(32) character set ascii collate ascii_bin").primary();
    table.double("height_m").notNullable();
    table.json("reason").notNullable();
    table.smallint("model_version").unsigned().notNullable();
    table.specificType("coach_id", ID).nullable().references("coach.id").onDelete("set null");
    table.datetime("created_at", { precision: 3 }).notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("start_height");
}
