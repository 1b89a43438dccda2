import type { Knex } from "knex";

const id = (table: Knex.CreateTableBuilder, name: string) =>
  table.specificType(name, "char(36) character set ascii collate ascii_bin");
const moment = (table: Knex.CreateTableBuilder, name: string) => table.specificType(name, "datetime(3)");

/** What an aircraft carries, and with which load somebody flew. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("aircraft_load", (table) => {
    id(table, "id").primary();
    id(table, "aircraft_id").notNullable().references("aircraft.id");
    table.string("name", 80).notNullable();
    table.double("mass_kg").notNullable();
    table.double("thrust_to_weight").nullable();
    moment(table, "created_at").notNullable();
    moment(table, "removed_at").nullable();
  });
  for (const used of ["session_pilot", "attempt"])
    await knex.schema.alterTable(used, (table) => {
      id(table, "load_id").nullable().references("aircraft_load.id");
    });
}

export async function down(knex: Knex): Promise<void> {
  for (const used of ["attempt", "session_pilot"])
    await knex.schema.alterTable(used, (table) => {
      table.dropForeign("load_id");
      table.dropColumn("load_id");
    });
  await knex.schema.dropTable("aircraft_load");
}
