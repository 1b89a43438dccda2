import { blockKinds } from "@/core";
import { blockNames, capital, chancePercent, percent } from ".";

it.each([
  [0, "0 %"],
  [0.004, "0 %"],
  [0.455, "46 %"],
  [1, "100 %"],
])("a share of %d is %s", (share, text) => {
  expect(percent(share)).toBe(text);
});

it("a chance is never certain, however near it comes", () => {
  expect(chancePercent(0.9999)).toBe("99 %");
  expect(chancePercent(1)).toBe("99 %");
  expect(chancePercent(0.72)).toBe("72 %");
});

it("a sentence begins with a capital letter, also of another alphabet, and nothing else of it changes", () => {
  expect(capital("slow flip, then Split-S")).toBe("Slow flip, then Split-S");
  expect(capital("über den Pfannen")).toBe("Über den Pfannen");
  expect(capital("")).toBe("");
});

it("every kind of block has a name of its own", () => {
  expect(new Set(blockKinds.map((kind) => blockNames[kind])).size).toBe(blockKinds.length);
});
