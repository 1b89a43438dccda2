import { airOfDay, CALM_AIR, coarseDay, type DayAir, type Environment, type ObstacleKind } from "@/core";
import type { AtSite } from "@/ui/site/at-site";

/** What the coach sets about a flight besides the trick itself. */
export interface Surroundings {
  /** Start height this height; null for the lowest safe one. */
  readonly entryHeightM: number | null;
  /** Wind from ahead (head wind positive) and from the right, m/s. */
  readonly headWindMps: number;
  readonly crossWindMps: number;
  readonly elevationM: number;
  /** Null for standard. */
  readonly temperatureC: number | null;
  readonly ceilingM: number | null;
  readonly obstacle: {
    readonly kind: ObstacleKind;
    readonly alongM: number;
    readonly acrossM: number;
    readonly heightM: number;
    readonly widthM: number;
  } | null;
  /** Where it is flown, with what stands there; null for open ground. */
  readonly atSite: AtSite | null;
}

/** The air of a day, made coarse as everywhere, faced; nothing that stands about. */
export function surroundingsOn(day: DayAir): Surroundings {
  const { elevationM, temperatureC, windMps } = coarseDay(day);
  return {
    entryHeightM: null,
    headWindMps: windMps,
    crossWindMps: 0,
    elevationM,
    temperatureC,
    ceilingM: null,
    obstacle: null,
    atSite: null,
  };
}

/** Sizes that an obstacle begins with. Estimates of ours. */
export const usualObstacles: Readonly<Record<ObstacleKind, NonNullable<Surroundings["obstacle"]>>> = {
  pole: { kind: "pole", alongM: 20, acrossM: 3, heightM: 6, widthM: 0.2 },
  tree: { kind: "tree", alongM: 20, acrossM: 4, heightM: 8, widthM: 5 },
  bar: { kind: "bar", alongM: 20, acrossM: 0, heightM: 3, widthM: 4 },
  gap: { kind: "gap", alongM: 20, acrossM: 0, heightM: 6, widthM: 2 },
  wall: { kind: "wall", alongM: 30, acrossM: 0, heightM: 3, widthM: 10 },
  building: { kind: "building", alongM: 35, acrossM: 0, heightM: 6, widthM: 10 },
};

/** The model's environment for these surroundings. Every flight begins heading north, so that a head wind blows south. */
export function environmentOf(surroundings: Surroundings): Environment {
  const { elevationM, temperatureC } = surroundings;
  const air = airOfDay({ elevationM, temperatureC, windMps: 0 });
  return {
    ...CALM_AIR,
    siteElevationM: air.heightM,
    isaOffsetK: air.isaOffsetK,
    windNorthMps: surroundings.headWindMps === 0 ? 0 : -surroundings.headWindMps,
    windEastMps: surroundings.crossWindMps === 0 ? 0 : -surroundings.crossWindMps,
    ceilingM: surroundings.ceilingM,
    obstacles: [...(surroundings.obstacle ? [surroundings.obstacle] : []), ...(surroundings.atSite?.obstacles ?? [])],
  };
}
