export { airframeRanges, commandForThrust, hoverCommand, requireAirframe, thrustFraction, withMass } from "./airframe";
export type { Airframe } from "./airframe";
export { airframePresets } from "./presets";
export type { AirframePreset } from "./presets";
