import type { Knex } from "knex";

/**
 * What line an attempt was at and where it broke. The step of lines is flown in lines of two, three and five tricks: what was counted there before is
 * counted as two, but where a squad has a syllabus of its own. Its digests are made anew when the application starts.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("attempt", (table) => {
    table.json("line").nullable();
  });
  await countedAs(knex, "on", "two");
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("attempt", (table) => {
    table.dropColumn("line");
  });
  await countedAs(knex, "two", "on");
}

async function countedAs(knex: Knex, was: string, is: string): Promise<void> {
  const builtIn = knex("pilot")
    .select("id")
    .whereNotExists((own) => void own.from("syllabus").whereRaw("syllabus.squad_id = pilot.squad_id"));
  await knex("attempt")
    .where({ step_id: "lines", direction: was })
    .whereIn("pilot_id", builtIn)
    .update({ direction: is });
  await knex("step_digest").where({ step_id: "lines" }).delete();
}
