import type { Knex } from "knex";

/** How a squad counts days and judges marks: time zone, how sure advice must be, whether marks count attended attempts only. Null for the usual. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("squad", (table) => {
    table.json("rules").nullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("squad", (table) => {
    table.dropColumn("rules");
  });
}
