import { toWorld, type Quaternion } from "../attitude";
import { DEG_PER_RAD, RAD_PER_DEG, requireFinite, requireNumber } from "../numbers";

/** A pinhole camera tilted up from the body's x axis. */
export interface Camera {
  readonly tiltDeg: number;
  readonly verticalFovDeg: number;
  /** Width over height of the picture. */
  readonly aspect: number;
}

/** The lens's vertical field of view in degrees from its diagonal or horizontal figure and the aspect. */
export function verticalFovDeg(lens: {
  readonly diagonalDeg?: number;
  readonly horizontalDeg?: number;
  readonly aspect: number;
}): number {
  const aspect = requireNumber("aspect", lens.aspect, 0.2, 5);
  const [givenDeg, heightShare] =
    lens.horizontalDeg !== undefined
      ? [requireNumber("horizontalDeg", lens.horizontalDeg, 5, 175), 1 / aspect]
      : [requireNumber("diagonalDeg", lens.diagonalDeg, 5, 175), 1 / Math.hypot(aspect, 1)];
  return 2 * DEG_PER_RAD * Math.atan(heightShare * Math.tan(0.5 * RAD_PER_DEG * givenDeg));
}

/** Where the horizon stands in the picture. */
export interface Horizon {
  /** Elevation of the optical axis above the horizontal, degrees. 0 puts the horizon through the middle. */
  readonly axisElevationDeg: number;
  /** Heading of the optical axis, degrees from north, east positive. */
  readonly axisHeadingDeg: number;
  /** Height of the horizon line above the middle of the picture, in half picture heights, along the picture's centre column; null when it is not crossed. */
  readonly centreHeight: number | null;
  /** Turn of the horizon line in the picture, degrees anticlockwise, 0 level, ±180 upside down. */
  readonly slopeDeg: number;
}

/** Horizon position and slope for an attitude. Picture axes: right and up; ground is where rays point below the horizontal. */
export function horizonInFrame(attitude: Quaternion, camera: Camera): Horizon {
  const { axis, axisNorth, axisEast, right, up } = pictureDownComponents(attitude, camera);
  const halfHeight = Math.tan(0.5 * RAD_PER_DEG * camera.verticalFovDeg);
  // A ray axis + u·right + v·up is level when its down component vanishes.
  const centre = Math.abs(up) < 1e-9 ? null : -axis / up / halfHeight;
  return {
    axisElevationDeg: -DEG_PER_RAD * Math.asin(Math.max(-1, Math.min(1, axis))),
    axisHeadingDeg: DEG_PER_RAD * Math.atan2(axisEast, axisNorth),
    centreHeight: centre,
    slopeDeg: DEG_PER_RAD * Math.atan2(right, -up),
  };
}

/**
 * Outline of the ground in the picture, corners in half picture heights (x right −aspect..aspect, y up −1..1), with the horizon at infinity. Empty
 * when only sky is seen.
 */
export function groundOutline(attitude: Quaternion, camera: Camera): readonly (readonly [x: number, y: number])[] {
  const { axis, right, up } = pictureDownComponents(attitude, camera);
  const halfHeight = Math.tan(0.5 * RAD_PER_DEG * camera.verticalFovDeg);
  const down = ([x, y]: readonly [number, number]) => axis + halfHeight * (x * right + y * up);
  const { aspect } = camera;
  const frame: readonly (readonly [number, number])[] = [
    [-aspect, 1],
    [aspect, 1],
    [aspect, -1],
    [-aspect, -1],
  ];
  // The frame cut by the half-plane that looks downward (Sutherland and Hodgman 1974).
  return frame.flatMap((corner, i) => {
    const next = frame[(i + 1) % frame.length];
    const [here, there] = [down(corner), down(next)];
    const cut = here / (here - there);
    const crossing = [corner[0] + cut * (next[0] - corner[0]), corner[1] + cut * (next[1] - corner[1])] as const;
    return [...(here > 0 ? [corner] : []), ...(here > 0 !== there > 0 ? [crossing] : [])];
  });
}

/** Share 0..1 of the picture that shows ground, with the horizon at infinity. */
export function groundShare(attitude: Quaternion, camera: Camera): number {
  const { axis, right, up } = pictureDownComponents(attitude, camera);
  const halfHeight = Math.tan(0.5 * RAD_PER_DEG * camera.verticalFovDeg);
  const halfWidth = halfHeight * camera.aspect;
  // Mean over columns of the share of each column below the horizon; exact in each column, midpoint rule across.
  const columns = 200;
  let sum = 0;
  for (let i = 0; i < columns; i++) {
    const u = halfWidth * ((2 * i + 1) / columns - 1);
    const level = axis + u * right;
    if (Math.abs(up) < 1e-9) {
      sum += level > 0 ? 1 : 0;
      continue;
    }
    const crossing = Math.max(-1, Math.min(1, -level / up / halfHeight));
    sum += up < 0 ? (crossing + 1) / 2 : (1 - crossing) / 2;
  }
  return sum / columns;
}

/** Down components of the optical axis (cos τ, 0, −sin τ), the picture's right (body y) and its up (−sin τ, 0, −cos τ). */
function pictureDownComponents(attitude: Quaternion, camera: Camera) {
  const tilt = RAD_PER_DEG * requireNumber("camera.tiltDeg", camera.tiltDeg, -90, 90);
  requireFinite("attitude", attitude.w + attitude.x + attitude.y + attitude.z);
  requireNumber("camera.verticalFovDeg", camera.verticalFovDeg, 5, 175);
  requireNumber("camera.aspect", camera.aspect, 0.2, 5);
  const axis = toWorld(attitude, { x: Math.cos(tilt), y: 0, z: -Math.sin(tilt) });
  return {
    axis: axis.z,
    axisNorth: axis.x,
    axisEast: axis.y,
    right: toWorld(attitude, { x: 0, y: 1, z: 0 }).z,
    up: toWorld(attitude, { x: -Math.sin(tilt), y: 0, z: -Math.cos(tilt) }).z,
  };
}
