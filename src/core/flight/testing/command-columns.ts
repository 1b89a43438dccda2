import { seededRandom } from "../../numbers";
import type { FlightMedium } from "../dynamics";

/** Ten columns of commands at 500 Hz with the aircraft and air they are flown in: calm and windy, gentle and saturated, each preset twice. */
export interface CommandColumn {
  readonly preset: string;
  readonly idleAuthority: boolean;
  readonly medium: FlightMedium;
  /** Four numbers a step: body rates, rad/s, and thrust fraction. One row more than there are steps. */
  readonly commands: Float64Array;
}

export const COLUMN_STEPS = 1000;
/** States are kept after every so many steps. */
export const KEPT_EVERY = 250;

const presets = ["indoor-65", "ducted-two-and-half-inch", "three-inch", "five-inch-freestyle", "seven-inch"];

export const commandColumns: readonly CommandColumn[] = Array.from({ length: 10 }, (_, k) => {
  const uniform = seededRandom(1000 + k);
  const reach = k < 5 ? 4 : 14;
  const commands = new Float64Array(4 * (COLUMN_STEPS + 1));
  const now = [0, 0, 0, 0.2];
  for (let n = 0; n <= COLUMN_STEPS; n++) {
    if (n % 100 === 0) {
      for (let axis = 0; axis < 3; axis++) now[axis] = reach * (2 * uniform() - 1);
      now[3] = uniform() < 0.3 ? 0 : uniform();
    }
    commands.set(now, 4 * n);
  }
  return {
    preset: presets[k % presets.length],
    idleAuthority: k % 3 !== 2,
    medium: {
      airDensityKgM3: k % 2 === 0 ? 1.225 : 1.0581,
      windNorthMps: k % 4 === 1 ? 5 : 0,
      windEastMps: k % 4 === 3 ? -3.5 : 0,
    },
    commands,
  };
});
