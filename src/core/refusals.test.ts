import * as core from ".";

const { airframe } = core.airframePresets["five-inch-freestyle"];
const curve = { family: "centre-end", centreDps: 120, endDps: 700, expo: 0.3 } as const;
const rates = { roll: curve, pitch: curve, yaw: curve };
const profile = { mid: 0.3, expo: 0.3, limit: { kind: "scale", fraction: 0.7 } } as const;
const camera = { tiltDeg: 30, verticalFovDeg: 90, aspect: 4 / 3 };
const level = { w: 1, x: 0, y: 0, z: 0 };
const air = core.SEA_LEVEL_AIR;
const vector = { x: 1, y: 2, z: 3 };
const grip = { stickLengthMm: 20, throwDeg: 25 };
const flip = core.recipes["flip-one-move-back"];
const counted = { clean: 5, all: 9 };

const place = { latitudeDeg: 53, longitudeDeg: 5 };
const corners = [0, 1, 2, 3].map((i) => ({ eastM: i === 1 || i === 2 ? 60 : 0, northM: i > 1 ? 70 : 0 }));
const line = core.courses["stop-line"]({ at: { eastM: 30, northM: 35 } });
const named = line.poles.map(({ id, eastM, northM }) => ({ id, eastM, northM }));

/** Functions of the arithmetic, each with input it takes; every number in it is spoilt in turn. */
const calls: readonly (readonly [name: string, call: (...args: never[]) => unknown, args: readonly unknown[]])[] = [
  ["rateDps", core.rateDps, [curve, 0.5]],
  ["stickForRate", core.stickForRate, [curve, 300]],
  ["fitCurve", core.fitCurve, [curve, "end-cubic"]],
  ["curveFeel", core.curveFeel, [curve]],
  ["dpsPerMillimetre", core.dpsPerMillimetre, [curve, 0.4, grip]],
  ["tipTravelMm", core.tipTravelMm, [grip]],
  ["feelDistance", core.feelDistance, [rates, rates]],
  ["equalStickYaw", core.equalStickYaw, [curve, curve, 25]],
  ["equalStickError", core.equalStickError, [curve, curve, 25]],
  ["throttleOut", core.throttleOut, [profile, 0.5]],
  ["stickForThrottle", core.stickForThrottle, [profile, 0.4]],
  ["throttlePoints", core.throttlePoints, [airframe, profile, 25, air]],
  ["limitEffect", core.limitEffect, [airframe, profile, air]],
  ["airDensity", core.airDensity, [air]],
  ["requireAirframe", core.requireAirframe, [airframe]],
  ["thrustFraction", core.thrustFraction, [airframe, 0.5]],
  ["commandForThrust", core.commandForThrust, [airframe, 0.5]],
  ["hoverCommand", core.hoverCommand, [airframe, 1.1]],
  ["densityRatio", core.densityRatio, [airframe, 1.1]],
  ["inducedSpeedMps", core.inducedSpeedMps, [airframe, 1, 1.1]],
  ["verticalFovDeg", core.verticalFovDeg, [{ diagonalDeg: 140, aspect: 1.3 }]],
  ["horizonInFrame", core.horizonInFrame, [level, camera]],
  ["groundShare", core.groundShare, [level, camera]],
  ["groundOutline", core.groundOutline, [level, camera]],
  ["pointInFrame", core.pointInFrame, [vector, level, camera, { x: 9, y: 2, z: 3 }]],
  ["cruise", core.cruise, [airframe, 25, air]],
  ["topSpeed", core.topSpeed, [airframe, air]],
  ["invertedFlat", core.invertedFlat, [25, 90]],
  ["levelTurnRates", core.levelTurnRates, [30, 90]],
  ["viewRollRates", core.viewRollRates, [30, 360]],
  ["turnRates", core.turnRates, [{ turnDps: 90, pitchDeg: -10, bankDeg: 30 }]],
  ["bankedTurn", core.bankedTurn, [{ bankDeg: 45, speedMps: 12 }]],
  ["backFacingOrbit", core.backFacingOrbit, [{ tiltDeg: 25, viewElevationDeg: 30, viewRollDeg: 20 }]],
  ["attitudeOfView", core.attitudeOfView, [{ tiltDeg: 25, viewElevationDeg: 30, viewRollDeg: 20 }]],
  ["mixFor", core.mixFor, [rates, 25, 90]],
  ["tiltError", core.tiltError, [25, 27, 90]],
  ["pureHalfTurnViewDeg", core.pureHalfTurnViewDeg, [25]],
  ["runOnDeg", core.runOnDeg, [airframe, 600]],
  ["levelState", core.levelState, [{ heightM: 10, pitchDeg: 0, speedMps: 3, rotorSpeed: 0.4 }]],
  ["fromEuler", core.fromEuler, [{ yawDeg: 1, pitchDeg: 2, rollDeg: 3 }]],
  ["toEuler", core.toEuler, [level]],
  ["wrapDeg", core.wrapDeg, [400]],
  ["wilsonInterval", core.wilsonInterval, [3, 4, 1.96]],
  ["betaCdf", core.betaCdf, [0.4, 3, 4]],
  ["betaQuantile", core.betaQuantile, [0.4, 3, 4]],
  [
    "chanceGreater",
    core.chanceGreater,
    [
      { a: 2, b: 3 },
      { a: 3, b: 2 },
    ],
  ],
  ["quantileOf", core.quantileOf, [[1, 2, 3], 0.5]],
  ["rateChange", core.rateChange, [counted, counted]],
  [
    "reviewOf",
    core.reviewOf,
    [
      [
        [20000, 3, 4],
        [20010, 2, 4],
      ],
      20020 * 86_400_000,
    ],
  ],
  ["usualErrors", core.usualErrors, [4]],
  ["requireErrors", core.requireErrors, [core.usualErrors(4)]],
  ["requireEnvironment", core.requireEnvironment, [core.CALM_AIR]],
  ["requireSettings", core.requireSettings, [core.firstSettings]],
  ["requireObstacle", core.requireObstacle, [{ kind: "gap", alongM: 5, acrossM: 0, heightM: 3, widthM: 2 }]],
  ["distanceTo", core.distanceTo, [{ kind: "gap", alongM: 5, acrossM: 0, heightM: 3, widthM: 2 }, 1, 2, 3]],
  ["withParameters", (values: Record<string, number>) => core.withParameters(flip, values), [{ punchS: 0.4 }]],
  ["densityAltitudeM", core.densityAltitudeM, [{ elevationM: 300, temperatureC: 25, pressureHpa: 1005 }]],
  ["sunAt", core.sunAt, [{ ...place, atMs: 1.79e12 }]],
  ["dayLight", core.dayLight, [{ ...place, atMs: 1.79e12 }]],
  ["toPlan", core.toPlan, [place, { latitudeDeg: 53.001, longitudeDeg: 5.001 }]],
  ["planeErrorM", core.planeErrorM, [place, 300]],
  ["throwDistanceM", core.throwDistanceM, [airframe, { speedMps: 9, climbMps: 2, heightM: 6, air, windMps: 3 }]],
  ["crab", core.crab, [{ trackDeg: 40, airSpeedMps: 9, windFromDeg: 90, windMps: 3 }]],
  ["square", core.courses.square, [{ sideM: 12, headingDeg: 20, at: { eastM: 1, northM: 2 } }]],
  ["fitCourse", (side: number) => core.fitCourse("square", { sideM: side }, { boundary: corners }), [12]],
  ["settingOut", core.settingOut, [named, { pegs: [corners[0], corners[1]], toleranceM: 0.2 }]],
  [
    "adjust",
    core.adjust,
    [
      named,
      [
        { from: "1", to: "3", m: 18.2 },
        { from: "2", to: "3", m: 9.1 },
      ],
    ],
  ],
  ["legTimes", core.legTimes, [line, airframe, core.firstSettings, 12, { paceMps: 4, air }]],
  [
    "fitCircle",
    core.fitCircle,
    [
      [0, 1, 0],
      [0, 0, 1],
    ],
  ],
];

const spoilt: readonly unknown[] = [Number.NaN, Infinity, "7"];

it("has an answer, free of NaN, or refuses the input as such", () => {
  const wrong: string[] = [];
  for (const [name, call, args] of calls) {
    const good = tried(call, args);
    if (good !== null) wrong.push(`${name} as it should be: ${good}`);
    for (const path of numbersIn(args))
      for (const bad of spoilt) {
        const found = tried(call, replaced(args, path, bad) as readonly unknown[]);
        if (found !== null) wrong.push(`${name} ${path.join(".")} ${String(bad)}: ${found}`);
      }
  }
  expect(wrong).toEqual([]);
});

/** What is wrong with a call's outcome; null when it answers in numbers or refuses by field. */
function tried(call: (...args: never[]) => unknown, args: readonly unknown[]): string | null {
  try {
    const answer = call(...(args as never[]));
    return hasNaN(answer) ? "NaN" : null;
  } catch (error) {
    return error instanceof core.DomainError ? null : String(error);
  }
}

function hasNaN(value: unknown): boolean {
  if (typeof value === "number") return Number.isNaN(value);
  return typeof value === "object" && value !== null && Object.values(value).some(hasNaN);
}

type Path = readonly (string | number)[];

function numbersIn(value: unknown, path: Path = []): readonly Path[] {
  if (typeof value === "number") return [path];
  if (typeof value !== "object" || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => numbersIn(inner, [...path, key]));
}

function replaced(value: unknown, [key, ...rest]: Path, by: unknown): unknown {
  if (key === undefined) return by;
  const copy: Record<string, unknown> | unknown[] = Array.isArray(value) ? [...value] : { ...(value as object) };
  (copy as Record<string, unknown>)[key] = replaced((value as Record<string, unknown>)[key], rest, by);
  return copy;
}
