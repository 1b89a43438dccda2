import AHRS from "ahrs";
import { attitude, readTape } from ".";
import { fromEuler, multiply, conjugate, type Quaternion } from "../attitude";
import { rowsOf } from "./testing/rows";

const RAD = Math.PI / 180;
const last = ({ quaternions: q }: { quaternions: Float64Array }): Quaternion => {
  const [w, x, y, z] = q.slice(-4);
  return { w, x, y, z };
};
const angleDeg = (a: Quaternion, b: Quaternion) =>
  (2 * Math.acos(Math.min(1, Math.abs(multiply(conjugate(a), b).w)))) / RAD;
const gyro = (hz: number, s: number, at: (s: number) => readonly [number, number, number]) =>
  readTape(rowsOf(hz, s, (t) => [0, 0, 0, 0.4, ...at(t)]));

it("a constant rate for a time turns by their product about its axis (closed form)", () => {
  const tape = gyro(100, 2.01, () => [300, -200, 120]);
  const size = Math.hypot(300, 200, 120);
  const half = (size * 2 * RAD) / 2;
  const s = Math.sin(half) / size;
  const turned = { w: Math.cos(half), x: 300 * s, y: -200 * s, z: 120 * s };
  expect(angleDeg(last(attitude(tape)), turned)).toBeLessThan(1e-4);
});

it("three known rotations one after another make the whole, in the order flown", () => {
  const tape = gyro(500, 3.002, (t) => (t < 1 ? [0, 0, 90] : t < 2 ? [0, 90, 0] : [90, 0, 0]));
  const turned = multiply(
    multiply(fromEuler({ yawDeg: 90, pitchDeg: 0, rollDeg: 0 }), fromEuler({ yawDeg: 0, pitchDeg: 90, rollDeg: 0 })),
    fromEuler({ yawDeg: 0, pitchDeg: 0, rollDeg: 90 }),
  );
  // The rate between two rows at a change counts half to either side.
  expect(angleDeg(last(attitude(tape)), turned)).toBeLessThan(0.3);
});

it("a cone comes out as its closed form, at a rate at which straight steps are a degree off", () => {
  // Classical coning: the axis of a tilted body goes round at w; its body rates are sines (Goodman and Robinson, J. Appl. Mech. 25, 1958; recalled, not looked up).
  const [w, tilt] = [2 * Math.PI * 5, 10 * RAD];
  const rates = (t: number): [number, number, number] => [
    (-w * Math.sin(tilt) * Math.sin(w * t)) / RAD,
    (w * Math.sin(tilt) * Math.cos(w * t)) / RAD,
    (-w * (1 - Math.cos(tilt))) / RAD,
  ];
  const seconds = 4;
  const tape = gyro(250, seconds + 1 / 250, rates);
  const at = (t: number): Quaternion => ({
    w: Math.cos(tilt / 2),
    x: Math.sin(tilt / 2) * Math.cos(w * t),
    y: Math.sin(tilt / 2) * Math.sin(w * t),
    z: 0,
  });
  expect(angleDeg(last(attitude(tape)), multiply(conjugate(at(0)), at(seconds)))).toBeLessThan(0.3);
});

it("agrees with an independent library over a wild flight (ahrs, gyro alone)", () => {
  const hz = 4000;
  const wild = (t: number): [number, number, number] => [
    500 * Math.sin(7 * t),
    400 * Math.cos(5 * t + 1),
    300 * Math.sin(3 * t),
  ];
  const tape = gyro(hz, 3, wild);
  const other = new AHRS({ sampleInterval: 1000 / hz, algorithm: "Madgwick", beta: 0 });
  for (let i = 1; i < tape.timeS.length; i++) {
    const [p, q, r] = wild((i - 0.5) / hz).map((dps) => dps * RAD);
    other.update(p, q, r, 0, 0, 0, 0, 0, 0);
  }
  expect(angleDeg(last(attitude(tape)), other.getQuaternion())).toBeLessThan(0.3);
});

it("takes off the bias that the gyro shows standing still, and none where it never does", () => {
  const bias = [0.8, -0.6, 1];
  const flown = (t: number) => (t < 2 ? 0 : 90);
  const tape = readTape(rowsOf(500, 6, (t) => [0, 0, 0, t < 2 ? 0 : 0.4, bias[0], bias[1], bias[2] + flown(t)]));
  const found = attitude(tape);
  expect(found.bias.stillS).toBeCloseTo(2, 1);
  expect(found.bias.dps.yaw).toBeCloseTo(1, 3);
  expect(angleDeg(last(found), { w: 1, x: 0, y: 0, z: 0 })).toBeLessThan(0.5);
  expect(attitude(gyro(100, 3, () => [40, 0, 0])).bias).toEqual({ dps: { roll: 0, pitch: 0, yaw: 0 }, stillS: 0 });
});
