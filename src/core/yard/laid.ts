import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { flyLineWorkedOut, lineRuns, briefHeightM, type Line, type LineFlight } from "../lines";
import { evenly, RAD_PER_DEG, requireNumber, turnedLevel, wrapDeg } from "../numbers";
import { CALM_AIR, type Environment, type Trace } from "../recipes";
import { USUAL_STOP_DEG, type PilotErrors } from "../scatter";
import { conflictsAlong, planConflicts, worse, type Conflict, type PlacedPoint } from "./conflicts";
import { placedAlong, requirePoint, type PlanPoint } from "./point";
import { obstaclesOf } from "./plan-obstacles";
import type { SitePlan } from "./site-plan";
import { throwDistanceM } from "./throw";

/** A line, or a single trick as a line of one item, laid on a plan: where it begins and which way it goes, ° clockwise from up on the plan. */
export interface Laid {
  readonly line: Line;
  readonly at: PlanPoint;
  readonly headingDeg: number;
}

/** With what it is flown there, and on what day. */
export interface LaidWith {
  readonly airframe: Airframe;
  readonly settings: Settings;
  /** Site elevation above standard, m, and offset of the day from the standard atmosphere, K. */
  readonly air: { readonly heightM: number; readonly isaOffsetK: number };
  readonly windMps: number;
  /** Where it comes from, ° from true north. */
  readonly windFromDeg: number;
  /** The height limit of the site; null for none. */
  readonly ceilingM: number | null;
}

/** Where a flight goes on a plan, thinned, in the order of flying. */
export interface WayOnPlan {
  readonly way: readonly PlacedPoint[];
  /** How far the aircraft is thrown if its power is lost there, m, for each point of the way. */
  readonly throwsM: readonly number[];
  readonly conflicts: readonly Conflict[];
  /** For each point of the way, whether it may not be there. */
  readonly amiss: readonly boolean[];
}

export interface FlownOnPlan extends WayOnPlan {
  readonly measures: LineFlight["measures"];
  /** What stands at the site and is flown into, or the ground; null where nothing is. */
  readonly into: string | null;
  /** By how much the wind moves its end from where it ends in a calm, m. */
  readonly driftM: number;
  /** As it was worked out: what the flights with errors keep to. */
  readonly planned: Pick<LineFlight, "items"> & { readonly line: Line };
}

/** What the flights of a cloud break, and how many of them do. */
export interface CloudConflict extends Conflict {
  readonly flights: number;
}

export interface CloudOnPlan {
  readonly ways: readonly (readonly PlacedPoint[])[];
  /** Of so many, those that hit the ground or something, or do not come to their end. */
  readonly broken: number;
  readonly conflicts: readonly CloudConflict[];
}

/** Points a way is thinned to: a place every few metres. */
const WAY_POINTS = 160;

/** The day's wind against true north, and what stands near where it begins. */
function environmentOf(plan: SitePlan, { at, headingDeg, line }: Laid, flown: LaidWith): Environment {
  const { air, windMps, windFromDeg } = flown;
  requireNumber("windMps", windMps, 0, 40);
  const from = RAD_PER_DEG * requireNumber("windFromDeg", windFromDeg, -360, 360);
  const obstacles = obstaclesOf(plan, at, headingDeg);
  return {
    ...CALM_AIR,
    entryHeightM: line.entryHeightM ?? CALM_AIR.entryHeightM,
    siteElevationM: air.heightM,
    isaOffsetK: air.isaOffsetK,
    windNorthMps: windMps === 0 ? 0 : -windMps * Math.cos(from),
    windEastMps: windMps === 0 ? 0 : -windMps * Math.sin(from),
    ...(obstacles.length > 0 && { obstacles }),
  };
}

const requireLaid = ({ at, headingDeg }: Laid) => {
  requirePoint("at", at);
  requireNumber("headingDeg", headingDeg, -360, 360);
};

/** The line with its heading against true north, as the wind is told. */
const headed = ({ line, headingDeg }: Laid, plan: SitePlan): Line => ({
  ...line,
  headingDeg: wrapDeg(headingDeg + plan.northDeg),
});

/** A single trick that nobody gave a height is begun where its brief begins it. */
function begunHigh(line: Line, { airframe, settings }: LaidWith, environment: Environment): Line {
  const single = line.items.length === 1 && line.items[0].kind === "trick";
  if ((line.entryHeightM ?? null) !== null || !single) return line;
  return { ...line, entryHeightM: briefHeightM(line, airframe, settings, environment) };
}

/** How far it is thrown from one moment of a flight. Its own speed is over the ground; the wind along it is what helps it on. */
function thrownFrom(trace: Trace, i: number, heading: number, { airframe, air, windMps, windFromDeg }: ThrownWith) {
  const [north, east] = turnedLevel(heading, trace.vNorthMps[i], trace.vEastMps[i]);
  const speedMps = Math.hypot(north, east);
  const from = RAD_PER_DEG * windFromDeg;
  const along = speedMps < 0.1 ? windMps : (-windMps * (north * Math.cos(from) + east * Math.sin(from))) / speedMps;
  return throwDistanceM(airframe, {
    speedMps,
    climbMps: trace.climbMps[i],
    heightM: Math.max(0, trace.heightM[i]),
    air,
    windMps: along,
  });
}

type ThrownWith = Pick<LaidWith, "airframe" | "air" | "windMps" | "windFromDeg">;

/**
 * Where a flight goes that begins at a place of a plan with a heading on it, what it breaks there, and how far a dead aircraft would be thrown
 * from each of its points. The trace is along its line of entry.
 */
export function wayOnPlan(
  plan: SitePlan,
  trace: Trace,
  { at, headingDeg }: Pick<Laid, "at" | "headingDeg">,
  flown: ThrownWith & Pick<LaidWith, "ceilingM">,
): WayOnPlan {
  const kept = evenly(trace.timeS.length, WAY_POINTS);
  const way = kept.map((i): PlacedPoint => ({
    ...placedAlong(at, headingDeg, trace.northM[i], trace.eastM[i]),
    heightM: trace.heightM[i],
  }));
  const throwsM = kept.map((i) => thrownFrom(trace, i, headingDeg + plan.northDeg, flown));
  return { way, throwsM, ...conflictsAlong(plan, way, { throwM: throwsM, ceilingM: flown.ceilingM }) };
}

/**
 * Flies a line where it lies on a plan, in the day's wind, among what stands there: its way, what it breaks, how far a dead aircraft would be
 * thrown from each of its points, and its drift. Throws a DomainError naming the field or the item.
 */
export function flyOnPlan(plan: SitePlan, laid: Laid, flown: LaidWith): FlownOnPlan {
  requireLaid(laid);
  const line = begunHigh(headed(laid, plan), flown, environmentOf(plan, laid, flown));
  const environment = environmentOf(plan, { ...laid, line }, flown);
  const worked = flyLineWorkedOut(line, flown.airframe, flown.settings, environment);
  const { trace, events, items, measures } = worked.flight;
  const crash = events.find((event) => event.kind === "crash");
  return {
    ...wayOnPlan(plan, trace, laid, flown),
    measures,
    into: crash ? crash.into : null,
    driftM: flown.windMps === 0 ? 0 : driftOf(trace, line, environment, flown),
    planned: { items, line: worked.line },
  };
}

/** How far apart the ends are, with and without the wind, the hands the same. */
function driftOf(windy: Trace, line: Line, environment: Environment, { airframe, settings }: LaidWith): number {
  const calm = flyLineWorkedOut(line, airframe, settings, { ...environment, windNorthMps: 0, windEastMps: 0 });
  const end = ({ northM, eastM }: Trace) => [northM[northM.length - 1], eastM[eastM.length - 1]];
  const [[a, b], [c, d]] = [end(windy), end(calm.flight.trace)];
  return Math.hypot(a - c, b - d);
}

/**
 * The same line flown `runs` times with errors of the hands and the wind: where the flights go, and how many of them break what. From people and
 * roads they are held off by the farthest throw of the flight as planned. Throws a DomainError naming the field.
 */
export function cloudOnPlan(
  plan: SitePlan,
  laid: Laid,
  flown: LaidWith,
  { planned, throwsM }: Pick<FlownOnPlan, "planned" | "throwsM">,
  { errors, runs, seed = 1 }: { readonly errors: PilotErrors; readonly runs: number; readonly seed?: number },
): CloudOnPlan {
  requireLaid(laid);
  requireNumber("runs", runs, 1, 200);
  const { airframe, settings, ceilingM } = flown;
  const { line } = planned;
  const flights = lineRuns(
    {
      ...{ line, airframe, settings, environment: environmentOf(plan, { ...laid, line }, flown) },
      ...{ errors, stopWithinDeg: USUAL_STOP_DEG, seed, planned: planned.items.map(({ recipe }) => recipe) },
    },
    0,
    runs,
  );
  const ways = flights.map(({ path }) =>
    (path ?? []).map(([alongM, acrossM, heightM]): PlacedPoint => ({
      ...placedAlong(laid.at, laid.headingDeg, alongM, acrossM),
      heightM,
    })),
  );
  const throwM = Math.max(...throwsM);
  const found = new Map<string, CloudConflict>();
  for (const way of ways)
    for (const conflict of planConflicts(plan, way, { throwM, ceilingM })) {
      const key = `${conflict.kind} ${conflict.featureId}`;
      const known = found.get(key);
      const worst = !known || worse(conflict, known) ? conflict : known;
      found.set(key, { ...worst, flights: (known?.flights ?? 0) + 1 });
    }
  return {
    ways,
    broken: flights.filter(({ brokeAt }) => brokeAt !== null).length,
    conflicts: [...found.values()].sort((a, b) => b.flights - a.flights),
  };
}
