import type { Settings } from "../flight";

/** A first-flips set-up: 667 °/s, 20° of tilt. For tests and benchmarks. */
export const firstFlips: Settings = {
  rates: {
    roll: { family: "base-super", base: 1, super: 0.7, expo: 0.1 },
    pitch: { family: "base-super", base: 1, super: 0.7, expo: 0.1 },
    yaw: { family: "base-super", base: 1, super: 0.6, expo: 0 },
  },
  throttle: { mid: 0.3, expo: 0.2, limit: { kind: "off", fraction: 1 } },
  tiltDeg: 20,
  camera: { verticalFovDeg: 90, aspect: 4 / 3 },
  modes: { idleAuthority: true, bankLimitDeg: null, selfLevel: false },
};
