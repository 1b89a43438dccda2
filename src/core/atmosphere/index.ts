export { airDensity, SEA_LEVEL_AIR, SEA_LEVEL_DENSITY_KGM3, STANDARD_GRAVITY_MPS2 } from "./air-density";
export type { Air } from "./air-density";
export {
  airOfDay,
  coarseDay,
  dayAirRanges,
  densityOfDay,
  requireDayAir,
  STANDARD_DAY,
  standardTemperatureC,
} from "./day-air";
export type { DayAir } from "./day-air";
export { densityAltitudeM } from "./density-altitude";
export type { AirOfPlace } from "./density-altitude";
