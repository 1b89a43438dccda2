import type { Knex } from "knex";

/**
 * How a squad counts days and judges marks: time zone, how sure advice must be, whether marks count attended attempts only; null for the usual. And
 * squads that were deleted, which can be brought back.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("squad", (table) => {
    table.json("rules").nullable();
    table.specificType("removed_at", "datetime(3)").nullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("squad", (table) => {
    table.dropColumn("rules");
    table.dropColumn("removed_at");
  });
}
