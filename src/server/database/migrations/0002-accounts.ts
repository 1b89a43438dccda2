import type { Knex } from "knex";

const ascii = (length: number) => `char(${length}) character set ascii collate ascii_bin`;

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("account", (table) => {
    table.specificType("id", ascii(36)).primary();
    table.specificType("coach_id", ascii(36)).notNullable().unique().references("coach.id");
    // The name in the form in which it is compared, see accounts/names.ts.
    table.specificType("sign_in_name", "varchar(160) character set utf8mb4 collate utf8mb4_bin").notNullable().unique();
    table.string("password_hash", 255).notNullable();
    table.specificType("created_at", "datetime(3)").notNullable();
  });
  await knex.schema.createTable("sign_in", (table) => {
    table.specificType("id", ascii(36)).primary();
    table.specificType("account_id", ascii(36)).notNullable().references("account.id");
    table.specificType("token_hash", ascii(64)).notNullable().unique();
    table.string("device", 200).notNullable();
    table.specificType("created_at", "datetime(3)").notNullable();
    table.specificType("seen_at", "datetime(3)").notNullable();
  });
  await knex.schema.createTable("failed_sign_in", (table) => {
    // A hash of the account's name or of the address that tried.
    table.specificType("subject", ascii(64)).primary();
    table.integer("failures").unsigned().notNullable();
    table.specificType("last_at", "datetime(3)").notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ["failed_sign_in", "sign_in", "account"]) await knex.schema.dropTable(table);
}
