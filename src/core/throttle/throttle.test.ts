import fc from "fast-check";
import { stickForThrottle, throttleOut, type ThrottleProfile } from ".";

const off = { kind: "off", fraction: 1 } as const;
const anyProfile: fc.Arbitrary<ThrottleProfile> = fc.record({
  mid: fc.double({ min: 0, max: 1, noNaN: true }),
  expo: fc.double({ min: 0, max: 0.99, noNaN: true }),
  limit: fc.record({
    kind: fc.constantFrom("off" as const, "scale" as const, "clip" as const),
    fraction: fc.double({ min: 0.25, max: 1, noNaN: true }),
  }),
});

it("keeps the ends and the mid, with slope 1 − expo at the mid", () => {
  const profile = { mid: 0.3, expo: 0.6, limit: off };
  expect(throttleOut(profile, 0)).toBeCloseTo(0, 12);
  expect(throttleOut(profile, 0.3)).toBe(0.3);
  expect(throttleOut(profile, 1)).toBeCloseTo(1, 12);
  expect((throttleOut(profile, 0.3001) - throttleOut(profile, 0.2999)) / 0.0002).toBeCloseTo(0.4, 4);
});

it("scales or clips to the limit", () => {
  const at = (kind: "scale" | "clip", stick: number) =>
    throttleOut({ mid: 0.5, expo: 0, limit: { kind, fraction: 0.6 } }, stick);
  expect([at("scale", 1), at("scale", 0.5), at("clip", 1), at("clip", 0.5)]).toEqual([0.6, 0.3, 0.6, 0.5]);
});

it("never falls with the stick, stays in 0..1, and its inverse finds the command again", () => {
  fc.assert(
    fc.property(anyProfile, fc.double({ min: 0, max: 1, noNaN: true }), (profile, stick) => {
      const out = throttleOut(profile, stick);
      expect(out).toBeGreaterThanOrEqual(-1e-12);
      expect(out).toBeLessThanOrEqual(1 + 1e-12);
      expect(throttleOut(profile, stick * 0.9)).toBeLessThanOrEqual(out + 1e-12);
      expect(
        throttleOut(profile, stickForThrottle(profile, Math.max(0, Math.min(out, throttleOut(profile, 1))))),
      ).toBeCloseTo(out, 6);
    }),
  );
});

it("says when the limit keeps a command out of reach", () => {
  expect(() => stickForThrottle({ mid: 0.5, expo: 0, limit: { kind: "clip", fraction: 0.6 } }, 0.9)).toThrow(
    /out is 0.9; allowed: 0 to 0.6/,
  );
});
