import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";

/** The sticks of a try in practice, packed, beside its attempt: it is flown again from them. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("kept_try", (table) => {
    table.specificType("attempt_id", ID).primary().references("attempt.id").onDelete("cascade");
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.specificType("packed", "mediumblob").notNullable();
    table.index(["pilot_id", "attempt_id"]);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("kept_try");
}
