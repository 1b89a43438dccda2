import { requireNumber } from "../numbers";
import { airDensity, type Air } from "./air-density";

/** The air of a flying day at a place. */
export interface DayAir {
  /** Ground above sea level, m. */
  readonly elevationM: number;
  /** Of the air; null for what the standard atmosphere has at this elevation. */
  readonly temperatureC: number | null;
  readonly windMps: number;
}

export const dayAirRanges = {
  elevationM: [-450, 4500],
  temperatureC: [-40, 50],
  windMps: [0, 40],
} as const satisfies Record<keyof DayAir, readonly [number, number]>;

/** Standard air at sea level, calm. */
export const STANDARD_DAY: DayAir = { elevationM: 0, temperatureC: null, windMps: 0 };

/** Temperature of the standard atmosphere at an elevation, °C: 15 at sea level, 6.5 less every 1,000 m (ISO 2533). */
export const standardTemperatureC = (elevationM: number): number => 15 - 0.0065 * elevationM;

/** Returns the day when every field is in range, else throws a DomainError naming the field. */
export function requireDayAir(day: DayAir): DayAir {
  requireNumber("elevationM", day?.elevationM, ...dayAirRanges.elevationM);
  if (day.temperatureC !== null) requireNumber("temperatureC", day.temperatureC, ...dayAirRanges.temperatureC);
  requireNumber("windMps", day.windMps, ...dayAirRanges.windMps);
  return day;
}

/** The still air of a day, for density. */
export function airOfDay(day: DayAir): Air {
  const { elevationM, temperatureC } = requireDayAir(day);
  return {
    heightM: elevationM,
    isaOffsetK: temperatureC === null ? 0 : temperatureC - standardTemperatureC(elevationM),
  };
}

/** Density of the air of a day, kg/m³. */
export const densityOfDay = (day: DayAir): number => airDensity(airOfDay(day));

const ELEVATION_M = 100;
const TEMPERATURE_K = 5;
const WIND_MPS = 1;

/**
 * The same day in whole hundreds of metres, fives of degrees and whole metres a second, each to the side of thinner air and more wind: so that figures
 * worked out in the morning still hold a little later.
 */
export function coarseDay(day: DayAir): DayAir {
  const { elevationM, temperatureC, windMps } = requireDayAir(day);
  const up = (value: number, step: number, most: number) => Math.min(most, Math.ceil(value / step - 1e-9) * step + 0);
  return {
    elevationM: up(elevationM, ELEVATION_M, dayAirRanges.elevationM[1]),
    temperatureC: temperatureC === null ? null : up(temperatureC, TEMPERATURE_K, dayAirRanges.temperatureC[1]),
    windMps: up(windMps, WIND_MPS, dayAirRanges.windMps[1]),
  };
}
