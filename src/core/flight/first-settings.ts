import type { Settings } from "./settings";

/** Where a new aircraft starts: rates for first flips (about 670 °/s), throttle free, 15° of tilt. Common practice, no source. */
export const firstSettings: Settings = {
  rates: {
    roll: { family: "base-rise", base: 1, rise: 0.7, expo: 0.1 },
    pitch: { family: "base-rise", base: 1, rise: 0.7, expo: 0.1 },
    yaw: { family: "base-rise", base: 1, rise: 0.6, expo: 0 },
  },
  throttle: { mid: 0.3, expo: 0.2, limit: { kind: "off", fraction: 1 } },
  tiltDeg: 15,
  camera: { verticalFovDeg: 90, aspect: 4 / 3 },
  modes: { idleAuthority: true, bankLimitDeg: null, selfLevel: false },
};
