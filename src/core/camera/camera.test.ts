import fc from "fast-check";
import { fromEuler, multiply } from "../attitude";
import { groundOutline, groundShare, horizonInFrame, verticalFovDeg } from ".";

const wide = { verticalFovDeg: 90, aspect: 4 / 3 };
const tan = (deg: number) => Math.tan((deg * Math.PI) / 180);

it("turns lens figures into the vertical field of view by the pinhole relation", () => {
  // 90° diagonal on 4:3: half diagonal 1, half height 3/5.
  expect(verticalFovDeg({ diagonalDeg: 90, aspect: 4 / 3 })).toBeCloseTo((2 * Math.atan(0.6) * 180) / Math.PI, 9);
  expect(verticalFovDeg({ horizontalDeg: 90, aspect: 1 })).toBeCloseTo(90, 9);
});

it("centres the horizon when the pitch is minus the tilt", () => {
  const horizon = horizonInFrame(fromEuler({ yawDeg: 20, pitchDeg: -25, rollDeg: 0 }), { tiltDeg: 25, ...wide });
  expect(horizon.centreHeight).toBeCloseTo(0, 9);
  expect(horizon.axisElevationDeg).toBeCloseTo(0, 9);
});

it("leans the horizon against the roll", () => {
  expect(
    horizonInFrame(fromEuler({ yawDeg: 0, pitchDeg: 0, rollDeg: 20 }), { tiltDeg: 0, ...wide }).slopeDeg,
  ).toBeCloseTo(20, 9);
});

it("shows about three quarters ground inverted flat at 30° tilt on a wide lens (common practice, no source)", () => {
  const share = groundShare(fromEuler({ yawDeg: 0, pitchDeg: 0, rollDeg: 180 }), { tiltDeg: 30, ...wide });
  expect(share).toBeCloseTo((1 + tan(30) / tan(45)) / 2, 6);
  expect(share).toBeGreaterThan(0.7);
  expect(share).toBeLessThan(0.82);
});

it("looks 2τ below the horizon after a pure half roll from centred flight (common practice, no source)", () => {
  const tiltDeg = 20;
  // Rolling about the body axis from pitch −τ: attitude then is Euler pitch −τ, roll 180.
  const { axisElevationDeg } = horizonInFrame(fromEuler({ yawDeg: 0, pitchDeg: -tiltDeg, rollDeg: 180 }), {
    tiltDeg,
    ...wide,
  });
  expect(axisElevationDeg).toBeCloseTo(-2 * tiltDeg, 9);
});

it("looks 2τ above the horizon after a pure half yaw from centred flight (common practice, no source)", () => {
  const tiltDeg = 20;
  // Half a turn about the body's own z axis.
  const turned = multiply(fromEuler({ yawDeg: 0, pitchDeg: -tiltDeg, rollDeg: 0 }), { w: 0, x: 0, y: 0, z: 1 });
  expect(horizonInFrame(turned, { tiltDeg, ...wide }).axisElevationDeg).toBeCloseTo(2 * tiltDeg, 9);
});

describe("the outline of the ground", () => {
  const area = (corners: readonly (readonly [number, number])[]) =>
    Math.abs(
      corners.reduce((sum, [x, y], i) => {
        const [nextX, nextY] = corners[(i + 1) % corners.length];
        return sum + x * nextY - nextX * y;
      }, 0) / 2,
    );

  it("encloses the share of the picture that is ground, at any attitude", () => {
    const angle = fc.double({ min: -180, max: 180, noNaN: true });
    fc.assert(
      fc.property(angle, fc.double({ min: -89, max: 89, noNaN: true }), angle, (yawDeg, pitchDeg, rollDeg) => {
        const attitude = fromEuler({ yawDeg, pitchDeg, rollDeg });
        const camera = { tiltDeg: 25, verticalFovDeg: 90, aspect: 4 / 3 };
        const share = area(groundOutline(attitude, camera)) / (4 * camera.aspect);
        expect(Math.abs(share - groundShare(attitude, camera))).toBeLessThan(0.01);
      }),
    );
  });

  it("is empty looking up and whole looking down", () => {
    const camera = { tiltDeg: 0, verticalFovDeg: 60, aspect: 1 };
    expect(groundOutline(fromEuler({ yawDeg: 0, pitchDeg: 60, rollDeg: 0 }), camera)).toEqual([]);
    expect(area(groundOutline(fromEuler({ yawDeg: 0, pitchDeg: -60, rollDeg: 0 }), camera))).toBeCloseTo(4, 9);
  });
});
