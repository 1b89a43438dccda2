import type { Knex } from "knex";

const ID = "char(36) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Pictures that lie under the plans of sites, written anew here: nothing of the file that was sent is kept. The plan says which one lies there. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("site_picture", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("site_id", ID).notNullable().references("site.id").onDelete("cascade").index();
    table.specificType("hash", "char(43) character set ascii collate ascii_bin").notNullable();
    table.specificType("jpeg", "mediumblob").notNullable();
    table.specificType("created_at", MOMENT).notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("site_picture");
}
