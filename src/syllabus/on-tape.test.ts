import { airframePresets, CALM_AIR, findTricks, firstSettings, fly, readTape, type Recipe } from "@/core";

import { flownTape } from "@/core/tape/testing/flown-tape";
import { recipeOf } from "./flown";
import { onTape } from "./on-tape";
import { builtInSyllabus } from "./syllabus";

const { airframe } = airframePresets["five-inch-freestyle"];
const flownBy = { rates: firstSettings.rates, tiltDeg: firstSettings.tiltDeg };
const found = (recipe: Recipe) => {
  const flight = fly(recipe, airframe, firstSettings, { ...CALM_AIR, entryHeightM: 60 });
  return findTricks(readTape(flownTape(flight, { hz: 100, noiseDps: 0.5 })), flownBy);
};

const ways = builtInSyllabus.steps.flatMap((step) =>
  step.directions.flatMap(({ id }) => {
    const { kinds, direction } = onTape(step, id);
    return kinds.length === 0 ? [] : [{ step, id, kinds, direction }];
  }),
);

it("what a tap may be called in a recording is what the model's own flight of it is called, on its own side", () => {
  const missed = ways.flatMap(({ step, id, kinds, direction }) => {
    const tricks = found(recipeOf(step, id, { school: {}, own: [] })!);
    const met = tricks.some((one) => kinds.includes(one.kind) && (direction === null || one.direction === direction));
    return met ? [] : [`${step.id} ${id}: ${tricks.map((one) => `${one.kind} ${one.direction}`).join(", ")}`];
  });
  expect(ways.length).toBeGreaterThan(60);
  expect(missed).toEqual([]);
});

it("what turns nothing over is looked for in no recording", () => {
  for (const id of ["fp-hover", "slalom", "lines"]) {
    const step = builtInSyllabus.steps.find((one) => one.id === id)!;
    expect(onTape(step, step.directions[0].id)).toEqual({ kinds: [], direction: null });
  }
});
