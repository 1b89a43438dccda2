import { pointInFrame, type Camera } from "../camera";
import type { Trace } from "./trace";

/** What is to be kept in the picture: an upright from `baseM` to `topM` above the ground, m north and east of the start. */
export interface SeenObject {
  readonly northM: number;
  readonly eastM: number;
  readonly baseM: number;
  readonly topM: number;
}

/** A time in which an object is out of the picture: from when and how far off to when and how far off. */
export interface OutOfPicture {
  readonly fromS: number;
  readonly fromDistanceM: number;
  /** Null where it does not come back before the end. */
  readonly toS: number | null;
  readonly toDistanceM: number | null;
}

/** Places of an upright that are looked for, from its base to its top. */
const PLACES = 5;
/** Nobody notices less, s. Ours. */
const NOTICED_S = 0.08;

/** Whether any of an object is in the picture at a sample of a flight, through a pinhole camera. */
export function seenAt(trace: Trace, i: number, object: SeenObject, camera: Camera): boolean {
  const from = { x: trace.northM[i], y: trace.eastM[i], z: -trace.heightM[i] };
  const attitude = { w: trace.qw[i], x: trace.qx[i], y: trace.qy[i], z: trace.qz[i] };
  const { northM, eastM, baseM, topM } = object;
  const places = topM > baseM ? PLACES : 1;
  for (let place = 0; place < places; place++) {
    const up = baseM + (places === 1 ? 0 : (place / (places - 1)) * (topM - baseM));
    const spot = pointInFrame(from, attitude, camera, { x: northM, y: eastM, z: -up });
    if (spot && Math.abs(spot[0]) <= camera.aspect && Math.abs(spot[1]) <= 1) return true;
  }
  return false;
}

/** The times in which an object is out of the picture, in order, between two samples of a flight. */
export function outOfPicture(
  trace: Trace,
  object: SeenObject,
  camera: Camera,
  from = 0,
  to = trace.timeS.length - 1,
): readonly OutOfPicture[] {
  const distance = (i: number) => Math.hypot(object.northM - trace.northM[i], object.eastM - trace.eastM[i]);
  const spans: OutOfPicture[] = [];
  let left: number | null = null;
  for (let i = from; i <= to; i++) {
    const seen = seenAt(trace, i, object, camera);
    if (!seen && left === null) left = i;
    if (left === null || (!seen && i < to)) continue;
    const back = seen ? i : null;
    const untilS = trace.timeS[back ?? to];
    if (untilS - trace.timeS[left] >= NOTICED_S)
      spans.push({
        fromS: trace.timeS[left],
        fromDistanceM: distance(left),
        toS: back === null ? null : trace.timeS[back],
        toDistanceM: back === null ? null : distance(back),
      });
    left = null;
  }
  return spans;
}

/** Share of the samples between two in which an object is in the picture. */
export function seenShare(trace: Trace, object: SeenObject, camera: Camera, from: number, to: number): number {
  let seen = 0;
  for (let i = from; i <= to; i++) if (seenAt(trace, i, object, camera)) seen++;
  return seen / (to - from + 1);
}
