import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Recordings of sticks and gyro, in packed pieces, and with them what was found in them. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("recording", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    // With which it was flown; a setup that is gone leaves it without one.
    table.specificType("setup_id", ID).nullable().references("setup.id").onDelete("set null");
    table.string("name", 120).notNullable();
    table.specificType("sha256", "char(64) character set ascii collate ascii_bin").notNullable();
    table.integer("bytes").unsigned().notNullable();
    table.integer("packed_bytes").unsigned().notNullable();
    table.specificType("recorded_at", MOMENT).nullable();
    table.json("mapping").nullable();
    table.json("found").nullable();
    table.specificType("clock_at", MOMENT).nullable();
    table.string("kept_by", 80).notNullable();
    table.boolean("kept_by_pilot").notNullable();
    table.specificType("created_at", MOMENT).notNullable();
    // Null as long as pieces are lacking.
    table.specificType("whole_at", MOMENT).nullable();
    // The same file is kept once for a pilot.
    table.unique(["pilot_id", "sha256"]);
  });
  await knex.schema.createTable("recording_piece", (table) => {
    table.specificType("recording_id", ID).notNullable().references("recording.id").onDelete("cascade");
    table.smallint("number").unsigned().notNullable();
    table.integer("bytes").unsigned().notNullable();
    table.specificType("packed", "mediumblob").notNullable();
    table.primary(["recording_id", "number"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ["recording_piece", "recording"]) await knex.schema.dropTable(table);
}
