import type { Knex } from "knex";

/**
 * Deeds and reasons are kept as kinds with their names and numbers. What was kept as a sentence stays one and can be read: a deed in `says`, the
 * reason of a block as one that was said.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("trail", (table) => {
    table.json("done").nullable();
    table.string("pilot_name", 80).nullable();
    table.string("says", 400).nullable().alter();
  });
  await changeBlocks(knex, ({ why, ...block }) => ({
    ...block,
    reason: typeof why === "string" && why !== "" ? { kind: "said", says: why } : null,
  }));
}

/** A deed kept as a kind only is told by the name of its kind. */
export async function down(knex: Knex): Promise<void> {
  await changeBlocks(knex, ({ reason, ...block }) => ({ ...block, why: sentenceOf(reason) }));
  await knex.raw("update trail set says = replace(deed, '-', ' ') where says is null");
  await knex.schema.alterTable("trail", (table) => {
    table.dropColumn("done");
    table.dropColumn("pilot_name");
    table.string("says", 400).notNullable().alter();
  });
}

type Block = Readonly<Record<string, unknown>>;

async function changeBlocks(knex: Knex, change: (block: Block) => Block): Promise<void> {
  const rows: { session_id: string; pilot_id: string; plan: unknown }[] = await knex("session_pilot")
    .select("session_id", "pilot_id", "plan")
    .whereNotNull("plan");
  for (const { session_id, pilot_id, plan } of rows) {
    const kept = (typeof plan === "string" ? JSON.parse(plan) : plan) as { readonly blocks: readonly Block[] };
    await knex("session_pilot")
      .where({ session_id, pilot_id })
      .update({ plan: JSON.stringify({ ...kept, blocks: kept.blocks.map(change) }) });
  }
}

function sentenceOf(reason: unknown): string {
  if (typeof reason !== "object" || reason === null) return "";
  const { kind, says } = reason as { readonly kind: string; readonly says?: string };
  return says ?? kind.replaceAll("-", " ");
}
