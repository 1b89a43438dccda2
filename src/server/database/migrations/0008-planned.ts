import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Sessions that are planned, and who is to come. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("planned_session", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("squad_id", ID).notNullable().references("squad.id");
    table.specificType("site_id", ID).nullable().references("site.id");
    table.specificType("starts_at", MOMENT).notNullable();
    table.integer("minutes").unsigned().notNullable();
    table.string("note", 500).notNullable();
    table.integer("version").unsigned().notNullable().defaultTo(1);
    table.specificType("created_at", MOMENT).notNullable();
    table.specificType("removed_at", MOMENT).nullable();
    table.index(["squad_id", "starts_at"]);
  });
  await knex.schema.createTable("planned_pilot", (table) => {
    table.specificType("planned_id", ID).notNullable().references("planned_session.id").onDelete("cascade");
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.primary(["planned_id", "pilot_id"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ["planned_pilot", "planned_session"]) await knex.schema.dropTable(table);
}
