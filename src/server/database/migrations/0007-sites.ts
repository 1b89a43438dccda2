import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Places where a squad flies, and at which of them a session was. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("site", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("squad_id", ID).notNullable().references("squad.id");
    table.string("name", 80).notNullable();
    table.string("surface", 80).notNullable();
    table.double("room_m").notNullable();
    table.double("ceiling_m").nullable();
    table.string("features", 500).notNullable();
    table.string("hazards", 1000).notNullable();
    table.string("rules", 1000).notNullable();
    table.string("ask_whom", 300).notNullable();
    table.integer("version").unsigned().notNullable().defaultTo(1);
    table.specificType("created_at", MOMENT).notNullable();
    table.specificType("removed_at", MOMENT).nullable();
  });
  await knex.schema.alterTable("session", (table) => {
    table.specificType("site_id", ID).nullable().references("site.id");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("session", (table) => {
    table.dropForeign("site_id");
    table.dropColumn("site_id");
  });
  await knex.schema.dropTable("site");
}
