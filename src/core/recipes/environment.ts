import { airDensity, airOfDay, coarseDay, type Air, type DayAir } from "../atmosphere";
import type { GustPlan } from "./gusts";
import type { Obstacle } from "./obstacles";

/** Where and in what air a trick is flown. */
export interface Environment {
  /** Height above the ground at which the trick begins, m. */
  readonly entryHeightM: number;
  /** Ground above sea level, m, and warmth against the standard atmosphere, K. */
  readonly siteElevationM: number;
  readonly isaOffsetK: number;
  /** Velocity of the air, m/s. */
  readonly windNorthMps: number;
  readonly windEastMps: number;
  /** Standard deviation of the noise on the sticks of the pilot's eye, share of full stick, and its seed. */
  readonly stickNoise: number;
  readonly seed: number;
  /** Share of the pack that is used when the flight begins, 0 full to 1 empty; absent for a full one. */
  readonly packUsed?: number;
  /** Seed of the shake in the aircraft's own wake; absent for none. */
  readonly shakeSeed?: number;
  /** How the wind comes and goes for what is flown by hand; absent for an even wind. What the model flies is flown in an even one. */
  readonly gusts?: GustPlan;
  /** What stands about besides what the recipe brings. */
  readonly obstacles?: readonly Obstacle[];
  /** Local ceiling above the ground, m; null or absent for none known. */
  readonly ceilingM?: number | null;
}

export const MOST_WIND_MPS = 60;

export const CALM_AIR: Environment = {
  entryHeightM: 20,
  siteElevationM: 0,
  isaOffsetK: 0,
  windNorthMps: 0,
  windEastMps: 0,
  stickNoise: 0,
  seed: 1,
};

/** The air of a flight: that of the site's ground, since a trick is small against the atmosphere. */
export const airOf = ({ siteElevationM, isaOffsetK }: Environment): Air => ({ heightM: siteElevationM, isaOffsetK });

export const densityOf = (environment: Environment): number => airDensity(airOf(environment));

/** The same air with the wind across the line of entry, from the left where `leastMps` is positive, and no slower than that. */
export function acrossWind(environment: Environment, leastMps: number): Environment {
  const { windNorthMps, windEastMps } = environment;
  const windMps = Math.min(MOST_WIND_MPS, Math.max(Math.abs(leastMps), Math.hypot(windNorthMps, windEastMps)));
  return { ...environment, windNorthMps: 0, windEastMps: Math.sign(leastMps) * windMps };
}

/** Where the wind comes from as the pilot faces at the start. */
export type Facing = "into-wind" | "downwind" | "wind-from-left" | "wind-from-right";

/** The environment of a trick on a day, made coarse, begun facing the wind if nothing else is said. */
export function environmentOn(day: DayAir, facing: Facing = "into-wind"): Environment {
  const coarse = coarseDay(day);
  const { heightM, isaOffsetK } = airOfDay(coarse);
  const { windMps } = coarse;
  const [north, east] = towards[facing];
  return {
    ...CALM_AIR,
    siteElevationM: heightM,
    isaOffsetK,
    windNorthMps: north * windMps + 0,
    windEastMps: east * windMps + 0,
  };
}

/** Every flight begins heading north, so that a head wind blows south. */
const towards: Readonly<Record<Facing, readonly [north: number, east: number]>> = {
  "into-wind": [-1, 0],
  downwind: [1, 0],
  "wind-from-left": [0, 1],
  "wind-from-right": [0, -1],
};
