import type { Knex } from "knex";
import { type Airframe, completedAirframe, DomainError, fitAirframe, type Measurement, SEA_LEVEL_AIR } from "@/core";

const json = <T>(value: unknown): T => (typeof value === "string" ? JSON.parse(value) : value) as T;

/** Fits once more what was measured; where that no longer fits together, the estimate stands until somebody looks at it. */
function refitted(estimate: Airframe, measurements: readonly Measurement[]): Airframe {
  try {
    return fitAirframe(estimate, measurements, SEA_LEVEL_AIR).airframe;
  } catch (error) {
    if (error instanceof DomainError) return estimate;
    throw error;
  }
}

/** Airframes get the numbers that the flight model asks for since: estimates of their kind. Each remembers for which model it was gone over. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("aircraft", (table) => {
    table.smallint("model_version").unsigned().notNullable().defaultTo(1);
  });
  const rows: { id: string; preset_id: string; airframe: unknown; estimate: unknown; measurements: unknown }[] =
    await knex("aircraft").select("id", "preset_id", "airframe", "estimate", "measurements");
  for (const row of rows) {
    const whole = (kept: unknown) => completedAirframe(json<Partial<Airframe>>(kept), row.preset_id);
    const measurements = row.measurements === null ? [] : json<Measurement[]>(row.measurements);
    const estimate = row.estimate === null ? null : whole(row.estimate);
    const airframe = estimate === null ? whole(row.airframe) : refitted(estimate, measurements);
    await knex("aircraft")
      .where({ id: row.id })
      .update({ airframe: JSON.stringify(airframe), estimate: estimate && JSON.stringify(estimate) });
  }
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("aircraft", (table) => table.dropColumn("model_version"));
}
