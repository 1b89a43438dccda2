import type { Knex } from "knex";

/** What each pilot is to fly in a session and in which turns; when a session was begun, null while it is only prepared. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("session_pilot", (table) => {
    table.json("plan").nullable();
  });
  await knex.schema.alterTable("session", (table) => {
    table.specificType("begun_at", "datetime(3)").nullable();
  });
  await knex("session").update({ begun_at: knex.ref("started_at") });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("session", (table) => table.dropColumn("begun_at"));
  await knex.schema.alterTable("session_pilot", (table) => table.dropColumn("plan"));
}
