import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/**
 * What the field leaves behind: aircraft checked after a crash, who ended a session, pilots who left one early, notes for coaches only. Crashes from
 * before this count as looked after.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("aircraft_check", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("aircraft_id", ID).notNullable().references("aircraft.id");
    table.specificType("coach_id", ID).notNullable().references("coach.id");
    table.string("props", 12).notNullable();
    table.double("tilt_deg").nullable();
    table.specificType("checked_at", MOMENT).notNullable();
  });
  await knex.schema.alterTable("aircraft", (table) => {
    table.specificType("cleared_at", MOMENT).notNullable().defaultTo(knex.raw("current_timestamp(3)"));
  });
  await knex.schema.alterTable("session", (table) => {
    table.specificType("ended_by", ID).nullable();
    table.json("begun_against").nullable();
  });
  await knex.schema.alterTable("session_pilot", (table) => {
    table.specificType("left_at", MOMENT).nullable();
  });
  await knex.schema.alterTable("note", (table) => {
    table.boolean("for_coaches").notNullable().defaultTo(false);
  });
  await knex.schema.alterTable("attempt", (table) => {
    table.index(["pilot_id", "outcome", "flown_at"], "attempt_of_outcome");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("attempt", (table) => {
    table.dropIndex(["pilot_id", "outcome", "flown_at"], "attempt_of_outcome");
  });
  await knex.schema.alterTable("note", (table) => {
    table.dropColumn("for_coaches");
  });
  await knex.schema.alterTable("session_pilot", (table) => {
    table.dropColumn("left_at");
  });
  await knex.schema.alterTable("session", (table) => {
    table.dropColumn("ended_by");
    table.dropColumn("begun_against");
  });
  await knex.schema.alterTable("aircraft", (table) => {
    table.dropColumn("cleared_at");
  });
  await knex.schema.dropTable("aircraft_check");
}
