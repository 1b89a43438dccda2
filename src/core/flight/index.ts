export { COMMAND_SIZE, createDerivative, levelState, STATE, STATE_SIZE, YAW_SHARE_LIMIT } from "./dynamics";
export type { Derivative, FlightMedium } from "./dynamics";
export { createStep } from "./integrator";
export type { Step } from "./integrator";
export { MODEL_VERSION } from "./model-version";
export { runOnDeg } from "./run-on";
export { firstSettings } from "./first-settings";
export { knownSettings, requireSettings, settingsRanges } from "./settings";
export type { Lens, Modes, Settings } from "./settings";
