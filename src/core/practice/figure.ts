import type { Airframe } from "../airframe";
import { spanM } from "../gaps";
import { DomainError, RAD_PER_DEG } from "../numbers";
import type { Obstacle, Recipe } from "../recipes";
import { courses, STEP_M, type PlanPoint } from "../yard";
import type { Task } from "./drill";

/** A place on the way of good hands, m from the start. */
export interface WayPoint extends PlanPoint {
  /** Seconds to stand still there; 0 to fly on. */
  readonly haltS: number;
}

/** Where the nose points along the way. */
export type Nose =
  | { readonly kind: "held" }
  | { readonly kind: "along" }
  | { readonly kind: "backward" }
  /** Turns round once, right positive, between the start and the end. */
  | { readonly kind: "turning"; readonly turns: number };

/** Where it is watched from: a place on the ground, behind it wherever it goes, or through the camera, and otherwise from a place. */
export interface Seat {
  readonly kind: "stands" | "walks" | "camera";
  readonly at: PlanPoint;
}

/** What is flown by hand where no recipe flies it: what stands there, the way of good hands, and what is asked for. It begins in a hover, nose to the north. */
export interface Figure {
  readonly heightM: number;
  readonly obstacles: readonly Obstacle[];
  readonly way: readonly WayPoint[];
  readonly speedMps: number;
  readonly nose: Nose;
  readonly task: Task;
  readonly seat: Seat;
  /** Turning may gather faster than the model's by this, as a share; as fast as one likes if not said. */
  readonly jerkShare?: number;
}

const figureKinds = [
  "hover-by-eye",
  "nose-in",
  "eights-walked",
  "circles-by-eye",
  "eight-by-eye",
  "backward-circuit",
  "travelling-spin",
  "hover",
  "mark-and-back",
  "round-turn",
  "circuit",
  "four-ways",
  "yaw-square",
  "bank-square",
  "slalom",
  "eight",
  "stop-line",
  "gap-wide",
  "gap-ladder",
  "smooth-eight",
  "mode-switch",
] as const;
export type FigureKind = (typeof figureKinds)[number];

/** Sizes follow the steps they serve (section 3 of the design); where it is silent, common practice, no source. */
const HEAD_M = 1.7;
const HOLD_M = 2;
const STANDS_M = 6;
const HALT_S = 1;
/** A switch there and back takes so long from the start, s. */
const SWITCH_S = 14;
/** Slower than this it stands over a place, m/s. */
const HALTED_MPS = 0.8;
const POLE_ACROSS_M = 0.06;
const JERK_SHARE = 1.5;

const at = (northM: number, eastM: number, haltS = 0): WayPoint => ({ northM, eastM, haltS });
const standing = (northM: number, eastM: number): Seat => ({ kind: "stands", at: { northM, eastM } });
const CAMERA: Seat = { kind: "camera", at: { northM: -9, eastM: 0 } };

const hold = (seconds: number, lowestM: number, highestM: number, noseWithinDeg: number | null = null): Task => ({
  ...{ kind: "hold", at: { eastM: 0, northM: 0 }, radiusM: HOLD_M, seconds, lowestM, highestM, noseWithinDeg },
});

/** Part of a circle about a place, from a bearing on, in even steps; right-hand where `deg` is positive. */
function arc(centre: PlanPoint, radiusM: number, fromDeg: number, deg: number, steps: number): WayPoint[] {
  return Array.from({ length: steps }, (_, i) => {
    const angle = RAD_PER_DEG * (fromDeg + (deg * (i + 1)) / steps);
    return at(centre.northM + radiusM * Math.cos(angle), centre.eastM + radiusM * Math.sin(angle));
  });
}

/** Places of a way once round: near enough to one another that hands need no corner. */
const ROUND = 72;
/** Once round to the right about a place to the right of the start, and to the left about one to its left. */
const roundRight = (radiusM: number, times = 1) =>
  arc({ northM: 0, eastM: radiusM }, radiusM, -90, 360 * times, ROUND * times);
const roundLeft = (radiusM: number) => arc({ northM: 0, eastM: -radiusM }, radiusM, 90, -360, ROUND);

interface Course {
  readonly withinM: number;
  readonly bandM: number;
  readonly haltMps?: number;
  readonly nose?: "ahead" | "backward";
  readonly turnedDeg?: number;
}

/** Every so many places of a way, at its height give or take. */
const course = (way: readonly WayPoint[], heightM: number, { withinM, bandM, ...rest }: Course, every = 1): Task => ({
  ...{ kind: "course", withinM, haltMps: null, lowestM: Math.max(0.2, heightM - bandM), highestM: heightM + bandM },
  ...rest,
  at: way.filter((_, i) => (i + 1) % every === 0).map(({ northM, eastM }) => ({ northM, eastM })),
});

/** Poles of a course of the yard, its first at this place ahead. */
function polesOf(kind: "stop-line" | "slalom" | "square", firstM: number): Obstacle[] {
  const { poles } = courses[kind]();
  const [first] = poles;
  return poles.map(({ northM, eastM, heightM }) => ({
    ...{ kind: "pole", heightM: heightM ?? 0.1, widthM: POLE_ACROSS_M },
    ...{ alongM: firstM + northM - first.northM, acrossM: eastM - first.eastM },
  }));
}

/** A gate across the way, so many widths of the aircraft wide. */
const gap = (alongM: number, widths: number, aircraft: Airframe): Obstacle => ({
  ...{ kind: "gap", alongM, acrossM: 0, heightM: 3, widthM: widths * spanM(aircraft) },
});

function throughGaps(gaps: readonly Obstacle[], aircraft: Airframe, speedMps: number): Figure {
  const way = [...gaps.map(({ alongM }) => at(alongM, 0)), at(gaps[gaps.length - 1].alongM + 6, 0)];
  return {
    ...{ heightM: 1.5, obstacles: gaps, way, speedMps, nose: { kind: "along" }, seat: CAMERA },
    // Anywhere between the posts of each: what is touched ends the try.
    task: {
      ...{ kind: "course", withinM: 0, haltMps: null, lowestM: 0.2, highestM: 2.9 },
      at: gaps.map(({ alongM, widthM }) => ({ northM: alongM, eastM: 0, withinM: 0.5 * widthM })),
    },
  };
}

type Made = (side: 1 | -1, aircraft: Airframe) => Figure;

const figures: Readonly<Record<FigureKind, Made>> = {
  "hover-by-eye": () => hovered(1.5, hold(30, 0.2, 3), standing(-STANDS_M, 0)),
  "nose-in": () => hovered(1.5, hold(20, 0.2, 3, 60), standing(STANDS_M, 0)),
  hover: () => hovered(1.5, hold(30, 1, 2), CAMERA),
  "eights-walked": (side) =>
    eightOf(side, {
      radiusM: 6,
      speedMps: 1.5,
      heightM: 1.5,
      seat: { kind: "walks", at: { northM: -STANDS_M, eastM: 0 } },
    }),
  "eight-by-eye": (side) => eightOf(side, { radiusM: 6, speedMps: 2, heightM: HEAD_M, seat: standing(-10, 0) }),
  eight: (side) => ({
    ...eightOf(side, { radiusM: 7, speedMps: 3, heightM: 2, seat: CAMERA }),
    obstacles: [7, -7].map((acrossM) => ({ kind: "pole", alongM: 0, acrossM, heightM: 2, widthM: POLE_ACROSS_M })),
  }),
  "circles-by-eye": (side) => {
    const radiusM = 10 * STEP_M;
    const way = roundRight(radiusM, 3);
    return turnedTo(side, {
      ...{ heightM: HEAD_M, obstacles: [], way, speedMps: 2.5, nose: { kind: "along" } },
      ...{
        task: course(way, HEAD_M, { withinM: 2.5, bandM: 1, nose: "ahead" }, ROUND / 4),
        seat: standing(0, radiusM),
      },
    });
  },
  "round-turn": (side) => {
    const way = roundRight(8);
    return turnedTo(side, {
      ...{ heightM: 2, obstacles: [], way, speedMps: 2.5, nose: { kind: "along" }, seat: CAMERA },
      task: course(way, 2, { withinM: 2.5, bandM: 1, nose: "ahead" }, ROUND / 6),
    });
  },
  "backward-circuit": (side) => {
    // Away to the south, tail first, and round.
    const way = arc({ northM: 0, eastM: -8 }, 8, 90, 360, ROUND);
    return turnedTo(side, {
      ...{ heightM: HEAD_M, obstacles: [], way, speedMps: 1.5, nose: { kind: "backward" }, seat: standing(-12, -8) },
      task: course(way, HEAD_M, { withinM: 2.5, bandM: 1.2, nose: "backward" }, ROUND / 6),
    });
  },
  "travelling-spin": (side) => {
    const way = [6, 12, 18, 24].map((m) => at(m, 0));
    return turnedTo(side, {
      ...{
        heightM: HEAD_M,
        obstacles: [],
        way,
        speedMps: 2,
        nose: { kind: "turning", turns: 1 },
        seat: standing(-8, 0),
      },
      task: course(way, HEAD_M, { withinM: 2, bandM: 1.2, turnedDeg: 330 }),
    });
  },
  "mark-and-back": () => {
    const way = [at(10, 0, HALT_S), at(0, 0, HALT_S)];
    return held(way, 2.5, course(way, 2, { withinM: 1.5, bandM: 1, haltMps: HALTED_MPS }));
  },
  "four-ways": () => {
    const home = at(0, 0, HALT_S);
    const out = [at(6, 0, HALT_S), at(-6, 0, HALT_S), at(0, 6, HALT_S), at(0, -6, HALT_S)];
    const way = out.flatMap((place) => [place, home]);
    return held(way, 2, course(way, 2, { withinM: 1.5, bandM: 0.5, haltMps: HALTED_MPS }));
  },
  "yaw-square": (side) => squareOf(side, 1.5, HALT_S, 2),
  "bank-square": (side) => squareOf(side, 3.5, 0, 3),
  circuit: (side) => squareOf(side, 4.5, 0, 3.5),
  slalom: () => {
    const poles = polesOf("slalom", 7);
    const wide = 2.2;
    const beside = poles.map(({ alongM }, i) => at(alongM, i % 2 === 0 ? wide : -wide));
    const last = poles[poles.length - 1].alongM;
    const back = [...poles].reverse().map(({ alongM }, i) => at(alongM, (poles.length - i) % 2 === 0 ? wide : -wide));
    const way = [...beside, at(last + 3, 0), ...back];
    return {
      ...{ heightM: 1.5, obstacles: poles, way, speedMps: 2.5, nose: { kind: "along" }, seat: CAMERA },
      task: course([...beside, ...back], 1.5, { withinM: wide - 0.1, bandM: 1.3 }),
    };
  },
  "stop-line": () => {
    // Flown beside the poles: over them nobody sees them.
    const obstacles = polesOf("stop-line", 9).map((pole) => ({ ...pole, acrossM: 1.5 }));
    const way = obstacles.map(({ alongM }) => at(alongM, 0, HALT_S));
    return {
      ...{ heightM: 2, obstacles, way, speedMps: 4, nose: { kind: "held" }, seat: CAMERA },
      task: course(way, 2, { withinM: 1.5, bandM: 1, haltMps: HALTED_MPS }),
    };
  },
  // Fast, wide and even: its limit is told by the model's own way.
  "smooth-eight": (side) => ({
    ...eightOf(side, { radiusM: 10, speedMps: 3.5, heightM: 3, seat: CAMERA }),
    jerkShare: JERK_SHARE,
  }),
  // High and level; the call comes after some seconds.
  "mode-switch": () => hovered(10, { kind: "call", answer: "switch", fromS: 3, toS: 8, callS: null }, CAMERA, SWITCH_S),
  "gap-wide": (_side, aircraft) => throughGaps([gap(20, 6, aircraft)], aircraft, 3),
  "gap-ladder": (_side, aircraft) =>
    throughGaps(
      [5, 4, 3, 2].map((widths, i) => gap(18 + 15 * i, widths, aircraft)),
      aircraft,
      3,
    ),
};

function hovered(heightM: number, task: Task, seat: Seat, forS = 0): Figure {
  const haltS = task.kind === "hold" ? task.seconds + 1 : forS;
  return { heightM, obstacles: [], way: [at(0, 0, haltS)], speedMps: 1, nose: { kind: "held" }, task, seat };
}

const held = (way: readonly WayPoint[], speedMps: number, task: Task): Figure => ({
  ...{ heightM: 2, obstacles: [], way, speedMps, nose: { kind: "held" }, task, seat: CAMERA },
});

function eightOf(
  side: 1 | -1,
  { radiusM, heightM, ...rest }: { radiusM: number; heightM: number; speedMps: number; seat: Seat },
): Figure {
  const way = [...roundRight(radiusM), ...roundLeft(radiusM)];
  return turnedTo(side, {
    ...{ heightM, obstacles: [], way, nose: { kind: "along" }, ...rest },
    task: course(way, heightM, { withinM: 2.5, bandM: 1, nose: "ahead" }, ROUND / 6),
  });
}

/** Round the square of the yard: its corners are the marks. */
function squareOf(side: 1 | -1, speedMps: number, haltS: number, withinM: number): Figure {
  const corners = polesOf("square", 0).map(({ alongM, acrossM }) => at(alongM, acrossM, haltS));
  const way = [...corners.slice(1), corners[0]];
  return turnedTo(side, {
    // Poles outside the corners, so that they are flown round and seen.
    ...{ heightM: 2, way, speedMps, nose: { kind: "along" }, seat: CAMERA },
    obstacles: polesOf("square", 0).map((pole) => ({
      ...pole,
      alongM: pole.alongM + (pole.alongM > 1 ? 1.5 : -1.5),
      acrossM: pole.acrossM + (pole.acrossM > 1 ? 1.5 : -1.5),
    })),
    task: course(way, 2, { withinM, bandM: 1.2 }),
  });
}

/** The other way round: everything mirrored about the line of the start. */
function turnedTo(side: 1 | -1, figure: Figure): Figure {
  if (side === 1) return figure;
  const over = <Point extends PlanPoint>(point: Point): Point => ({ ...point, eastM: -point.eastM });
  const { task, nose, seat } = figure;
  return {
    ...figure,
    obstacles: figure.obstacles.map((one) => ({ ...one, acrossM: -one.acrossM })),
    way: figure.way.map(over),
    task: task.kind === "course" ? { ...task, at: task.at.map(over) } : task,
    nose: nose.kind === "turning" ? { ...nose, turns: -nose.turns } : nose,
    seat: { ...seat, at: over(seat.at) },
  };
}

/** The figure of a kind, to a side, for an aircraft. Throws a DomainError for a kind that there is not. */
export function figureOf(kind: FigureKind, side: "right" | "left", aircraft: Airframe): Figure {
  const made = figures[kind];
  if (!made) throw new DomainError("figure", kind, figureKinds.join(", "));
  return made(side === "right" ? 1 : -1, aircraft);
}

/** How a figure begins, as a recipe: a hover, and nothing more. */
export const hoverStart = (id: string): Recipe => ({
  ...{ id, label: id, start: { kind: "hover" }, parameters: {}, turn: null, solveFor: [], abort: [], slip: {} },
  phases: [{ id: "hold", label: "Hold", throttle: { kind: "sustained" }, until: [{ kind: "time", s: 1 }], maxS: 2 }],
});
