/** Constants of the standard atmosphere (ISO 2533:1975): sea level, the lapse of the troposphere, the gas constant of dry air. */
export const ISA = { seaLevelK: 288.15, seaLevelPa: 101325, lapseKPerM: 0.0065, gasConstant: 287.05287 } as const;
