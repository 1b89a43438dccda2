import type { Knex } from "knex";

const id = (table: Knex.CreateTableBuilder, name: string) =>
  table.specificType(name, "char(36) character set ascii collate ascii_bin");
const moment = (table: Knex.CreateTableBuilder, name: string) => table.specificType(name, "datetime(3)");

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("coach", (table) => {
    id(table, "id").primary();
    table.string("name", 80).notNullable();
    moment(table, "created_at").notNullable();
  });
  await knex.schema.createTable("pilot", (table) => {
    id(table, "id").primary();
    table.string("name", 80).notNullable();
    table.tinyint("stick_mode").unsigned().notNullable();
    table.string("grip", 10).notNullable();
    table.integer("version").unsigned().notNullable().defaultTo(1);
    moment(table, "created_at").notNullable();
  });
  await knex.schema.createTable("aircraft", (table) => {
    id(table, "id").primary();
    id(table, "pilot_id").notNullable().references("pilot.id");
    table.string("name", 80).notNullable();
    table.string("preset_id", 40).notNullable();
    table.json("airframe").notNullable();
    table.string("flight_state", 10).notNullable();
    moment(table, "created_at").notNullable();
  });
  await knex.schema.createTable("setup", (table) => {
    id(table, "id").primary();
    id(table, "aircraft_id").notNullable().references("aircraft.id");
    table.integer("number").unsigned().notNullable();
    table.json("settings").notNullable();
    table.string("reason", 300).notNullable();
    id(table, "coach_id").notNullable().references("coach.id");
    moment(table, "created_at").notNullable();
    table.unique(["aircraft_id", "number"]);
  });
  await knex.schema.createTable("session", (table) => {
    id(table, "id").primary();
    id(table, "coach_id").notNullable().references("coach.id");
    table.string("place", 12).notNullable();
    moment(table, "started_at").notNullable();
    moment(table, "ended_at").nullable();
    table.index("started_at");
  });
  await knex.schema.createTable("session_pilot", (table) => {
    id(table, "session_id").notNullable().references("session.id");
    id(table, "pilot_id").notNullable().references("pilot.id");
    table.string("step_id", 40).notNullable();
    id(table, "setup_id").nullable().references("setup.id");
    table.tinyint("position").unsigned().notNullable();
    table.primary(["session_id", "pilot_id"]);
  });
  await knex.schema.createTable("attempt", (table) => {
    id(table, "id").primary();
    id(table, "session_id").notNullable().references("session.id");
    id(table, "pilot_id").notNullable().references("pilot.id");
    table.string("step_id", 40).notNullable();
    table.string("direction", 12).notNullable();
    table.string("place", 12).notNullable();
    id(table, "setup_id").nullable().references("setup.id");
    table.string("outcome", 8).notNullable();
    table.json("faults").notNullable();
    moment(table, "flown_at").notNullable();
    moment(table, "undone_at").nullable();
    table.index(["pilot_id", "step_id", "flown_at"]);
  });
  await knex.schema.createTable("milestone", (table) => {
    id(table, "id").primary();
    id(table, "pilot_id").notNullable().references("pilot.id");
    table.string("step_id", 40).notNullable();
    id(table, "coach_id").notNullable().references("coach.id");
    table.json("evidence").notNullable();
    table.string("note", 500).notNullable();
    moment(table, "signed_at").notNullable();
    moment(table, "withdrawn_at").nullable();
    table.index(["pilot_id", "step_id"]);
  });
  await knex.schema.createTable("note", (table) => {
    id(table, "id").primary();
    id(table, "pilot_id").notNullable().references("pilot.id");
    id(table, "coach_id").notNullable().references("coach.id");
    table.text("text").notNullable();
    moment(table, "written_at").notNullable();
    moment(table, "removed_at").nullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of [
    "note",
    "milestone",
    "attempt",
    "session_pilot",
    "session",
    "setup",
    "aircraft",
    "pilot",
    "coach",
  ]) {
    await knex.schema.dropTable(table);
  }
}
