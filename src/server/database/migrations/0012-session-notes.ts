import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";

/** A note may be written in a session. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("note", (table) => {
    table.specificType("session_id", ID).nullable().references("session.id").onDelete("set null");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("note", (table) => {
    table.dropForeign(["session_id"]);
    table.dropColumn("session_id");
  });
}
