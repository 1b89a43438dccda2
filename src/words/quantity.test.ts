import { entryIn, formatQuantity, quantityText } from "./quantity";

it("shows metric and imperial figures; foot and ounce by NIST SP 811, appendix B", () => {
  expect(quantityText(8.4, "length", "metric")).toBe("8.4\u202fm");
  expect(quantityText(30.48, "length", "imperial")).toBe("100\u202fft");
  expect(quantityText(0.65, "mass", "metric")).toBe("650\u202fg");
  expect(quantityText(0.45359237, "mass", "imperial")).toBe("16.0\u202foz");
  expect(quantityText(667, "rate", "imperial")).toBe("667\u202f°/s");
});

it("writes a true minus, no minus zero, and a dash for what is not known", () => {
  expect(formatQuantity(-12.4, "angle", "metric")).toEqual({ value: "−12", unit: "°" });
  expect(formatQuantity(-0.2, "angle", "metric").value).toBe("0");
  expect(formatQuantity(null, "time", "metric")).toEqual({ value: "–", unit: "" });
  expect(formatQuantity(Number.NaN, "time", "metric").value).toBe("–");
});

describe("what is typed", () => {
  it("goes to SI and back, its range rounded inwards", () => {
    const feet = entryIn("length", "imperial");
    expect([feet.symbol, feet.text(30), feet.read(100)]).toEqual(["ft", "98.43", expect.closeTo(30.48, 9)]);
    expect(feet.range([0.5, 60])).toEqual([1.65, 196.85]);
    for (const end of feet.range([0.5, 60])) {
      expect(feet.read(end)).toBeGreaterThanOrEqual(0.5);
      expect(feet.read(end)).toBeLessThanOrEqual(60);
    }
    expect(entryIn("length", "metric").range([0.5, 60])).toEqual([0.5, 60]);
  });

  it("of temperatures has its zero elsewhere (NIST SP 811: 0 °C is 32 °F, 100 °C is 212 °F)", () => {
    const warm = entryIn("temperature", "imperial");
    expect([warm.shown(0), warm.shown(100)]).toEqual([32, 212]);
    expect(warm.read(-40)).toBeCloseTo(-40, 9);
    expect(quantityText(15, "temperature", "imperial")).toBe("59\u202f°F");
  });
});
