import rk4 from "ode-rk4";
import {
  airframePresets,
  draftBrief,
  CALM_AIR,
  COMMAND_SIZE,
  createDerivative,
  createStep,
  fly,
  levelState,
  recipes,
  firstSettings,
  scatterRuns,
  usualErrors,
  type ScatterPlan,
} from "@/core";

/** RK4 steps a second of the flight model beside a generic ODE library on the same problem, in one run. */

const STEPS = 300_000;
const DT_S = 1 / 500;
const RESTART = 2000;
const ROUNDS = 6;
const airframe = airframePresets["five-inch-freestyle"].airframe;
const medium = { airDensityKgM3: 1.225, windNorthMps: 0, windEastMps: 0 };
/** Made anew for every flight of RESTART steps, as `fly` does. */
const newDerivative = () => createDerivative(airframe, medium, true);
const command = Float64Array.from([2, 4, 1, 0.2]);
const start = () => levelState(50, 1 / airframe.thrustToWeight);

const contenders = {
  ours: () => {
    const step = createStep(newDerivative());
    const state = start();
    for (let i = 0; i < RESTART; i++) step(state, command, command, DT_S);
  },
  generic: () => {
    const derivative = newDerivative();
    rk4(start(), (out, y) => derivative(y, command, out), 0, DT_S).steps(RESTART);
  },
};

/** Fastest of several rounds, the contenders taking turns so that the compiler and the machine treat them alike. */
function fastest(): Record<keyof typeof contenders, number> {
  const best = { ours: 0, generic: 0 };
  for (let round = 0; round < ROUNDS; round++) {
    for (const name of ["ours", "generic"] as const) {
      const from = performance.now();
      for (let n = 0; n < STEPS; n += RESTART) contenders[name]();
      best[name] = Math.max(best[name], (1000 * STEPS) / (performance.now() - from));
    }
  }
  return best;
}

const { ours, generic } = fastest();
const perSecond = (value: number) => `${(value / 1000).toFixed(0).padStart(6)} thousand steps/s`;
console.log(`  ours          ${perSecond(ours)}`);
console.log(
  `  ode-rk4       ${perSecond(generic)}   ours is ${(ours / generic).toFixed(2)} times as fast (same derivative, same steps)`,
);
if (command.length !== COMMAND_SIZE) throw new Error("the command layout has changed");

const recipe = recipes["flip-ease-quarter-back"];
const time = (name: string, count: number, run: () => void) => {
  run();
  const from = performance.now();
  for (let n = 0; n < count; n++) run();
  console.log(`  ${name.padEnd(13)} ${((performance.now() - from) / count).toFixed(1)} ms`);
};
time("one flight", 50, () => fly(recipe, airframe, firstSettings, CALM_AIR));
time("one brief", 3, () => draftBrief(recipe, airframe, firstSettings, CALM_AIR));

const slowFlip = draftBrief(recipes["flip-slow-back"], airframe, firstSettings, CALM_AIR);
const scatter: ScatterPlan = {
  recipe: slowFlip.recipe,
  airframe,
  settings: firstSettings,
  environment: { ...CALM_AIR, entryHeightM: slowFlip.entryHeightM },
  errors: usualErrors(4),
  stopWithinDeg: 15,
  seed: 1,
};
const SCATTERED = 200;
scatterRuns(scatter, 0, SCATTERED);
const scatterFrom = performance.now();
scatterRuns(scatter, 0, SCATTERED);
const perRunMs = (performance.now() - scatterFrom) / SCATTERED;
const { durationS } = slowFlip.flight.measures;
console.log(
  `  scatter       1000 runs of ${durationS.toFixed(1)} s: ${perRunMs.toFixed(1)} s on one core, ${(perRunMs / ((1000 * durationS) / DT_S / ours)).toFixed(1)} times the bare integration`,
);

const largest = Object.values(recipes)
  .flatMap((one) => {
    try {
      const { trace } = fly(one, airframe, firstSettings, { ...CALM_AIR, entryHeightM: 60 });
      return [{ id: one.id, kilobytes: JSON.stringify(trace).length / 1000 }];
    } catch {
      // Not with these settings.
      return [];
    }
  })
  .reduce((most, one) => (one.kilobytes > most.kilobytes ? one : most));
console.log(`  largest trace ${largest.kilobytes.toFixed(0)} kB as text (${largest.id}; limit 2000 kB)`);
