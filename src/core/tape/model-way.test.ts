import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, fly, recipes } from "../recipes";
import { findTricks, modelWay, readTape, type FoundTrick } from ".";
import { flownTape } from "./testing/flown-tape";
import { madeUpPack } from "./testing/made-up-pack";

const { airframe } = airframePresets["five-inch-freestyle"];
const flownWith = { airframe, settings: firstSettings };
const flownBy = { rates: firstSettings.rates, tiltDeg: firstSettings.tiltDeg };
const found = (id: string): FoundTrick => {
  const flight = fly(recipes[id], airframe, firstSettings, { ...CALM_AIR, entryHeightM: 60 });
  return findTricks(readTape(flownTape(flight, { hz: 500, noiseDps: 0.5, biasDps: 0.7 })), flownBy)[0];
};

it.each([
  "flip-slow-back",
  "flip-ease-quarter-front",
  "flip-one-move-back",
  "flip-ease-end-front",
  "speed-mix-back",
  "roll-pure-left",
  "roll-level-right",
])("of the flips and rolls of the library %s is most like itself", (id) => {
  const way = modelWay(found(id), flownWith)!;
  expect(way.recipe).toBe(id);
  expect(way.likeness).toBeGreaterThan(0.97);
  expect(way.picture.turnedDeg.at(-1)).toBeGreaterThan(330);
});

it("another maker's flip is less like it, and what no trick of the library flies has no way", () => {
  const { text } = madeUpPack([{ kind: "flip", side: 1, turns: 1 }], { hz: 500, seed: 4 });
  const [flip] = findTricks(readTape(text), flownBy);
  const way = modelWay(flip, flownWith)!;
  expect(way.trick.kind).toBe("flip");
  expect(way.likeness).toBeGreaterThan(0.4);
  expect(way.likeness).toBeLessThan(0.97);
  expect(modelWay({ ...flip, turns: 3 }, flownWith)).toBeNull();
  expect(modelWay({ ...flip, kind: "unknown" }, flownWith)).toBeNull();
});
