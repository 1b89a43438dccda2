import { fromEuler } from "../attitude";
import { pointInFrame, segmentInFrame } from ".";

const camera = { tiltDeg: 25, verticalFovDeg: 90, aspect: 4 / 3 };
const level = fromEuler({ yawDeg: 0, pitchDeg: -25, rollDeg: 0 });
const here = { x: 0, y: 0, z: -10 };

it("puts what lies straight ahead in the middle, and what lies aside where the pinhole says", () => {
  const [x, y] = pointInFrame(here, level, camera, { x: 20, y: 0, z: -10 })!;
  expect(x).toBeCloseTo(0, 9);
  expect(y).toBeCloseTo(0, 9);
  // 45° to the right and half the view: the edge of a square picture of 90°.
  expect(pointInFrame(here, level, camera, { x: 20, y: 20, z: -10 })![0]).toBeCloseTo(1, 9);
  expect(pointInFrame(here, level, camera, { x: 20, y: 0, z: 10 })![1]).toBeCloseTo(-1, 9);
});

it("turns the picture with the aircraft: banked right, the ground ahead moves to the right", () => {
  const banked = fromEuler({ yawDeg: 0, pitchDeg: 0, rollDeg: 90 });
  const [x, y] = pointInFrame(here, banked, { ...camera, tiltDeg: 0 }, { x: 20, y: 0, z: 0 })!;
  expect(x).toBeCloseTo(0.5, 9);
  expect(y).toBeCloseTo(0, 9);
});

it("shows nothing behind the lens, and cuts a line that passes it", () => {
  expect(pointInFrame(here, level, camera, { x: -5, y: 0, z: -10 })).toBeNull();
  expect(segmentInFrame(here, level, camera, { x: -5, y: 1, z: -10 }, { x: -9, y: 1, z: -10 })).toBeNull();
  const [start, end] = segmentInFrame(here, level, camera, { x: -5, y: 1, z: -10 }, { x: 10, y: 1, z: -10 })!;
  expect(end[0]).toBeCloseTo(0.1, 9);
  expect(start[0]).toBeGreaterThan(1);
  expect([...start, ...end].every(Number.isFinite)).toBe(true);
});
