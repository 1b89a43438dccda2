import { airDensity, STANDARD_GRAVITY_MPS2 } from ".";

it("has the standard gravity of ISO 80000-3", () => expect(STANDARD_GRAVITY_MPS2).toBe(9.80665));

// ISO 2533:1975 tables, to the four figures given there.
it.each([
  [0, 1.225],
  [1000, 1.1116],
  [1500, 1.0581],
  [3000, 0.9091],
])("gives the ISO 2533 density at %d m", (heightM, expected) => {
  expect(airDensity({ heightM, isaOffsetK: 0 })).toBeCloseTo(expected, 3.7);
});

it("is thinner on a warm day, by the ideal gas law at equal pressure", () => {
  const standard = airDensity({ heightM: 0, isaOffsetK: 0 });
  expect(airDensity({ heightM: 0, isaOffsetK: 20 })).toBeCloseTo((standard * 288.15) / 308.15, 10);
});

it("names the field that is out of range", () => {
  expect(() => airDensity({ heightM: Number.NaN, isaOffsetK: 0 })).toThrow(/^heightM is NaN; allowed: -500 to 11000$/);
  expect(() => airDensity({ heightM: 0, isaOffsetK: 200 })).toThrow(RangeError);
});
