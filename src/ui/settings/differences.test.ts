import { firstSettings } from "@/core";
import { differencesInWords } from "./differences";

it("is silent about equal settings and says each change with its figures", () => {
  expect(differencesInWords(firstSettings, firstSettings)).toEqual([]);
  const faster = {
    ...firstSettings,
    tiltDeg: 25,
    rates: { ...firstSettings.rates, pitch: { family: "base-rise", base: 1, rise: 0.75, expo: 0.1 } as const },
    throttle: { ...firstSettings.throttle, limit: { kind: "scale", fraction: 0.7 } as const },
  };
  expect(differencesInWords(firstSettings, faster)).toEqual([
    "pitch end 667 → 800, half stick 140 → 146 °/s",
    "throttle limit off → scale 70\u202f%",
    "tilt 15° → 25°",
  ]);
});
