import { formatQuantity, quantityText } from "./quantity";

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
