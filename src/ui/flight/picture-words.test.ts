import { airframePresets, CALM_AIR, draftBrief, firstSettings, fly, recipes } from "@/core";
import { pictureWords } from "./picture-words";

const { airframe } = airframePresets["five-inch-freestyle"];
const words = (id: string, tiltDeg: number) => {
  const { flight, recipe } = draftBrief(recipes[id], airframe, { ...firstSettings, tiltDeg }, CALM_AIR);
  return pictureWords(flight, recipe, "metric");
};

it("says from where a landing is flown blind, by time and distance", () => {
  expect(words("land-stop", 10)).toMatch(
    /^With this lens and tilt the spot leaves the picture \d\.\d.s in, \d\.\d.m off: from there it is flown blind\.$/,
  );
  expect(words("land-stop", 25)).toMatch(/^With this lens and tilt the spot is out of the picture from the start/);
});

it("names what is flown at, says when it comes back, and nothing of a trick that looks at nothing", () => {
  expect(words("bail-wall", 15)).toBe("In the picture with this lens and tilt: the wall, all the way.");
  expect(words("orbit-right", 25)).toMatch(
    /what it is flown round leaves the picture \d\.\d.s in, \d\.\d.m off, and is back \d\.\d.s in, \d\.\d.m off\.$/,
  );
  const flip = recipes["flip-one-move-back"];
  expect(pictureWords(fly(flip, airframe, firstSettings, CALM_AIR), flip, "metric")).toBeNull();
});
