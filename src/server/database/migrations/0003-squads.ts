import type { Knex } from "knex";
import { v7 as newId } from "uuid";

const ID = "char(36) character set ascii collate ascii_bin";
const HASH = "char(64) character set ascii collate ascii_bin";
const MOMENT = "datetime(3)";

/** Squads and who coaches them, pilots' own accounts, invitations, requests for a sign-off, the trail and the bin. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("squad", (table) => {
    table.specificType("id", ID).primary();
    table.string("name", 80).notNullable();
    table.integer("version").unsigned().notNullable().defaultTo(1);
    table.specificType("created_at", MOMENT).notNullable();
  });
  await knex.schema.createTable("squad_coach", (table) => {
    table.specificType("squad_id", ID).notNullable().references("squad.id");
    table.specificType("coach_id", ID).notNullable().references("coach.id");
    table.boolean("owner").notNullable();
    table.specificType("since", MOMENT).notNullable();
    table.primary(["squad_id", "coach_id"]);
  });
  for (const table of ["pilot", "session"]) {
    await knex.schema.alterTable(table, (change) => {
      change.specificType("squad_id", ID).nullable().references("squad.id");
    });
  }
  await knex.schema.alterTable("pilot", (table) => table.specificType("removed_at", MOMENT).nullable());
  await knex.schema.alterTable("aircraft", (table) => table.specificType("removed_at", MOMENT).nullable());
  await knex.schema.alterTable("milestone", (table) => table.specificType("brought_in_at", MOMENT).nullable());
  await oneSquadForAll(knex);
  for (const table of ["pilot", "session"]) await knex.raw(`alter table ${table} modify squad_id ${ID} not null`);
  await knex.raw(`alter table session modify coach_id ${ID} null`);
  await knex.raw(`alter table account modify coach_id ${ID} null`);
  await knex.schema.alterTable("account", (table) => {
    table.specificType("pilot_id", ID).nullable().unique().references("pilot.id");
  });
  await knex.schema.createTable("invitation", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("token_hash", HASH).notNullable().unique();
    table.string("kind", 10).notNullable();
    table.specificType("squad_id", ID).nullable().references("squad.id");
    table.specificType("pilot_id", ID).nullable().references("pilot.id");
    table.specificType("account_id", ID).nullable().references("account.id").onDelete("cascade");
    table.specificType("coach_id", ID).nullable().references("coach.id");
    table.specificType("created_at", MOMENT).notNullable();
    table.specificType("expires_at", MOMENT).notNullable();
    table.specificType("used_at", MOMENT).nullable();
    table.specificType("revoked_at", MOMENT).nullable();
  });
  await knex.schema.createTable("sign_off_request", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("pilot_id", ID).notNullable().references("pilot.id");
    table.string("step_id", 40).notNullable();
    table.string("message", 500).notNullable();
    table.specificType("asked_at", MOMENT).notNullable();
    table.specificType("answered_at", MOMENT).nullable();
    table.string("answer", 500).nullable();
    table.index(["pilot_id", "step_id"]);
  });
  // Who did what. No references: it outlives what it tells of, except an erased record.
  await knex.schema.createTable("trail", (table) => {
    table.specificType("id", ID).primary();
    table.specificType("at", MOMENT).notNullable();
    table.specificType("squad_id", ID).nullable();
    table.specificType("pilot_id", ID).nullable();
    table.string("who", 80).notNullable();
    table.string("deed", 40).notNullable();
    table.string("says", 400).notNullable();
    table.index(["squad_id", "at"]);
    table.index("pilot_id");
  });
}

/** Records from before there were squads become one squad, owned by the first coach and shared with the others. */
async function oneSquadForAll(knex: Knex): Promise<void> {
  const coaches: { id: string; name: string }[] = await knex("coach").orderBy(["created_at", "id"]);
  if (coaches.length === 0) return;
  const now = new Date();
  const squad = { id: newId(), name: "The squad", created_at: now };
  await knex("squad").insert(squad);
  await knex("squad_coach").insert(
    coaches.map(({ id }, i) => ({ squad_id: squad.id, coach_id: id, owner: i === 0, since: now })),
  );
  for (const table of ["pilot", "session"]) await knex(table).update({ squad_id: squad.id });
}

/** Goes back to coaches only: pilots' accounts, and sessions that pilots flew by themselves, have no place there. */
export async function down(knex: Knex): Promise<void> {
  for (const table of ["trail", "sign_off_request", "invitation"]) await knex.schema.dropTable(table);
  const alone = knex("session").select("id").whereNull("coach_id");
  await knex("attempt").whereIn("session_id", alone.clone()).delete();
  await knex("session_pilot").whereIn("session_id", alone.clone()).delete();
  await knex("session").whereNull("coach_id").delete();
  await knex("sign_in").whereIn("account_id", knex("account").select("id").whereNull("coach_id")).delete();
  await knex("account").whereNull("coach_id").delete();
  await knex.schema.alterTable("account", (table) => {
    table.dropForeign("pilot_id");
    table.dropColumn("pilot_id");
  });
  await knex.raw(`alter table account modify coach_id ${ID} not null`);
  await knex.raw(`alter table session modify coach_id ${ID} not null`);
  await knex.schema.alterTable("milestone", (table) => table.dropColumn("brought_in_at"));
  await knex.schema.alterTable("aircraft", (table) => table.dropColumn("removed_at"));
  await knex.schema.alterTable("pilot", (table) => table.dropColumn("removed_at"));
  for (const table of ["pilot", "session"]) {
    await knex.schema.alterTable(table, (change) => {
      change.dropForeign("squad_id");
      change.dropColumn("squad_id");
    });
  }
  for (const table of ["squad_coach", "squad"]) await knex.schema.dropTable(table);
}
