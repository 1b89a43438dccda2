import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, fly, recipes } from "../recipes";
import { findTricks, modelWay, readTape, tapeOfTrace, writeTape, type FoundTrick } from ".";
import { byLikeness } from "./find-tricks";
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

it("what the turning leaves unsure is made surer by its likeness, what is unlike stays unsure, and what is sure is left", () => {
  const flip = found("flip-ease-end-front");
  const unsure = { ...flip, confidence: 0.35 };
  const surer = byLikeness(unsure, flownWith);
  expect(surer.confidence).toBeGreaterThan(0.5);
  expect(surer.confidence).toBeLessThan(flip.confidence);
  const jerky = flip.measures.rateByShareDps.map((_, i) => (i % 4 === 0 ? 900 : 10));
  const unlike = { ...unsure, measures: { ...flip.measures, rateByShareDps: jerky } };
  expect(byLikeness(unlike, flownWith)).toBe(unlike);
  expect(byLikeness({ ...unsure, kind: "unknown" }, flownWith).confidence).toBe(0.35);
  expect(byLikeness(flip, flownWith)).toBe(flip);
});

it("flights written one after the other are read again as one recording, with the tricks of each", () => {
  const { trace } = fly(recipes["flip-one-move-back"], airframe, firstSettings, { ...CALM_AIR, entryHeightM: 60 });
  const { tape } = tapeOfTrace(trace);
  const read = readTape(writeTape([tape, tape]));
  expect(read.timeS).toHaveLength(2 * tape.timeS.length);
  // A model has no noise: its gyro stands still, and nothing else is odd.
  expect(new Set(read.warnings.map(({ kind }) => kind))).toEqual(new Set(["silent"]));
  expect(read.gyroDps.pitch[400]).toBeCloseTo(tape.gyroDps.pitch[400], 3);
  const [one] = findTricks(tape, flownBy);
  expect(findTricks(read, flownBy)).toMatchObject([
    { kind: "flip", direction: "back", turns: 1 },
    { kind: "flip", direction: "back", turns: 1 },
  ]);
  expect(findTricks(read, flownBy)[1].measures.stopErrorDeg).toBeCloseTo(one.measures.stopErrorDeg!, 0);
});
