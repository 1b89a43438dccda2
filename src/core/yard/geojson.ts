import { DomainError } from "../numbers";
import { MOST_VERTICES, requireSitePlan } from "./check-plan";
import { courseKinds, type CourseKind, type CourseParameters } from "./course";
import { toEarth, toPlan, requireEarthPlace, type EarthPlace } from "./plane";
import { between, FARTHEST_M, type PlanPoint } from "./point";
import {
  EMPTY_PLAN,
  groundKinds,
  planKinds,
  planShapes,
  type GroundKind,
  type PlanFeature,
  type PlanKind,
  type PlannedCourse,
  type SitePlan,
} from "./site-plan";

/** The parts of RFC 7946 that are written and read here. */
type Position = readonly number[];
type Geometry =
  | { readonly type: "Point"; readonly coordinates: Position }
  | { readonly type: "LineString" | "MultiPoint"; readonly coordinates: readonly Position[] }
  | { readonly type: "Polygon"; readonly coordinates: readonly (readonly Position[])[] };
export interface GeoFeature {
  readonly type: "Feature";
  readonly id: string;
  readonly properties: Readonly<Record<string, unknown>>;
  readonly geometry: Geometry;
}
export interface GeoCollection {
  readonly type: "FeatureCollection";
  readonly features: readonly GeoFeature[];
  /** Foreign member (RFC 7946, 6.1): the frame the plan was drawn in. */
  readonly plan: { readonly origin: Position; readonly northDeg: number; readonly indoorHeightM: number | null };
}

/** About a millimetre on the ground. */
const DECIMALS = 8;

/**
 * A plan as GeoJSON (RFC 7946): longitude and latitude of WGS 84, outer rings anticlockwise and closed. A course is the places of its poles with the
 * rest in its properties. Throws a DomainError where nobody said where the site lies.
 */
export function toGeoJson(plan: SitePlan): GeoCollection {
  const { place } = requireSitePlan(plan);
  if (place === null) throw new DomainError("place", null, "latitude and longitude of the origin");
  const position = (point: PlanPoint): Position => {
    const { latitudeDeg, longitudeDeg } = toEarth(place, turned(point, plan.northDeg));
    return [Number(longitudeDeg.toFixed(DECIMALS)), Number(latitudeDeg.toFixed(DECIMALS))];
  };
  const shapes = plan.features.map((feature): GeoFeature => {
    const { id, points, ...properties } = feature;
    return { type: "Feature", id, properties, geometry: geometryOf(feature.kind, points, position) };
  });
  const courses = plan.courses.map((course): GeoFeature => {
    const { id, poles, pegs, ...rest } = course;
    const at = rest.parameters.at;
    return {
      type: "Feature",
      id,
      properties: {
        ...rest,
        parameters: { ...rest.parameters, ...(at && { at: position(at) }) },
        course: true,
        poleIds: poles.map((pole) => pole.id),
        poleHeightsM: poles.map((pole) => pole.heightM),
        pegs: pegs && pegs.map(position),
      },
      geometry: { type: "MultiPoint", coordinates: poles.map(position) },
    };
  });
  return {
    type: "FeatureCollection",
    features: [...shapes, ...courses],
    plan: {
      origin: [place.longitudeDeg, place.latitudeDeg],
      northDeg: plan.northDeg,
      indoorHeightM: plan.indoorHeightM,
    },
  };
}

/** A point of the plan in east and north of the earth. */
function turned({ eastM, northM }: PlanPoint, deg: number): PlanPoint {
  const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return { eastM: cos * eastM + sin * northM, northM: cos * northM - sin * eastM };
}

function geometryOf(kind: PlanKind, points: readonly PlanPoint[], position: (point: PlanPoint) => Position): Geometry {
  switch (planShapes[kind]) {
    case "point":
      return { type: "Point", coordinates: position(points[0]) };
    case "line":
      return { type: "LineString", coordinates: points.map(position) };
    case "area": {
      const ring = anticlockwise(points) ? points : [...points].reverse();
      return { type: "Polygon", coordinates: [[...ring, ring[0]].map(position)] };
    }
  }
}

const anticlockwise = (ring: readonly PlanPoint[]) =>
  ring.reduce((sum, { eastM, northM }, i) => {
    const next = ring[(i + 1) % ring.length];
    return sum + eastM * next.northM - next.eastM * northM;
  }, 0) > 0;

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

const refuse = (field: string, value: unknown, allowed: string, message?: string): never => {
  throw new DomainError(field, value, allowed, message && `${field} ${message}`);
};

function positionAt(field: string, value: unknown): EarthPlace {
  if (!Array.isArray(value) || value.length < 2) return refuse(field, value, "longitude and latitude");
  const [longitudeDeg, latitudeDeg] = value as unknown[];
  if (typeof longitudeDeg !== "number" || typeof latitudeDeg !== "number")
    return refuse(field, value, "longitude and latitude, numbers");
  return requireEarthPlace({ latitudeDeg, longitudeDeg }, field);
}

/** A shape read from a file: what it may be drawn as, its places, and what was said of it. */
interface ReadShape {
  readonly shape: "area" | "line" | "point" | "course";
  readonly places: readonly EarthPlace[];
  readonly properties: Record<string, unknown>;
  readonly id: string;
  readonly field: string;
}

/** The shapes of one geometry; collections and many-part shapes are taken apart. An area's holes are left out: nothing here has any. */
function shapesOf(
  geometry: unknown,
  field: string,
  add: (shape: ReadShape["shape"], places: EarthPlace[]) => void,
): void {
  if (!isRecord(geometry)) return refuse(field, geometry, "a geometry");
  const { type, coordinates } = geometry;
  const list = (value: unknown, at: string): unknown[] =>
    Array.isArray(value) ? (value as unknown[]) : refuse(at, value, "a list");
  const places = (value: unknown, at: string) => {
    const all = list(value, at);
    if (all.length > MOST_VERTICES) refuse(at, all.length, `at most ${MOST_VERTICES} corners in all`);
    return all.map((one, i) => positionAt(`${at}[${i}]`, one));
  };
  const ring = (value: unknown, at: string) => {
    const all = places(list(value, at)[0], `${at}[0]`);
    const [first, last] = [all.at(0), all.at(-1)];
    const closed = first?.latitudeDeg === last?.latitudeDeg && first?.longitudeDeg === last?.longitudeDeg;
    return closed && all.length > 1 ? all.slice(0, -1) : all;
  };
  const at = `${field}.coordinates`;
  switch (type) {
    case "Point":
      return add("point", [positionAt(at, coordinates)]);
    case "MultiPoint":
      return add("course", places(coordinates, at));
    case "LineString":
      return add("line", places(coordinates, at));
    case "MultiLineString":
      return list(coordinates, at).forEach((one, i) => add("line", places(one, `${at}[${i}]`)));
    case "Polygon":
      return add("area", ring(coordinates, at));
    case "MultiPolygon":
      return list(coordinates, at).forEach((one, i) => add("area", ring(one, `${at}[${i}]`)));
    case "GeometryCollection":
      return list(geometry.geometries, `${field}.geometries`).forEach((one, i) => {
        if (isRecord(one) && one.type === "GeometryCollection")
          refuse(`${field}.geometries[${i}]`, "GeometryCollection", "no collection in a collection");
        shapesOf(one, `${field}.geometries[${i}]`, add);
      });
    default:
      return refuse(`${field}.type`, type, "a geometry of RFC 7946");
  }
}

function readShapes(document: unknown): readonly ReadShape[] {
  if (!isRecord(document)) return refuse("file", document, "a GeoJSON object");
  const features: unknown =
    document.type === "FeatureCollection" ? document.features : document.type === "Feature" ? [document] : null;
  if (features === null && typeof document.type === "string")
    return readShapes({ type: "Feature", properties: {}, geometry: document });
  if (!Array.isArray(features)) return refuse("features", features, "a list");
  if (features.length > MOST_VERTICES) return refuse("features", features.length, `at most ${MOST_VERTICES} things`);
  const shapes: ReadShape[] = [];
  let corners = 0;
  features.forEach((feature: unknown, i) => {
    const field = `features[${i}]`;
    if (!isRecord(feature) || feature.type !== "Feature") return refuse(field, feature, "a Feature");
    if (feature.geometry === null) return;
    const properties = isRecord(feature.properties) ? feature.properties : {};
    let part = 0;
    shapesOf(feature.geometry, `${field}.geometry`, (shape, places) => {
      corners += places.length;
      if (corners > MOST_VERTICES) refuse("features", corners, `at most ${MOST_VERTICES} corners in all`);
      const name =
        typeof feature.id === "string" && feature.id !== "" && feature.id.length <= 70 ? feature.id : `read-${i}`;
      shapes.push({ shape, places, properties, id: part === 0 ? name : `${name}-${part}`, field });
      part++;
    });
  });
  return shapes;
}

const text = (value: unknown) => (typeof value === "string" ? value.slice(0, 80) : "");
const numberOrNull = (value: unknown) => (typeof value === "number" ? value : null);
/** What a shape of another program is drawn as. */
const usualKind = { area: "ground", line: "road", point: "post" } as const;

/**
 * A plan from GeoJSON. What was written here comes back as it was; shapes of another program become ground, roads and posts to be named. Its origin is
 * the one written in the file, else `origin`, else the middle of what is there. Throws a DomainError naming what can't be, as a shape on another continent.
 */
export function fromGeoJson(document: unknown, origin: EarthPlace | null = null): SitePlan {
  const shapes = readShapes(document);
  const frame = isRecord(document) && isRecord(document.plan) ? document.plan : {};
  const all = shapes.flatMap(({ places }) => places);
  const place = frame.origin !== undefined ? positionAt("plan.origin", frame.origin) : (origin ?? middlePlace(all));
  if (place === null) return EMPTY_PLAN;
  const northDeg = typeof frame.northDeg === "number" ? frame.northDeg : 0;
  const onPlan = (one: EarthPlace, field: string): PlanPoint => {
    const point = turned(toPlan(place, one), -northDeg);
    if (Math.hypot(point.eastM, point.northM) > FARTHEST_M)
      refuse(
        field,
        one,
        "places within 5 km of the site",
        `lies ${(between(point, { eastM: 0, northM: 0 }) / 1000).toFixed(0)} km from the site; a plan reaches 5 km`,
      );
    return point;
  };
  const features: PlanFeature[] = [];
  const courses: PlannedCourse[] = [];
  const ids = new Set<string>();
  for (const { shape, places, properties, id: wanted, field } of shapes) {
    let id = wanted;
    for (let n = 2; ids.has(id); n++) id = `${wanted}-${n}`;
    ids.add(id);
    const points = places.map((one) => onPlan(one, field));
    if (shape === "course" && properties.course === true)
      courses.push(readCourse(id, points, properties, onPlan, field));
    else if (shape === "course")
      points.forEach((point, i) => features.push(readFeature(`${id}-${i}`, "point", [point], properties)));
    else features.push(readFeature(id, shape, points, properties));
  }
  return requireSitePlan({ place, northDeg, indoorHeightM: numberOrNull(frame.indoorHeightM), features, courses });
}

function middlePlace(all: readonly EarthPlace[]): EarthPlace | null {
  if (all.length === 0) return null;
  const sum = (pick: (one: EarthPlace) => number) => all.reduce((total, one) => total + pick(one), 0) / all.length;
  return { latitudeDeg: sum((one) => one.latitudeDeg), longitudeDeg: sum((one) => one.longitudeDeg) };
}

function readFeature(
  id: string,
  shape: "area" | "line" | "point",
  points: readonly PlanPoint[],
  said: Record<string, unknown>,
): PlanFeature {
  const known = planKinds.find((one) => one === said.kind);
  const kind = known && planShapes[known] === shape ? known : usualKind[shape];
  const ground: GroundKind | null =
    groundKinds.find((one) => one === said.ground) ?? (kind === "ground" ? "grass" : null);
  return {
    id,
    kind,
    name: text(said.name),
    points,
    heightM: numberOrNull(said.heightM),
    widthM: numberOrNull(said.widthM),
    ground,
    fetchable: said.fetchable !== false,
  };
}

function readCourse(
  id: string,
  points: readonly PlanPoint[],
  said: Record<string, unknown>,
  onPlan: (place: EarthPlace, field: string) => PlanPoint,
  field: string,
): PlannedCourse {
  const ids = Array.isArray(said.poleIds) ? (said.poleIds as unknown[]) : [];
  const heights = Array.isArray(said.poleHeightsM) ? (said.poleHeightsM as unknown[]) : [];
  const kind: CourseKind | "own" = courseKinds.find((one) => one === said.kind) ?? "own";
  const poles = points.map((point, i) => ({
    id: text(ids[i]) || String(i + 1),
    ...point,
    heightM: numberOrNull(heights[i]),
  }));
  const pegs = Array.isArray(said.pegs)
    ? (said.pegs as unknown[]).map((one, i) => onPlan(positionAt(`${field}.pegs[${i}]`, one), field))
    : [];
  const parameters: Record<string, unknown> = isRecord(said.parameters) ? { ...said.parameters } : {};
  if (parameters.at !== undefined) parameters.at = onPlan(positionAt(`${field}.parameters.at`, parameters.at), field);
  return {
    id,
    kind,
    name: text(said.name),
    parameters: parameters as CourseParameters,
    poles,
    order: Array.isArray(said.order) ? (said.order as string[]) : poles.map((pole) => pole.id),
    pegs: pegs.length === 2 ? [pegs[0], pegs[1]] : null,
  };
}
