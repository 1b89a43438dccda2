import { SEA_LEVEL_DENSITY_KGM3 } from "../atmosphere";
import type { Airframe } from "../airframe";
import { DEG_PER_RAD, RAD_PER_DEG, requireNumber } from "../numbers";
import { createDerivative } from "./dynamics";
import { levelState, STATE } from "./state";
import { createStep } from "./integrator";

const STEP_S = 1 / 500;
/** A finger lets a full stick go to the middle in so long, s. Common practice, no source. */
const LET_GO_S = 1 / 15;

/** Degrees that an aircraft rolls on from a rate after the stick begins to go back to the middle, level, at half thrust. */
export function runOnDeg(airframe: Airframe, rateDps: number): number {
  const medium = { airDensityKgM3: SEA_LEVEL_DENSITY_KGM3, windNorthMps: 0, windEastMps: 0 };
  const step = createStep(createDerivative(airframe, medium, true));
  const state = levelState(0, 0.25);
  const full = RAD_PER_DEG * requireNumber("rateDps", rateDps, 0, 5000);
  const now = Float64Array.of(full, 0, 0, 0.25);
  const next = Float64Array.from(now);
  for (let i = 0; i < 250; i++) step(state, now, next, STEP_S);
  let turned = 0;
  let most = 0;
  for (let i = 1; i <= 250; i++) {
    next[0] = Math.max(0, full * (1 - (i * STEP_S) / LET_GO_S));
    const before = state[STATE.p];
    step(state, now, next, STEP_S);
    turned += 0.5 * STEP_S * DEG_PER_RAD * (before + state[STATE.p]);
    most = Math.max(most, turned);
    now.set(next);
  }
  return most;
}
