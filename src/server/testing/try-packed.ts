import { gzipSync } from "node:zlib";
import { airframePresets, CALM_AIR, createPractice, firstSettings, packTry, recipes } from "@/core";

/** The sticks of a short try at a slow flip, as a device sends them. */
export function tryPacked(): string {
  const recipe = recipes["flip-one-move-back"];
  const { airframe } = airframePresets["five-inch-freestyle"];
  const [settings, environment] = [firstSettings, { ...CALM_AIR, entryHeightM: 30 }];
  const practice = createPractice(recipe, airframe, settings, environment);
  practice.advance(0.4, { roll: 0.2, pitch: 0, yaw: 0, throttle: 0.4 });
  const drill = { id: "flip", recipe, task: { kind: "free" } } as const;
  return gzipSync(packTry({ record: practice.record(), drill, airframe, settings, environment })).toString("base64");
}
