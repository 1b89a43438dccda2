import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Lines of a squad in versions, and the pilots they were given to. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("line", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("squad_id", ID).notNullable().references("squad.id");
    // Where it is flown; a site that is gone leaves it without one.
    table.specificType("site_id", ID).nullable().references("site.id").onDelete("set null");
    table.string("name", 80).notNullable();
    // Number of the newest version.
    table.integer("version").unsigned().notNullable().defaultTo(1);
    table.specificType("created_at", MOMENT).notNullable();
    table.specificType("removed_at", MOMENT).nullable();
  });
  await knex.schema.createTable("line_version", (table) => {
    table.specificType("line_id", ID).notNullable().references("line.id").onDelete("cascade");
    table.integer("number").unsigned().notNullable();
    table.json("document").notNullable();
    table.string("saved_by", 80).notNullable();
    table.specificType("saved_at", MOMENT).notNullable();
    table.primary(["line_id", "number"]);
  });
  await knex.schema.createTable("line_pilot", (table) => {
    table.specificType("line_id", ID).notNullable().references("line.id").onDelete("cascade");
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.specificType("given_at", MOMENT).notNullable();
    table.primary(["line_id", "pilot_id"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ["line_pilot", "line_version", "line"]) await knex.schema.dropTable(table);
}
