import fc from "fast-check";
import { byServerClock } from "./device-clock";

const NOW = Date.UTC(2026, 10, 28, 12);
const DAY = 24 * 3_600_000;
/** How far a device's clock may be off: by seconds, hours, or set to another year. */
const wrong = fc.oneof(
  fc.integer({ min: -100_000, max: 100_000 }),
  fc.integer({ min: -DAY, max: DAY }),
  fc.integer({ min: -20 * 365 * DAY, max: 20 * 365 * DAY }),
);

it("finds when something was done, however wrong the device's clock is, as long as it is as wrong when it sends", () => {
  fc.assert(
    fc.property(wrong, fc.integer({ min: 0, max: 300 * DAY }), (offMs, agoMs) => {
      const found = byServerClock(NOW - agoMs + offMs, NOW + offMs, NOW);
      // A clock that is off by less than two minutes is taken at its word.
      expect(Math.abs(found - (NOW - agoMs))).toBeLessThanOrEqual(Math.abs(offMs) < 120_000 ? Math.abs(offMs) : 0);
    }),
  );
});

it("never believes in the future, nor in what lies further back than any phone waits", () => {
  fc.assert(
    fc.property(fc.maxSafeInteger(), fc.option(fc.maxSafeInteger()), (doneAtMs, deviceNowMs) => {
      const found = byServerClock(doneAtMs, deviceNowMs, NOW);
      expect(found).toBeLessThanOrEqual(NOW);
      expect(found).toBeGreaterThanOrEqual(NOW - 400 * DAY);
    }),
  );
});

it("takes a device that does not say what its clock shows at its word", () => {
  expect(byServerClock(NOW - 5000, null, NOW)).toBe(NOW - 5000);
  expect(byServerClock(NOW - 5000, undefined, NOW)).toBe(NOW - 5000);
});

it("keeps the order of what one device did", () => {
  fc.assert(
    fc.property(wrong, fc.array(fc.integer({ min: 0, max: 10 * DAY }), { minLength: 2 }), (offMs, agoMs) => {
      const done = [...agoMs].sort((a, b) => b - a).map((ago) => byServerClock(NOW - ago + offMs, NOW + offMs, NOW));
      expect(done).toEqual([...done].sort((a, b) => a - b));
    }),
  );
});
