import { recipes } from "@/core";
import { builtInSyllabus, directionWords, findStep, recipeOf, tricks, type School } from ".";

it("reaches every recipe of the model from exactly one trick, and no recipe that is not there", () => {
  const reached = tricks.flatMap(({ variants }) => variants.flatMap((variant) => Object.values(variant.recipes)));
  expect([...reached].sort()).toEqual(Object.keys(recipes).sort());
});

it("names each direction, and what each side gains where there are two ways", () => {
  for (const { variants, looksAt } of tricks) {
    expect(looksAt.length).toBeGreaterThan(0);
    for (const variant of variants) {
      expect(Object.keys(variant.recipes).every((direction) => directionWords[direction])).toBe(true);
      if (variants.length > 1) expect(variant.gains).not.toBe("");
    }
  }
});

it("gives up what turns over as the school does: turned on, or levelled by a switch", () => {
  const way = (school: School) =>
    recipeOf(findStep(builtInSyllabus, "flip-slow")!, "back", { school, own: [] })!.abort[0].id;
  expect([way({}), way({ trouble: "fly-out" }), way({ trouble: "level-switch" })]).toEqual([
    "keep-turning",
    "keep-turning",
    "level-switch",
  ]);
});
