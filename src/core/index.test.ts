import * as core from ".";

const { airframe } = core.airframePresets["five-inch-freestyle"];
const curve = { family: "base-rise", base: 1, rise: 0.7, expo: 0 } as const;
const profile = { mid: 0.3, expo: 0.3, limit: { kind: "scale", fraction: 0.7 } } as const;
const camera = { tiltDeg: 30, verticalFovDeg: 90, aspect: 4 / 3 };
const level = { w: 1, x: 0, y: 0, z: 0 };
const flip = core.recipes["flip-slow-back"];

/** The names that scripts call from outside, each with what it is called with. */
const calls: Readonly<Record<string, () => unknown>> = {
  rateDps: () => core.rateDps(curve, 0.5),
  stickForRate: () => core.stickForRate(curve, 300),
  fitCurve: () => core.fitCurve(curve, "end-cubic"),
  throttleOut: () => core.throttleOut(profile, 0.5),
  stickForThrottle: () => core.stickForThrottle(profile, 0.4),
  airDensity: () => core.airDensity({ heightM: 1000, isaOffsetK: 5 }),
  thrustFraction: () => core.thrustFraction(airframe, 0.5),
  commandForThrust: () => core.commandForThrust(airframe, 0.5),
  "verticalFovDeg, diagonal": () => core.verticalFovDeg({ diagonalDeg: 140, aspect: 4 / 3 }),
  "verticalFovDeg, horizontal": () => core.verticalFovDeg({ horizontalDeg: 110, aspect: 16 / 9 }),
  horizonInFrame: () => core.horizonInFrame(level, camera),
  groundShare: () => core.groundShare(level, camera),
  cruise: () => core.cruise(airframe, 25, core.SEA_LEVEL_AIR),
  levelTurnRates: () => core.levelTurnRates(30, 90),
  viewRollRates: () => core.viewRollRates(30, 360),
  backFacingOrbit: () => core.backFacingOrbit({ tiltDeg: 25, viewElevationDeg: 30, viewRollDeg: 20 }),
  fly: () => core.fly(flip, airframe, core.firstSettings, core.CALM_AIR).measures,
  solve: () => core.solve(flip, flip.solveFor[0].aim, airframe, core.firstSettings, core.CALM_AIR),
  wayOut: () => core.wayOut(flip, airframe, core.firstSettings, core.CALM_AIR),
  scatter: () => core.scatter(flip, airframe, core.firstSettings, core.CALM_AIR, { runs: 3 }),
};

it.each(Object.keys(calls))("%s answers with plain data and finite numbers", (name) => {
  const answer = calls[name]();
  expect(structuredClone(answer)).toEqual(answer);
  JSON.stringify(answer, (key, value: unknown) => {
    if (typeof value === "number") expect([key, Number.isFinite(value)]).toEqual([key, true]);
    return value;
  });
});

it.each<[string, () => unknown, RegExp]>([
  ["rateDps", () => core.rateDps(curve, 1.2), /^stick is 1.2; allowed: -1 to 1$/],
  ["stickForRate", () => core.stickForRate(curve, Number.NaN), /^rateDps is NaN/],
  ["throttleOut", () => core.throttleOut({ ...profile, mid: -1 }, 0.5), /mid is -1/],
  ["stickForThrottle", () => core.stickForThrottle(profile, 0.9), /^out is 0.9; allowed: 0 to 0.7$/],
  ["airDensity", () => core.airDensity({ heightM: Infinity, isaOffsetK: 0 }), /^heightM is Infinity/],
  ["commandForThrust", () => core.commandForThrust(airframe, 2), /^fraction is 2; allowed: 0 to 1$/],
  ["cruise", () => core.cruise(airframe, 95, core.SEA_LEVEL_AIR), /^tiltDeg is 95/],
  ["levelTurnRates", () => core.levelTurnRates(Number.NaN, 90), /^tiltDeg is NaN/],
  ["fly", () => core.fly(flip, { ...airframe, massKg: 0 }, core.firstSettings, core.CALM_AIR), /massKg is 0/],
])("%s refuses what is out of range, naming field, value and range", (_, call, message) => {
  expect(call).toThrow(RangeError);
  expect(call).toThrow(message);
});
