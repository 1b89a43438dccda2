import { requireNumber } from "../numbers";
import { SEA_LEVEL_DENSITY_KGM3, STANDARD_GRAVITY_MPS2 } from "./air-density";
import { ISA } from "./standard";

const { seaLevelK, seaLevelPa, lapseKPerM, gasConstant } = ISA;
const SEA_LEVEL_HPA = seaLevelPa / 100;
const POWER = STANDARD_GRAVITY_MPS2 / (gasConstant * lapseKPerM);

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
  const share = (pressureHpa / SEA_LEVEL_HPA) ** (1 / POWER) - (lapseKPerM * elevationM) / seaLevelK;
  const pressurePa = seaLevelPa * share ** POWER;
  const density = pressurePa / (gasConstant * (temperatureC + 273.15));
  return (seaLevelK / lapseKPerM) * (1 - (density / SEA_LEVEL_DENSITY_KGM3) ** (1 / (POWER - 1)));
}
