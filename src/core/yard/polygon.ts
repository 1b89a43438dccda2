import { between, type PlanPoint } from "./point";

/** The nearest place of a straight piece to a point. */
function nearestOnPiece(point: PlanPoint, a: PlanPoint, b: PlanPoint): PlanPoint {
  const [east, north] = [b.eastM - a.eastM, b.northM - a.northM];
  const square = east * east + north * north;
  const share =
    square === 0
      ? 0
      : Math.min(1, Math.max(0, ((point.eastM - a.eastM) * east + (point.northM - a.northM) * north) / square));
  return { eastM: a.eastM + share * east, northM: a.northM + share * north };
}

/** Distance of a point to a line of straight pieces, m; Infinity for no piece. A closed one goes on from its last point to its first. */
export function distanceToLine(point: PlanPoint, line: readonly PlanPoint[], closed = false): number {
  if (line.length === 1) return between(point, line[0]);
  let least = Infinity;
  for (let i = closed ? 0 : 1; i < line.length; i++) {
    const before = line[(i + line.length - 1) % line.length];
    least = Math.min(least, between(point, nearestOnPiece(point, before, line[i])));
  }
  return least;
}

/** Whether a point lies in a ring of points, by the even-odd rule. */
export function inside(point: PlanPoint, ring: readonly PlanPoint[]): boolean {
  let odd = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [a, b] = [ring[i], ring[j]];
    if (a.northM > point.northM === b.northM > point.northM) continue;
    const eastM = a.eastM + ((point.northM - a.northM) / (b.northM - a.northM)) * (b.eastM - a.eastM);
    if (point.eastM < eastM) odd = !odd;
  }
  return odd;
}

/** Distance to the edge of an area, m: positive inside, negative outside. */
export const depthInside = (point: PlanPoint, ring: readonly PlanPoint[]): number =>
  (inside(point, ring) ? 1 : -1) * distanceToLine(point, ring, true);

/** Area within a ring, m² (the surveyor's "shoelace" formula), whichever way round it goes. */
export function areaM2(ring: readonly PlanPoint[]): number {
  let twice = 0;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++)
    twice += ring[j].eastM * ring[i].northM - ring[i].eastM * ring[j].northM;
  return 0.5 * Math.abs(twice);
}

/** Which two pieces of a ring cross each other, by the numbers of their first points; null for a ring that never does. */
export function selfCrossing(ring: readonly PlanPoint[]): readonly [number, number] | null {
  const count = ring.length;
  for (let i = 0; i < count; i++)
    for (let j = i + 2; j < count; j++) {
      if (i === 0 && j === count - 1) continue;
      if (cross(ring[i], ring[(i + 1) % count], ring[j], ring[(j + 1) % count])) return [i, j];
    }
  return null;
}

const side = (a: PlanPoint, b: PlanPoint, p: PlanPoint): number =>
  (b.eastM - a.eastM) * (p.northM - a.northM) - (b.northM - a.northM) * (p.eastM - a.eastM);

const cross = (a: PlanPoint, b: PlanPoint, c: PlanPoint, d: PlanPoint): boolean =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
