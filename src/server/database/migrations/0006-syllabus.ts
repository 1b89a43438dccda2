import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** A squad's own syllabus in versions, schools of squads and pilots, what is kept of attempts beside their outcome, and digests of them by step. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("syllabus", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("squad_id", ID).notNullable().references("squad.id");
    table.integer("number").unsigned().notNullable();
    table.json("document").notNullable();
    table.string("reason", 300).notNullable();
    table.specificType("coach_id", ID).notNullable().references("coach.id");
    table.specificType("created_at", MOMENT).notNullable();
    table.unique(["squad_id", "number"]);
  });
  await knex.schema.alterTable("squad", (table) => {
    table.json("school").nullable();
  });
  await knex.schema.alterTable("pilot", (table) => {
    table.json("school").nullable();
  });
  await knex.schema.alterTable("attempt", (table) => {
    table.smallint("pack").unsigned().nullable();
    table.double("minutes").nullable();
    table.json("measured").nullable();
  });
  // Can be made anew from the attempts at any time; see repositories/digests.ts.
  await knex.schema.createTable("step_digest", (table) => {
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.string("step_id", 40).notNullable();
    table.smallint("format").unsigned().notNullable();
    table.json("digest").notNullable();
    table.json("recent").notNullable();
    table.specificType("last_at", MOMENT).nullable();
    table.primary(["pilot_id", "step_id"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ["step_digest", "syllabus"]) await knex.schema.dropTable(table);
  await knex.schema.alterTable("attempt", (table) => {
    for (const column of ["pack", "minutes", "measured"]) table.dropColumn(column);
  });
  for (const name of ["pilot", "squad"]) await knex.schema.alterTable(name, (table) => table.dropColumn("school"));
}
