import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Pictures that lie under the plans of sites, written anew here: nothing of the file that was sent is kept. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("site_picture", (table) => {
    // That of the site.
    table.specificType("id", ID).primary().references("site.id").onDelete("cascade");
    table.specificType("hash", "char(43) character set ascii collate ascii_bin").notNullable();
    table.specificType("jpeg", "mediumblob").notNullable();
    table.specificType("saved_at", MOMENT).notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("site_picture");
}
