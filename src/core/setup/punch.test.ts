import { airframePresets, idealAirframe, withMass, type Airframe } from "../airframe";
import { SEA_LEVEL_AIR } from "../atmosphere";
import { firstSettings } from "../flight";
import { throttleOut } from "../throttle";
import { fitAirframe } from "./measured";
import { flyPunch, punchLadder } from "./punch";
import { punchStick } from "./punch-stick";

const five = airframePresets["five-inch-freestyle"].airframe;
const noDrag = (airframe: Airframe): Airframe => ({
  ...idealAirframe(airframe),
  dragAreaM2: { x: 5e-5, y: 5e-5, z: 5e-5 },
  rotorUpS: 3e-3,
  rotorDownS: 3e-3,
  idleSpeedFraction: 0.01,
});
const ladder = (settings = firstSettings, airframe = five) =>
  punchLadder(airframe, settings, SEA_LEVEL_AIR, {
    stick: punchStick(airframe, settings, SEA_LEVEL_AIR)!,
    lateUsed: 0.8,
  });

it("is the textbook projectile where nothing but thrust and weight acts: v = (n − 1)·g·t, hang 2v/g, peak s + v²/2g", () => {
  const bare = noDrag(five);
  const command = throttleOut(firstSettings.throttle, punchStick(bare, firstSettings, SEA_LEVEL_AIR)!);
  const g = 9.80665;
  for (const punchS of [0.3, 0.75, 1.2]) {
    const flown = flyPunch({ airframe: bare, air: SEA_LEVEL_AIR, command, punchS });
    // Twice the weight climbs with one g; a motor of three milliseconds loses next to nothing.
    expect(flown.climbMps).toBeCloseTo(g * punchS, 1);
    expect(flown.hangS).toBeCloseTo((2 * flown.climbMps) / g, 1);
    expect(flown.peakM).toBeCloseTo(flown.climbedM + flown.climbMps ** 2 / (2 * g), 1);
  }
});

it("buys more with every rung, less late in the pack, and nothing of it without authority at idle", () => {
  const rungs = ladder();
  expect(rungs.map(({ punchS }) => punchS)).toEqual([0.3, 0.45, 0.6, 0.75, 0.9, 1.05, 1.2]);
  rungs.slice(1).forEach((rung, i) => {
    expect(rung.peakM).toBeGreaterThan(rungs[i].peakM);
    expect(rung.hangS).toBeGreaterThan(rungs[i].hangS);
    expect(rung.flips!).toBeGreaterThanOrEqual(rungs[i].flips!);
  });
  for (const { hangS, lateHangS } of rungs) expect(lateHangS).toBeLessThan(hangS);
  // About a second of punch buys a flip with time to catch it (common practice, no source).
  const [, , , , , second] = rungs;
  expect(second.hangS - second.flipS!).toBeGreaterThan(0.5);
  const { flipS, flips } = ladder({ ...firstSettings, modes: { ...firstSettings.modes, idleAuthority: false } })[3];
  expect([flipS, flips]).toEqual([null, null]);
});

it("holds a counted hang against what the rest says, and settles nothing with it", () => {
  const command = throttleOut(firstSettings.throttle, punchStick(five, firstSettings, SEA_LEVEL_AIR)!);
  const { hangS } = flyPunch({ airframe: five, air: SEA_LEVEL_AIR, command, punchS: 0.9 });
  const fitted = fitAirframe(
    five,
    [
      { kind: "hang", punchS: 0.9, command, hangS },
      { kind: "hang", punchS: 0.9, command, hangS: 0.8 * hangS },
    ],
    SEA_LEVEL_AIR,
  );
  expect(fitted.airframe).toEqual(five);
  expect(fitted.measured).toEqual([]);
  expect(fitted.residuals.map(({ share }) => share)).toEqual([expect.closeTo(0, 9), expect.closeTo(-0.2, 9)]);
});

it("refuses an aircraft that cannot hover, and a punch of no length", () => {
  const heavy = withMass(five, 20);
  expect(punchStick(heavy, firstSettings, SEA_LEVEL_AIR)).toBeNull();
  expect(() => punchLadder(heavy, firstSettings, SEA_LEVEL_AIR, { stick: 1, lateUsed: 0.8 })).toThrow(
    /too little thrust to hover/,
  );
  expect(() => flyPunch({ airframe: five, air: SEA_LEVEL_AIR, command: 1, punchS: 0 })).toThrow(/^punchS is 0/);
});
