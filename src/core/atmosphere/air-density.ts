import { requireNumber } from "../numbers";
import { ISA } from "./standard";

/** Standard gravity in m/s² (ISO 80000-3). */
export const STANDARD_GRAVITY_MPS2 = 9.80665;

/** Air of a place: geopotential height above sea level and how much warmer than standard it is. */
export interface Air {
  readonly heightM: number;
  readonly isaOffsetK: number;
}

/** Density of the standard atmosphere at sea level in kg/m³ (ISO 2533). */
export const SEA_LEVEL_DENSITY_KGM3 = 1.225;

export const SEA_LEVEL_AIR: Air = { heightM: 0, isaOffsetK: 0 };

/**
 * Air density in kg/m³: pressure of the ISO 2533 standard atmosphere (troposphere) at this height over the
 * gas constant times the temperature, which the offset shifts. Height −500 to 11 000 m, offset −60 to 60 K.
 */
export function airDensity({ heightM, isaOffsetK }: Air): number {
  requireNumber("heightM", heightM, -500, 11000);
  requireNumber("isaOffsetK", isaOffsetK, -60, 60);
  const { seaLevelK, seaLevelPa, lapseKPerM, gasConstant } = ISA;
  const standardK = seaLevelK - lapseKPerM * heightM;
  const pressurePa = seaLevelPa * Math.pow(standardK / seaLevelK, STANDARD_GRAVITY_MPS2 / (gasConstant * lapseKPerM));
  return pressurePa / (gasConstant * (standardK + isaOffsetK));
}
