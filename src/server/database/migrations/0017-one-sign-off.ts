import type { Knex } from "knex";

/** Of one step of a pilot one sign-off stands, the first; the database sees to it. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(
    `update milestone later join milestone earlier
      on earlier.pilot_id = later.pilot_id and earlier.step_id = later.step_id
      and earlier.withdrawn_at is null and later.withdrawn_at is null
      and (earlier.signed_at < later.signed_at or (earlier.signed_at = later.signed_at and earlier.id < later.id))
      set later.withdrawn_at = later.signed_at`,
  );
  await knex.raw(
    "alter table milestone add column standing_step varchar(40) as (if(withdrawn_at is null, step_id, null)) persistent",
  );
  // An index of its own first: the key of pilots leans on one that begins with the pilot.
  await knex.schema.alterTable("milestone", (table) => {
    table.unique(["pilot_id", "standing_step"], { indexName: "milestone_standing_unique" });
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("milestone", (table) => {
    table.index(["pilot_id"], "milestone_pilot_again");
    table.dropUnique(["pilot_id", "standing_step"], "milestone_standing_unique");
    table.dropColumn("standing_step");
  });
}
