import type { Knex } from "knex";

const ascii = (length: number) => `char(${length}) character set ascii collate ascii_bin`;

/** A second factor by one-time codes (RFC 6238), and the recovery codes of who lost it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("account", (table) => {
    // Pending until a code of it was typed once.
    for (const secret of ["totp_secret", "totp_pending"]) table.specificType(secret, ascii(32)).nullable();
    // The last time step whose code was taken: none is taken twice.
    table.bigInteger("totp_step").nullable();
    table.specificType("totp_since", "datetime(3)").nullable();
  });
  await knex.schema.createTable("recovery_code", (table) => {
    table.specificType("code_hash", ascii(64)).primary();
    table.specificType("account_id", ascii(36)).notNullable().references("account.id").onDelete("cascade");
    table.specificType("used_at", "datetime(3)").nullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("recovery_code");
  await knex.schema.alterTable("account", (table) => {
    for (const column of ["totp_secret", "totp_pending", "totp_step", "totp_since"]) table.dropColumn(column);
  });
}
