import { toBody, type Quaternion, type Vector3 } from "../attitude";
import { RAD_PER_DEG, requireFinite, requireNumber } from "../numbers";
import type { Camera } from "./camera";

/** Nearer than this in front of the lens nothing is drawn, m. */
const NEAR_M = 0.05;

/** A place in the picture, in half picture heights from its middle: x right, y up. */
export type InFrame = readonly [x: number, y: number];

/** Where a world point lands in the picture; null behind the lens. `from` and `point` are north, east, down in m. */
export function pointInFrame(from: Vector3, attitude: Quaternion, camera: Camera, point: Vector3): InFrame | null {
  const ray = rayTo(from, attitude, camera, point);
  return ray.depth < NEAR_M ? null : onPicture(ray, camera);
}

/** A line between two world points as it lands in the picture, cut where it passes the lens; null when all of it is behind. */
export function segmentInFrame(
  from: Vector3,
  attitude: Quaternion,
  camera: Camera,
  a: Vector3,
  b: Vector3,
): readonly [InFrame, InFrame] | null {
  let start = rayTo(from, attitude, camera, a);
  let end = rayTo(from, attitude, camera, b);
  if (start.depth < NEAR_M && end.depth < NEAR_M) return null;
  if (start.depth < NEAR_M) start = cutAtLens(start, end);
  else if (end.depth < NEAR_M) end = cutAtLens(end, start);
  return [onPicture(start, camera), onPicture(end, camera)];
}

interface Ray {
  readonly depth: number;
  readonly right: number;
  readonly up: number;
}

/** Components of a point along the optical axis (cos τ, 0, −sin τ), the picture's right (body y) and its up (−sin τ, 0, −cos τ). */
function rayTo(from: Vector3, attitude: Quaternion, camera: Camera, point: Vector3): Ray {
  const tilt = RAD_PER_DEG * requireNumber("camera.tiltDeg", camera.tiltDeg, -90, 90);
  const body = toBody(attitude, { x: point.x - from.x, y: point.y - from.y, z: point.z - from.z });
  requireFinite("point", body.x + body.y + body.z);
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  return { depth: body.x * cos - body.z * sin, right: body.y, up: -body.x * sin - body.z * cos };
}

function cutAtLens(behind: Ray, before: Ray): Ray {
  const share = (NEAR_M - behind.depth) / (before.depth - behind.depth);
  const between = (from: number, to: number) => from + share * (to - from);
  return { depth: NEAR_M, right: between(behind.right, before.right), up: between(behind.up, before.up) };
}

function onPicture({ depth, right, up }: Ray, camera: Camera): InFrame {
  const half = Math.tan(0.5 * RAD_PER_DEG * requireNumber("camera.verticalFovDeg", camera.verticalFovDeg, 5, 175));
  return [right / depth / half, up / depth / half];
}
