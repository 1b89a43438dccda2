import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Sites drawn to scale: every site has a plan, those that were there before an empty one. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("site_plan", (table) => {
    // That of the site.
    table.specificType("id", ID).primary().references("site.id").onDelete("cascade");
    table.integer("version").unsigned().notNullable().defaultTo(1);
    table.json("plan").nullable();
    table.string("saved_by", 80).nullable();
    table.specificType("saved_at", MOMENT).nullable();
  });
  await knex.raw("insert into site_plan (id) select id from site");
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("site_plan");
}
