import type { Knex } from "knex";

/** The air that tricks are worked out for: how high a site lies, and how warm and windy a session was; how fast a pilot reacts. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("site", (table) => {
    table.double("elevation_m").nullable();
  });
  await knex.schema.alterTable("session", (table) => {
    table.double("temperature_c").nullable();
    table.double("wind_mps").nullable();
  });
  await knex.schema.alterTable("pilot", (table) => {
    table.double("reaction_s").nullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("pilot", (table) => table.dropColumn("reaction_s"));
  await knex.schema.alterTable("session", (table) => table.dropColumns("temperature_c", "wind_mps"));
  await knex.schema.alterTable("site", (table) => table.dropColumn("elevation_m"));
}
