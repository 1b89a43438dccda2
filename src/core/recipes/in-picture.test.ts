import { fromEuler } from "../attitude";
import { outOfPicture, seenAt, seenShare, type SeenObject, type Trace } from ".";

/** A straight level flight north at 10 m/s, 10 m up, looking at a pitch, a sample every tenth. */
function flownBy(pitchDeg: number, samples = 31): Trace {
  const { w, x, y, z } = fromEuler({ yawDeg: 0, pitchDeg, rollDeg: 0 });
  const column = (value: (i: number) => number) => Array.from({ length: samples }, (_, i) => value(i));
  return {
    sampleS: 0.1,
    timeS: column((i) => 0.1 * i),
    northM: column((i) => i),
    eastM: column(() => 0),
    heightM: column(() => 10),
    qw: column(() => w),
    qx: column(() => x),
    qy: column(() => y),
    qz: column(() => z),
  } as unknown as Trace;
}
const camera = { tiltDeg: 20, verticalFovDeg: 80, aspect: 4 / 3 };
const spot: SeenObject = { northM: 25, eastM: 0, baseM: 0, topM: 0 };

it("loses a spot where its depression is more than half the view less tilt and pitch", () => {
  const pitchDeg = -5;
  const trace = flownBy(pitchDeg);
  const [lost, ...more] = outOfPicture(trace, spot, camera);
  expect(more).toEqual([]);
  // Half the view 40°, axis 15° up: the spot goes at 25° of depression, 10 / tan 25° = 21.4 m off.
  expect(lost.fromDistanceM).toBeGreaterThan(20.4);
  expect(lost.fromDistanceM).toBeLessThan(21.45);
  expect(lost).toMatchObject({ toS: null, toDistanceM: null });
  expect(seenShare(trace, spot, camera, 0, 30)).toBeCloseTo(4 / 31, 9);
});

it("sees a post as long as any of it is there, and one that comes back", () => {
  const tall: SeenObject = { ...spot, topM: 12 };
  expect(outOfPicture(flownBy(-5), tall, camera)[0].fromDistanceM).toBeLessThan(6);
  const turned = flownBy(-5);
  const away = fromEuler({ yawDeg: 120, pitchDeg: -5, rollDeg: 0 });
  for (let i = 5; i < 12; i++) {
    turned.qw[i] = away.w;
    turned.qx[i] = away.x;
    turned.qy[i] = away.y;
    turned.qz[i] = away.z;
  }
  expect(outOfPicture(turned, tall, camera)[0]).toMatchObject({ fromS: 0.5, toDistanceM: 13 });
  expect(seenAt(turned, 4, tall, camera)).toBe(true);
  expect(seenAt(turned, 6, tall, camera)).toBe(false);
});

it("does not call out a blink", () => {
  const trace = { ...flownBy(-5, 4), sampleS: 0.02, timeS: [0, 0.02, 0.04, 0.06] };
  expect(outOfPicture(trace, { ...spot, northM: -5 }, camera)).toEqual([]);
});
