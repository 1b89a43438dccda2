import type { Vector3 } from "../attitude";
import { requireFinite, requireNumber, requireOneOf, turnedLevel } from "../numbers";
import type { Value } from "./value";

export const obstacleKinds = ["pole", "tree", "bar", "gap", "wall", "building"] as const;
export type ObstacleKind = (typeof obstacleKinds)[number];

/**
 * Something to fly round, over, under or through. It stands on the ground, across the line of entry.
 * pole: a post `widthM` thick and `heightM` high. tree: a trunk with a round crown `widthM` across that ends at `heightM`.
 * bar: a beam at `heightM`, `widthM` long, on two posts. gap: two posts `widthM` apart and `heightM` high, with a beam on top.
 * wall: `widthM` long, `heightM` high, thin. building: as wide as deep.
 */
export interface Obstacle {
  readonly kind: ObstacleKind;
  /** Middle, m from the start of the flight along and across (right positive) the line of entry. */
  readonly alongM: number;
  readonly acrossM: number;
  readonly heightM: number;
  readonly widthM: number;
  /** Turned about the vertical against standing across the line of entry, clockwise from above, °; 0 if not said. */
  readonly turnedDeg?: number;
}

/** An obstacle whose place and size follow from a recipe's parameters. Its height is counted from the entry when `aboveEntry`. */
export interface ObstaclePlan {
  readonly kind: ObstacleKind;
  readonly alongM: Value;
  readonly acrossM: Value;
  readonly heightM: Value;
  readonly widthM: Value;
  readonly aboveEntry?: boolean;
}

/** Thickness of posts, beams and walls, m. */
const POST_M = 0.08;
const WALL_M = 0.3;
const TRUNK_M = 0.3;

/** Throws a DomainError naming the first field out of range. */
export function requireObstacle(obstacle: Obstacle, name = "obstacle"): Obstacle {
  requireOneOf(`${name}.kind`, obstacle?.kind, obstacleKinds);
  requireNumber(`${name}.alongM`, obstacle.alongM, -500, 500);
  requireNumber(`${name}.acrossM`, obstacle.acrossM, -500, 500);
  requireNumber(`${name}.heightM`, obstacle.heightM, 0.1, 200);
  requireNumber(`${name}.widthM`, obstacle.widthM, 0.05, 200);
  if (obstacle.turnedDeg !== undefined) requireNumber(`${name}.turnedDeg`, obstacle.turnedDeg, -360, 360);
  return obstacle;
}

/** Distance from a point (m along, across, above the ground) to the surface of an obstacle; negative inside. */
export function distanceTo(obstacle: Obstacle, alongM: number, acrossM: number, heightM: number): number {
  const { widthM: width, heightM: height, turnedDeg = 0 } = obstacle;
  const [x, y] = turnedLevel(-turnedDeg, alongM - obstacle.alongM, acrossM - obstacle.acrossM);
  switch (obstacle.kind) {
    case "pole":
      return postDistance(x, y, heightM, 0.5 * width, height);
    case "tree": {
      const crown = Math.min(0.5 * width, 0.5 * height);
      return Math.min(
        Math.hypot(x, y, heightM - (height - crown)) - crown,
        postDistance(x, y, heightM, 0.5 * TRUNK_M, height - crown),
      );
    }
    case "bar":
    case "gap":
      return Math.min(
        boxDistance(x, y, heightM - height, 0.5 * POST_M, 0.5 * width + POST_M, 0.5 * POST_M),
        postDistance(x, y - 0.5 * (width + POST_M), heightM, 0.5 * POST_M, height),
        postDistance(x, y + 0.5 * (width + POST_M), heightM, 0.5 * POST_M, height),
      );
    case "wall":
      return boxDistance(x, y, heightM - 0.5 * height, 0.5 * WALL_M, 0.5 * width, 0.5 * height);
    case "building":
      return boxDistance(x, y, heightM - 0.5 * height, 0.5 * width, 0.5 * width, 0.5 * height);
  }
}

/** Distance to a box about the origin given by its half sizes. */
function boxDistance(x: number, y: number, z: number, a: number, b: number, c: number): number {
  const dx = Math.abs(x) - a;
  const dy = Math.abs(y) - b;
  const dz = Math.abs(z) - c;
  const outside = Math.hypot(Math.max(dx, 0), Math.max(dy, 0), Math.max(dz, 0));
  return requireFinite("obstacle", outside + Math.min(0, Math.max(dx, dy, dz)));
}

/** Distance to an upright round post that stands on the ground. */
function postDistance(x: number, y: number, heightM: number, radius: number, height: number): number {
  const side = Math.hypot(x, y) - radius;
  const over = heightM - height;
  return requireFinite(
    "obstacle",
    Math.hypot(Math.max(side, 0), Math.max(over, 0)) + Math.min(0, Math.max(side, over)),
  );
}

/** A line of an obstacle's outline, north, east, down in m from the start on the ground. */
export type Edge = readonly [Vector3, Vector3];

/** The lines by which an obstacle is drawn in a picture. */
export function edgesOf({ kind, alongM, acrossM, heightM, widthM, turnedDeg = 0 }: Obstacle): readonly Edge[] {
  const at = (along: number, across: number, height: number): Vector3 => {
    const [x, y] = turnedLevel(turnedDeg, along, across);
    return { x: alongM + x, y: acrossM + y, z: -height };
  };
  const upright = (along: number, across: number, height = heightM): Edge => [
    at(along, across, 0),
    at(along, across, height),
  ];
  const half = 0.5 * widthM;
  switch (kind) {
    case "pole":
      return [upright(0, -half), upright(0, half), [at(0, -half, heightM), at(0, half, heightM)]];
    case "bar":
    case "gap":
      return [upright(0, -half), upright(0, half), [at(0, -half, heightM), at(0, half, heightM)]];
    case "tree": {
      const crown = Math.min(half, 0.5 * heightM);
      const round = Array.from({ length: 13 }, (_, i) => (i * Math.PI) / 6);
      const ring = round.map((angle) => at(0, crown * Math.sin(angle), heightM - crown + crown * Math.cos(angle)));
      return [upright(0, 0, heightM - 2 * crown), ...ring.slice(1).map((point, i): Edge => [ring[i], point])];
    }
    case "wall":
    case "building": {
      const depth = kind === "wall" ? 0.5 * WALL_M : half;
      const corners = [
        [-depth, -half],
        [-depth, half],
        [depth, half],
        [depth, -half],
      ] as const;
      return corners.flatMap(([along, across], i): Edge[] => {
        const [nextAlong, nextAcross] = corners[(i + 1) % corners.length];
        return [upright(along, across), [at(along, across, heightM), at(nextAlong, nextAcross, heightM)]];
      });
    }
  }
}
