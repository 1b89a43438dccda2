import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { requireNumber } from "../numbers";

/** Constants of the ISO 2533 standard atmosphere. */
const SEA_LEVEL_K = 288.15;
const SEA_LEVEL_HPA = 1013.25;
const LAPSE_K_PER_M = 0.0065;
const GAS_CONSTANT = 287.05287;
const SEA_LEVEL_DENSITY = 1.225;
const POWER = STANDARD_GRAVITY_MPS2 / (GAS_CONSTANT * LAPSE_K_PER_M);

export interface AirOfPlace {
  /** Ground above sea level, m. */
  readonly elevationM: number;
  readonly temperatureC: number;
  /** As forecasts and airfields give it: reduced to sea level by the standard atmosphere. 1013.25 where it is not known. */
  readonly pressureHpa?: number;
}

/**
 * Height in the standard atmosphere (ISO 2533) at which the air is as thin as here, m: pressure by the standard atmosphere from what is
 * reduced to sea level, density by the gas law for dry air. Damp air is thinner by up to some 1 %, about 100 m: left out.
 */
export function densityAltitudeM({ elevationM, temperatureC, pressureHpa = SEA_LEVEL_HPA }: AirOfPlace): number {
  requireNumber("elevationM", elevationM, -500, 9000);
  requireNumber("temperatureC", temperatureC, -90, 60);
  requireNumber("pressureHpa", pressureHpa, 850, 1100);
  const share = (pressureHpa / SEA_LEVEL_HPA) ** (1 / POWER) - (LAPSE_K_PER_M * elevationM) / SEA_LEVEL_K;
  const pressurePa = 100 * SEA_LEVEL_HPA * share ** POWER;
  const density = pressurePa / (GAS_CONSTANT * (temperatureC + 273.15));
  return (SEA_LEVEL_K / LAPSE_K_PER_M) * (1 - (density / SEA_LEVEL_DENSITY) ** (1 / (POWER - 1)));
}
