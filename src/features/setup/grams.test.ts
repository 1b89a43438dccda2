import { gramsFrom } from "./grams";

it("takes a weight in the units chosen (NIST SP 811: an avoirdupois ounce is 28.349523125 g)", () => {
  expect(gramsFrom("25", "imperial")).toBe("708.7");
  expect(gramsFrom("712,5", "metric")).toBe("712,5");
  expect([gramsFrom("", "imperial"), gramsFrom("heavy", "imperial")]).toEqual(["", "heavy"]);
});
