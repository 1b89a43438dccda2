import type { Knex } from "knex";

/** The second number of the first rate family, which steepens the ends, is called rise. */
export async function up(knex: Knex): Promise<void> {
  await rename(knex, ["base-super", "super"], ["base-rise", "rise"]);
}

export async function down(knex: Knex): Promise<void> {
  await rename(knex, ["base-rise", "rise"], ["base-super", "super"]);
}

type Names = readonly [family: string, key: string];

async function rename(knex: Knex, [wasFamily, wasKey]: Names, [family, key]: Names): Promise<void> {
  const rows: { id: string; settings: string | object }[] = await knex("setup").select("id", "settings");
  for (const { id, settings } of rows) {
    const kept = (typeof settings === "string" ? JSON.parse(settings) : settings) as {
      readonly rates: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
    };
    if (!Object.values(kept.rates).some((curve) => curve.family === wasFamily)) continue;
    const rates = Object.fromEntries(
      Object.entries(kept.rates).map(([axis, curve]) => {
        const { [wasKey]: second, ...rest } = curve;
        return [axis, curve.family === wasFamily ? { ...rest, family, [key]: second } : curve];
      }),
    );
    await knex("setup")
      .where({ id })
      .update({ settings: JSON.stringify({ ...kept, rates }) });
  }
}
