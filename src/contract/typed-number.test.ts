import { typedNumber } from "./typed-number";

it.each([
  ["3", 3],
  [" 3,5 ", 3.5],
  ["3.5", 3.5],
  ["−2", -2],
  ["-2,25", -2.25],
  ["1e3", 1000],
])("reads %s as people write it", (text, value) => {
  expect(typedNumber(text)).toBe(value);
});

it.each(["", "  ", "x", "3 m", "1,2,3", "--1"])("takes %j for no number", (text) => {
  expect(typedNumber(text)).toBeNaN();
});
