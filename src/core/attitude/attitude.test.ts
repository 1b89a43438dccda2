import Reference from "quaternion";
import fc from "fast-check";
import { conjugate, fromEuler, multiply, toBody, toEuler, toWorld } from ".";

const angle = fc.double({ min: -179, max: 179, noNaN: true });
const pitch = fc.double({ min: -89, max: 89, noNaN: true });
const component = fc.double({ min: -5, max: 5, noNaN: true });
const attitude = fc.record({ yawDeg: angle, pitchDeg: pitch, rollDeg: angle });
const vector = fc.record({ x: component, y: component, z: component });

// Reference: the package `quaternion` 2.2.0 (scalar first, Hamilton product).
describe("attitude against an independent quaternion library", () => {
  const reference = (q: ReturnType<typeof fromEuler>) => new Reference(q.w, q.x, q.y, q.z);

  it("multiplies and rotates alike", () => {
    fc.assert(
      fc.property(attitude, attitude, vector, (first, second, v) => {
        const a = fromEuler(first);
        const b = fromEuler(second);
        const ours = multiply(a, b);
        const theirs = reference(a).mul(reference(b));
        expect(ours.w).toBeCloseTo(theirs.w, 10);
        expect(ours.z).toBeCloseTo(theirs.z, 10);
        const [x, y, z] = reference(ours).rotateVector([v.x, v.y, v.z]) as [number, number, number];
        const world = toWorld(ours, v);
        expect(world.x).toBeCloseTo(x, 9);
        expect(world.y).toBeCloseTo(y, 9);
        expect(world.z).toBeCloseTo(z, 9);
      }),
    );
  });

  it("builds 3-2-1 angles as the product of yaw, pitch and roll turns", () => {
    fc.assert(
      fc.property(attitude, (euler) => {
        const rad = Math.PI / 180;
        const theirs = Reference.fromAxisAngle([0, 0, 1], euler.yawDeg * rad)
          .mul(Reference.fromAxisAngle([0, 1, 0], euler.pitchDeg * rad))
          .mul(Reference.fromAxisAngle([1, 0, 0], euler.rollDeg * rad));
        const ours = fromEuler(euler);
        const sign = Math.sign(ours.w * theirs.w + ours.x * theirs.x + ours.y * theirs.y + ours.z * theirs.z);
        expect(ours.w * sign).toBeCloseTo(theirs.w, 10);
        expect(ours.y * sign).toBeCloseTo(theirs.y, 10);
      }),
    );
  });
});

it("gives back the Euler angles it was made from, and undoes a rotation", () => {
  fc.assert(
    fc.property(attitude, vector, (euler, v) => {
      const q = fromEuler(euler);
      const back = toEuler(q);
      expect(back.pitchDeg).toBeCloseTo(euler.pitchDeg, 4);
      expect(Math.cos(((back.rollDeg - euler.rollDeg) * Math.PI) / 180)).toBeCloseTo(1, 6);
      const there = toBody(q, toWorld(q, v));
      expect(there.x).toBeCloseTo(v.x, 9);
      expect(multiply(q, conjugate(q)).w).toBeCloseTo(1, 12);
    }),
  );
});

it("follows ISO 1151-1 senses: nose up lifts x, right roll drops the right side, yaw right turns x east", () => {
  expect(toWorld(fromEuler({ yawDeg: 0, pitchDeg: 30, rollDeg: 0 }), { x: 1, y: 0, z: 0 }).z).toBeCloseTo(-0.5);
  expect(toWorld(fromEuler({ yawDeg: 0, pitchDeg: 0, rollDeg: 30 }), { x: 0, y: 1, z: 0 }).z).toBeCloseTo(0.5);
  expect(toWorld(fromEuler({ yawDeg: 90, pitchDeg: 0, rollDeg: 0 }), { x: 1, y: 0, z: 0 }).y).toBeCloseTo(1);
});
