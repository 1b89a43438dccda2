import type { Knex } from "knex";

/** What one pilot flew in a session is found without reading what everybody else flew there, and counted from the index alone. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("attempt", (table) => {
    table.index(["session_id", "pilot_id", "undone_at"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("attempt", (table) => {
    // The reference to the session needs an index; its own went when the longer one came.
    table.index(["session_id"], "attempt_session_id_foreign");
    table.dropIndex(["session_id", "pilot_id", "undone_at"]);
  });
}
