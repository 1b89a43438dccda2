import { airframePresets, idealAirframe, thrustFraction } from "../airframe";
import { fromEuler, multiply, toWorld, type Quaternion } from "../attitude";
import { SEA_LEVEL_AIR } from "../atmosphere";
import { groundShare, verticalFovDeg } from "../camera";
import { backFacingOrbit, bankedTurn, invertedFlat, levelTurnRates, orbitFacingCentre, turnRates } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;

describe("banked turns (FAA-H-8083-25, aerodynamics of flight: load factors, rate and radius of turn)", () => {
  it.each([
    [45, 1.41],
    [60, 2.0],
  ])("load factor at %d° of bank is %d", (bankDeg, expected) => {
    expect(bankedTurn({ bankDeg, speedMps: 20 }).loadFactor).toBeCloseTo(expected, 2);
  });

  it.each([
    [120, 30],
    [200, 30],
    [90, 45],
  ])("radius in feet is V²/(11.26·tan φ) and rate 1,091·tan φ/V with V in knots: %d knots, %d°", (knots, bankDeg) => {
    const { radiusM, turnDps } = bankedTurn({ bankDeg, speedMps: knots * 0.514444 });
    const tan = Math.tan((bankDeg * Math.PI) / 180);
    expect(radiusM / 0.3048 / (knots ** 2 / (11.26 * tan))).toBeCloseTo(1, 2);
    expect(turnDps / ((1091 * tan) / knots)).toBeCloseTo(1, 2);
  });
});

it("body rates of a turn keep the attitude's pitch and bank, checked by turning it about the vertical", () => {
  const attitude = fromEuler({ yawDeg: 0, pitchDeg: -25, rollDeg: 40 });
  const { rollDps, pitchDps, yawDps } = turnRates({ turnDps: 90, pitchDeg: -25, bankDeg: 40 });
  // A turn about the vertical has its axis straight down.
  const axis = toWorld(attitude, { x: rollDps, y: pitchDps, z: yawDps });
  expect(axis.x).toBeCloseTo(0, 9);
  expect(axis.y).toBeCloseTo(0, 9);
  expect(axis.z).toBeCloseTo(90, 9);
  const level = turnRates({ turnDps: 90, pitchDeg: -25, bankDeg: 0 });
  expect(level.rollDps).toBeCloseTo(levelTurnRates(25, 90).rollDps, 9);
  expect(level.yawDps).toBeCloseTo(levelTurnRates(25, 90).yawDps, 9);
});

describe("an orbit with the nose to the centre", () => {
  const orbit = orbitFacingCentre(idealAirframe(five), { radiusM: 5, tiltDeg: 25, clockwise: true }, SEA_LEVEL_AIR);

  it("balances all forces", () => {
    const attitude = fromEuler({ yawDeg: 0, pitchDeg: -25, rollDeg: orbit.leanDeg });
    const up = toWorld(attitude, { x: 0, y: 0, z: -1 });
    const weight = 0.65 * 9.80665;
    const drag = 0.5 * 1.225 * five.dragAreaM2.y * orbit.speedMps ** 2;
    expect(-up.z * orbit.thrustG).toBeCloseTo(1, 9);
    expect(up.x * orbit.thrustG * 9.80665).toBeCloseTo(orbit.speedMps ** 2 / 5, 9);
    // Travels left, leans left, against a drag to the right.
    expect(-up.y * orbit.thrustG * weight).toBeCloseTo(drag, 7);
  });

  it("is mirrored the other way round, and refused where the thrust is not there", () => {
    const other = orbitFacingCentre(idealAirframe(five), { radiusM: 5, tiltDeg: 25, clockwise: false }, SEA_LEVEL_AIR);
    expect(other.turnDps).toBeCloseTo(-orbit.turnDps, 12);
    expect(other.rates.rollDps).toBeCloseTo(-orbit.rates.rollDps, 12);
    expect(() =>
      orbitFacingCentre({ ...five, thrustToWeight: 1.2 }, { radiusM: 5, tiltDeg: 60, clockwise: true }, SEA_LEVEL_AIR),
    ).toThrow(/^radiusM is 5; /);
  });
});

describe("a back-facing orbit", () => {
  it("has the thrust that the attitude itself says, from the camera's axes", () => {
    const [tilt, elevation, roll] = [25, 20, 85].map((deg) => (deg * Math.PI) / 180);
    const half = (axis: "x" | "y", angle: number): Quaternion => ({
      w: Math.cos(angle / 2),
      x: 0,
      y: 0,
      z: 0,
      [axis]: Math.sin(angle / 2),
    });
    // Look up by ε, turn about the view axis by φ, then let the camera's tilt down to the body.
    const attitude = multiply(multiply(half("y", elevation), half("x", roll)), half("y", -tilt));
    const { z } = toWorld(attitude, { x: 0, y: 0, z: -1 });
    expect(backFacingOrbit({ tiltDeg: 25, viewElevationDeg: 20, viewRollDeg: 85 })).toEqual({
      sustainable: true,
      thrustG: expect.closeTo(-1 / z, 9),
    });
  });

  it("wants about three quarters throttle at 25° of tilt and all of it near 10° (common practice, no source)", () => {
    // Nose up 76.5° at 25° of tilt, 82° at 10°: the view stands 78.5° and 88° up, backward over the top.
    const throttle = (tiltDeg: number, viewElevationDeg: number) => {
      const found = backFacingOrbit({ tiltDeg, viewElevationDeg, viewRollDeg: 180 });
      return found.sustainable ? found.thrustG / five.thrustToWeight : Infinity;
    };
    expect(throttle(25, 78.5)).toBeCloseTo(thrustFraction(five, 0.75), 1);
    expect(throttle(25, 78.5) * five.thrustToWeight).toBeCloseTo(1 / Math.cos((76.5 * Math.PI) / 180), 6);
    expect(throttle(10, 88)).toBeCloseTo(0.96, 2);
  });

  it("says when nothing points up", () => {
    expect(backFacingOrbit({ tiltDeg: 0, viewElevationDeg: 0, viewRollDeg: 95 })).toMatchObject({ sustainable: false });
    expect(backFacingOrbit({ tiltDeg: 5, viewElevationDeg: 5, viewRollDeg: 89 })).toMatchObject({
      sustainable: false,
      reason: { kind: "too-much-thrust", mostG: 20 },
    });
    expect(() => backFacingOrbit({ tiltDeg: Number.NaN, viewElevationDeg: 0, viewRollDeg: 0 })).toThrow(
      /^tiltDeg is NaN/,
    );
  });
});

describe("upside down and flat", () => {
  it("30° of tilt shows about three quarters ground on a wide lens, as the picture itself says (common practice, no source)", () => {
    const view = verticalFovDeg({ diagonalDeg: 150, aspect: 4 / 3 });
    expect(invertedFlat(30, view).groundShare).toBeGreaterThan(0.6);
    expect(invertedFlat(30, 98).groundShare).toBeCloseTo(0.75, 2);
    const attitude = fromEuler({ yawDeg: 0, pitchDeg: 0, rollDeg: 180 });
    for (const [tiltDeg, verticalFov] of [
      [10, 90],
      [30, 98],
      [40, 120],
    ]) {
      const seen = groundShare(attitude, { tiltDeg, verticalFovDeg: verticalFov, aspect: 4 / 3 });
      expect(seen).toBeCloseTo(invertedFlat(tiltDeg, verticalFov).groundShare, 3);
    }
  });

  it("stops 15° short forward when flying 15° nose down, 15° past it back (common practice, no source)", () => {
    expect(invertedFlat(15, 90)).toMatchObject({ pitchForwardDeg: 165, pitchBackDeg: 195, viewElevationDeg: -15 });
  });
});
