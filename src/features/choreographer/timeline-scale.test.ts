import fc from "fast-check";
import { lanes, LEFT, RIGHT, scaleOf, STRIP, ticksOf, WIDTH, type Lane } from "./timeline-scale";

const anyScale = fc.record({
  domainS: fc.double({ min: 0.2, max: 40, noNaN: true }),
  quiet: fc.subarray([...lanes]).map((some) => new Set<Lane>(some)),
});

it("finds times and stick positions again where it put them", () => {
  fc.assert(
    fc.property(
      anyScale,
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.constantFrom(...lanes),
      ({ domainS, quiet }, share, lane) => {
        const scale = scaleOf(domainS, quiet);
        expect(scale.sAt(scale.x(share * domainS))).toBeCloseTo(share * domainS, 9);
        const stick = lane === "throttle" ? share : 2 * share - 1;
        expect(scale.stickAt(lane, scale.y(lane, stick))).toBeCloseTo(stick, 9);
      },
    ),
  );
});

it("keeps every lane apart, within the drawing, and a pointer that leaves one within its stick", () => {
  fc.assert(
    fc.property(anyScale, fc.constantFrom(...lanes), ({ domainS, quiet }, lane) => {
      const scale = scaleOf(domainS, quiet);
      scale.lanes.forEach(({ top, height }, i) => {
        expect(top).toBeGreaterThan(i === 0 ? STRIP : scale.lanes[i - 1].top + scale.lanes[i - 1].height);
        expect(top + height).toBeLessThanOrEqual(scale.bottom);
      });
      expect(scale.x(0)).toBe(LEFT);
      expect(scale.x(domainS)).toBeCloseTo(WIDTH - RIGHT, 9);
      expect(scale.stickAt(lane, -1e4)).toBe(1);
      expect(scale.stickAt(lane, 1e4)).toBe(lane === "throttle" ? 0 : -1);
      expect(scale.y(lane, 1)).toBeLessThan(scale.y(lane, 0));
    }),
  );
});

it("marks no more times than can be read", () => {
  for (const domainS of [0.3, 2, 5.5, 18, 41]) {
    const ticks = ticksOf(domainS);
    expect(ticks[0]).toBe(0);
    expect(ticks.length).toBeLessThanOrEqual(15);
    expect(ticks.at(-1)!).toBeLessThanOrEqual(domainS);
  }
});
