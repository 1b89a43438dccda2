import {
  airframePresets,
  CALM_AIR,
  drawRun,
  fitOwnErrors,
  firstSettings,
  fly,
  recipes,
  solveTrick,
  usualErrors,
  type PilotErrors,
  type ScatterPlan,
} from "@/core";

/**
 * How often the interval about a pilot's own hands holds what they are, on the flight model itself: attempts are drawn from known hands, measured, and the
 * hands fitted to them. Wanted: 85 of 100 for each error.
 */

const ATTEMPTS = 20;
const trials = Number(process.argv[2] ?? 40);
const airframe = airframePresets["five-inch-freestyle"].airframe;
const usual = usualErrors(4);
const truths: readonly (readonly [string, Partial<PilotErrors>])[] = [
  ["as usual", {}],
  ["late by more", { timingS: 1.6 * usual.timingS, lateS: 0.015 }],
];
const names = ["timingS", "gain", "centring", "stickNoise", "lateS"] as const;

const { recipe } = solveTrick(recipes["flip-one-move-back"], airframe, firstSettings, CALM_AIR);
const plan: Omit<ScatterPlan, "errors"> = {
  recipe,
  airframe,
  settings: firstSettings,
  environment: { ...CALM_AIR, entryHeightM: 40 },
  stopWithinDeg: 15,
  seed: 5,
};

for (const [name, change] of truths) {
  const truth = { ...usual, ...change };
  const held = Object.fromEntries(names.map((one) => [one, 0])) as Record<(typeof names)[number], number>;
  let fitted = 0;
  for (let trial = 0; trial < trials; trial++) {
    const drawn = { ...plan, errors: truth, seed: 1000 + trial };
    const measures = Array.from({ length: ATTEMPTS }, (_, run) => {
      const { slips, environment } = drawRun(drawn, run);
      return fly(recipe, airframe, firstSettings, environment, undefined, slips).measures;
    });
    const own = fitOwnErrors(plan, usual, {
      stopErrorDeg: measures.flatMap(({ stopErrorDeg }) => stopErrorDeg ?? []),
      heightLostM: measures.map(({ heightLostM }) => heightLostM),
    });
    if (!own) continue;
    fitted++;
    for (const one of names) if (own.low[one] <= truth[one] && truth[one] <= own.high[one]) held[one]++;
  }
  const shares = names.map((one) => `${one} ${Math.round((100 * held[one]) / Math.max(1, fitted))} %`);
  console.log(`  hands ${name}: ${fitted} fits from ${ATTEMPTS} attempts; the interval holds ${shares.join(", ")}`);
}
