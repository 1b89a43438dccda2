import { DomainError, requireFinite, requireNumber } from "../numbers";
import type { PlanPoint } from "./point";
import { depthInside, distanceToLine, inside } from "./polygon";
import type { PlanFeature, SitePlan } from "./site-plan";

/** Where an aircraft is on a plan, and above its ground. */
export interface PlacedPoint extends PlanPoint {
  readonly heightM: number;
}

/** What a way over a site does that it may not, where it does so most. */
export interface Conflict {
  readonly kind:
    | "leaves-boundary"
    | "over-no-go"
    | "near-people"
    | "near-road"
    | "over-water"
    | "not-fetchable"
    | "too-high"
    | "into-building";
  /** What it concerns; null for the height limit. */
  readonly featureId: string | null;
  readonly name: string;
  /** The point of the way at which it is worst. */
  readonly at: number;
  /** How far it is out, over or in, or from people and road, m. */
  readonly m: number;
  /** What is allowed, m: the throw beside people and roads, the height limit; null for none. */
  readonly limitM: number | null;
}

/** Which of two of a kind is worse: farther out, or nearer to people. */
export const worse = (a: Conflict, b: Conflict) =>
  a.kind === "near-people" || a.kind === "near-road" ? a.m < b.m : a.m > b.m;

/**
 * What a way over a site breaks: it leaves the boundary, enters what is not flown over, comes nearer to people or a road than the aircraft is thrown,
 * rises above the height limit, or lies over water or where nothing is fetched from. `throwM` is one distance, or one for each point. The worst of
 * each thing, people first. Throws a DomainError naming the field.
 */
export const planConflicts = (
  plan: SitePlan,
  way: readonly PlacedPoint[],
  limits: ConflictLimits,
): readonly Conflict[] => conflictsAlong(plan, way, limits).conflicts;

interface ConflictLimits {
  readonly throwM: number | readonly number[];
  readonly ceilingM?: number | null;
}

/** The same, with whether each point of the way breaks anything. */
export function conflictsAlong(
  plan: SitePlan,
  way: readonly PlacedPoint[],
  { throwM, ceilingM = null }: ConflictLimits,
): { readonly conflicts: readonly Conflict[]; readonly amiss: readonly boolean[] } {
  if (typeof throwM === "number") requireNumber("throwM", throwM, 0, 5000);
  else if (throwM.length !== way.length)
    throw new DomainError("throwM", throwM.length, `one for each of ${way.length} points`);
  const thrown = (i: number) => (typeof throwM === "number" ? throwM : throwM[i]);
  const limitM = [ceilingM, plan.indoorHeightM].reduce<number | null>(
    (least, one) => (one === null ? least : Math.min(least ?? Infinity, one)),
    null,
  );
  const found = new Map<string, Conflict>();
  const amiss = way.map(() => false);
  const say = (conflict: Conflict) => {
    amiss[conflict.at] = true;
    const key = `${conflict.kind} ${conflict.featureId}`;
    const known = found.get(key);
    if (!known || worse(conflict, known)) found.set(key, conflict);
  };
  way.forEach((point, at) => {
    requireFinite("way", point.eastM + point.northM + point.heightM);
    if (limitM !== null && point.heightM > limitM)
      say({ kind: "too-high", featureId: null, name: "", at, m: point.heightM, limitM });
    for (const feature of plan.features) {
      const conflict = conflictWith(feature, point, thrown(at));
      if (conflict) say({ ...conflict, featureId: feature.id, name: feature.name, at });
    }
  });
  const order = ["near-people", "near-road", "leaves-boundary", "too-high"];
  const rank = ({ kind }: Conflict) => (order.includes(kind) ? order.indexOf(kind) : order.length);
  return { conflicts: [...found.values()].sort((a, b) => rank(a) - rank(b)), amiss };
}

function conflictWith(
  { kind, points, ground, fetchable, heightM }: PlanFeature,
  point: PlacedPoint,
  throwM: number,
): Pick<Conflict, "kind" | "m" | "limitM"> | null {
  switch (kind) {
    case "boundary": {
      const depth = depthInside(point, points);
      return depth < 0 ? { kind: "leaves-boundary", m: -depth, limitM: null } : null;
    }
    case "no-go":
      return inside(point, points) ? { kind: "over-no-go", m: depthInside(point, points), limitM: null } : null;
    case "people":
    case "road": {
      const m = distanceToLine(point, points);
      return m < throwM ? { kind: kind === "people" ? "near-people" : "near-road", m, limitM: throwM } : null;
    }
    case "building":
      return inside(point, points) && (heightM === null || point.heightM < heightM)
        ? { kind: "into-building", m: depthInside(point, points), limitM: heightM }
        : null;
    case "ground": {
      if ((ground !== "water" && fetchable) || !inside(point, points)) return null;
      return { kind: ground === "water" ? "over-water" : "not-fetchable", m: depthInside(point, points), limitM: null };
    }
    default:
      return null;
  }
}
