import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";
const MEASURED = ["cruise_mps", "reach_share", "stick_length_mm"];

/**
 * Check flights (sense, drift, noise, heat) beside crash checks, tilt readings with their spread, open defects, how the camera is mounted, and the
 * pilot's own cruise speed, reach and stick length.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("aircraft_check", (table) => {
    table.string("props", 12).nullable().alter();
    table.double("tilt_spread_deg").nullable();
    for (const found of ["sense", "drift", "noise", "heat"]) table.string(found, 12).nullable();
  });
  await knex.schema.createTable("aircraft_defect", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("aircraft_id", ID).notNullable().references("aircraft.id");
    table.specificType("coach_id", ID).notNullable().references("coach.id");
    table.string("kind", 12).notNullable();
    table.string("what", 200).notNullable();
    table.specificType("found_at", MOMENT).notNullable();
    table.specificType("mended_at", MOMENT).nullable();
    table.index(["aircraft_id", "mended_at"], "defect_open");
  });
  await knex.schema.alterTable("aircraft", (table) => {
    table.string("mount", 12).nullable();
  });
  await knex.schema.alterTable("pilot", (table) => {
    for (const measured of MEASURED) table.double(measured).nullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("pilot", (table) => {
    for (const measured of MEASURED) table.dropColumn(measured);
  });
  await knex.schema.alterTable("aircraft", (table) => {
    table.dropColumn("mount");
  });
  await knex.schema.dropTable("aircraft_defect");
  await knex("aircraft_check").whereNull("props").delete();
  await knex.schema.alterTable("aircraft_check", (table) => {
    table.string("props", 12).notNullable().alter();
    for (const found of ["tilt_spread_deg", "sense", "drift", "noise", "heat"]) table.dropColumn(found);
  });
}
