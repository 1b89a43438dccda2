import { recipes } from "@/core";
import { directionWords, tricks } from ".";

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
