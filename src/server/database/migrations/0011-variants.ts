import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Ways of a coach's own to fly a trick, and the pilots they were chosen for. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("variant", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("squad_id", ID).notNullable().references("squad.id");
    table.string("name", 80).notNullable();
    table.string("trick", 40).notNullable();
    table.string("instead", 40).notNullable();
    table.string("direction", 20).notNullable();
    table.boolean("both_ways").notNullable();
    table.json("recipe").notNullable();
    table.integer("version").unsigned().notNullable().defaultTo(1);
    table.specificType("created_at", MOMENT).notNullable();
    table.specificType("removed_at", MOMENT).nullable();
    table.index(["squad_id", "trick"]);
  });
  await knex.schema.createTable("variant_pilot", (table) => {
    table.specificType("variant_id", ID).notNullable().references("variant.id").onDelete("cascade");
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.specificType("chosen_at", MOMENT).notNullable();
    table.primary(["variant_id", "pilot_id"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ["variant_pilot", "variant"]) await knex.schema.dropTable(table);
}
