export {
  airframeRanges,
  commandForThrust,
  densityRatio,
  fullThrustG,
  hoverCommand,
  idealAirframe,
  requireAirframe,
  rotorThrustN,
  thrustFraction,
  withMass,
} from "./airframe";
export type { Airframe, BatterySag } from "./airframe";
export { loadedAirframe } from "./load";
export type { Load } from "./load";
export { airframePresets, completedAirframe } from "./presets";
export type { AirframePreset } from "./presets";
export { inducedSpeedMps, rotorSpeedForThrust, rotorThrust } from "./rotor";
