import type { Knex } from "knex";

/** Whether any digest of a pilot changed since it was read, told from the index alone. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("step_digest", (table) => {
    table.bigint("revision").unsigned().notNullable().defaultTo(0);
    table.index(["pilot_id", "revision"], "step_digest_revision");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("step_digest", (table) => {
    table.dropIndex(["pilot_id", "revision"], "step_digest_revision");
    table.dropColumn("revision");
  });
}
