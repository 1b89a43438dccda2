import { RAD_PER_DEG } from "../numbers";
import {
  legsThrough,
  requireCourseParameters,
  type Course,
  type CourseKind,
  type CourseLeg,
  type CourseParameters,
  type Gate,
  type Pole,
} from "./course";
import { placedAlong } from "./point";

const ORIGIN = { eastM: 0, northM: 0 };
/** A coach's step, m. Common practice, no source: three quarters of a metre. */
export const STEP_M = 0.75;
/** Height of a pole, m, and beyond it nothing to a mark on the ground. Ours. */
const POLE_M = 2;

/** Poles before they are placed: along the heading, across it to the right, height. */
type Rough = readonly (readonly [id: string, alongM: number, acrossM: number, heightM: number | null])[];

interface Draft {
  readonly poles: Rough;
  readonly order: readonly string[];
  readonly end: CourseLeg["end"];
  readonly gates?: readonly Gate[];
  readonly aroundM: number;
  readonly runOutM: number;
}

/** A course about the middle of its poles, turned and moved as asked. */
function place(kind: CourseKind, parameters: CourseParameters, draft: Draft): Course {
  const { at = ORIGIN, headingDeg = 0 } = requireCourseParameters(parameters);
  const middle = (of: 1 | 2) => {
    const all = draft.poles.map((pole) => pole[of]);
    return 0.5 * (Math.min(...all) + Math.max(...all));
  };
  const [along, across] = [middle(1), middle(2)];
  const poles = draft.poles.map(([id, a, b, heightM]): Pole => ({
    id,
    ...placedAlong(at, headingDeg, a - along, b - across),
    heightM,
  }));
  return {
    kind,
    poles,
    legs: legsThrough(poles, draft.order, draft.end),
    gates: draft.gates ?? [],
    headingDeg: ((headingDeg % 360) + 360) % 360,
    aroundM: draft.aroundM,
    runOutM: draft.runOutM,
  };
}

const inLine = (count: number, spacingM: number): Rough =>
  Array.from({ length: count }, (_, i) => [String(i + 1), i * spacingM, 0, POLE_M] as const);

const ids = (poles: Rough) => poles.map(([id]) => id);

/** Marks round a middle, the first ahead of it, then clockwise. */
const round = (count: number, radiusM: number, heightM: number | null): Rough =>
  Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count;
    return [String(i + 1), radiusM * Math.cos(angle), radiusM * Math.sin(angle), heightM] as const;
  });

/** A gate of two poles across the heading. */
function gate(name: string, alongM: number, widthM: number, heightM: number, barM: number | null) {
  const [left, right] = [`${name}L`, `${name}R`];
  return {
    poles: [
      [left, alongM, -0.5 * widthM, heightM],
      [right, alongM, 0.5 * widthM, heightM],
    ] as Rough,
    gate: { left, right, widthM, barM },
  };
}

/** How many widths of the aircraft gate i of the ladder is: even steps from the widest to the narrowest. */
const ladderWidths = (i: number, count: number, widest: number, narrowest: number) =>
  widest + ((narrowest - widest) * i) / Math.max(1, count - 1);

/** Marks on the ground on the middle line, from which a gate is flown at and to which. */
const inAndOut = (fromM: number, toM: number): Rough => [
  ["in", fromM, 0, null],
  ["out", toM, 0, null],
];
const IN_AND_OUT = ["in", "out"] as const;

/** Courses of drills that are watched from the ground: nothing of them is told by what a camera sees. */
export const coursesByEye: readonly CourseKind[] = ["ring", "step-circle", "walked-eight"];

/**
 * The courses by id. Each takes parameters (all may be left out) and gives its poles in m east and north of the origin and its legs in the order
 * of flying. Sizes are those of the steps they serve; common practice, no source, where section 3 of the design says nothing.
 * Throws a DomainError naming the parameter.
 */
export const courses = {
  /** Poles in line to halt over, into the wind; at the end a turn by yaw. */
  "stop-line": (parameters: CourseParameters = {}): Course => {
    const poles = inLine(parameters.count ?? 5, parameters.spacingM ?? 9);
    return place("stop-line", parameters, { poles, order: ids(poles), end: "stop", aroundM: 5, runOutM: 12 });
  },

  square: (parameters: CourseParameters = {}): Course => {
    const side = parameters.sideM ?? 15;
    const poles: Rough = [
      ["1", 0, 0, POLE_M],
      ["2", side, 0, POLE_M],
      ["3", side, side, POLE_M],
      ["4", 0, side, POLE_M],
    ];
    return place("square", parameters, { poles, order: [...ids(poles), "1"], end: "turn", aroundM: 6, runOutM: 6 });
  },

  /** Flown to and fro on alternating sides, a hairpin round each end. */
  slalom: (parameters: CourseParameters = {}): Course => {
    const poles = inLine(parameters.count ?? 4, parameters.spacingM ?? 15);
    const there = ids(poles);
    return place("slalom", parameters, {
      poles,
      order: [...there, ...there.slice(0, -1).reverse()],
      end: "turn",
      aroundM: 8,
      runOutM: 10,
    });
  },

  eight: (parameters: CourseParameters = {}): Course => {
    const poles = inLine(2, parameters.spacingM ?? 20);
    return place("eight", parameters, { poles, order: ["1", "2", "1"], end: "turn", aroundM: 10, runOutM: 10 });
  },

  /** One post to circle, its circle marked at the four quarters. */
  "orbit-post": (parameters: CourseParameters = {}): Course => {
    const radius = parameters.radiusM ?? 8;
    const quarters = round(4, radius, null);
    return place("orbit-post", parameters, {
      poles: [["post", 0, 0, 3], ...quarters],
      order: [...ids(quarters), "1"],
      end: "pass",
      aroundM: 6,
      runOutM: 6,
    });
  },

  /** A ring on the ground to hover over: 2 m across. */
  ring: (parameters: CourseParameters = {}): Course => {
    const marks = round(4, parameters.radiusM ?? 1, null);
    return place("ring", parameters, {
      poles: marks,
      order: [...ids(marks), "1"],
      end: "pass",
      aroundM: 5,
      runOutM: 5,
    });
  },

  /** A circle ten steps across, for circling by eye. */
  "step-circle": (parameters: CourseParameters = {}): Course => {
    const marks = round(8, parameters.radiusM ?? 5 * STEP_M, null);
    return place("step-circle", parameters, {
      poles: marks,
      order: [...ids(marks), "1"],
      end: "pass",
      aroundM: 5,
      runOutM: 5,
    });
  },

  /** Two marks to walk a figure of eight round, behind the aircraft. */
  "walked-eight": (parameters: CourseParameters = {}): Course => {
    const poles = inLine(2, parameters.spacingM ?? 12).map(([id, a, b]) => [id, a, b, null] as const);
    return place("walked-eight", parameters, { poles, order: ["1", "2", "1"], end: "turn", aroundM: 6, runOutM: 6 });
  },

  /** A spot to land on, and where the descent begins at 30° and at 45°. */
  "landing-spot": (parameters: CourseParameters = {}): Course => {
    const height = parameters.heightM ?? 6;
    const back = (deg: number) => -height / Math.tan(RAD_PER_DEG * deg);
    const poles: Rough = [
      ["30°", back(30), 0, null],
      ["45°", back(45), 0, null],
      ["spot", 0, 0, null],
    ];
    return place("landing-spot", parameters, { poles, order: ids(poles), end: "pass", aroundM: 5, runOutM: 10 });
  },

  /** A wall of two poles and a bar to fly at, and marks before it at which to pull up. */
  "bail-wall": (parameters: CourseParameters = {}): Course => {
    const wall = gate("wall", 0, 4, parameters.heightM ?? 2, parameters.heightM ?? 2);
    const marks: Rough = [18, 12, 6].map((m) => [`${m} m`, -m, 0, null] as const);
    return place("bail-wall", parameters, {
      poles: [...marks, ...wall.poles],
      order: ids(marks),
      end: "pass",
      gates: [wall.gate],
      aroundM: 6,
      runOutM: 15,
    });
  },

  /** Gates one behind the other, each narrower, in widths of the aircraft. */
  "gap-ladder": (parameters: CourseParameters = {}): Course => {
    const { count = 4, spacingM = 15, aircraftWidthM = 0.3, widths = 5, narrowestWidths = 2, heightM = 3 } = parameters;
    const gates = Array.from({ length: count }, (_, i) =>
      gate(
        String(i + 1),
        i * spacingM,
        aircraftWidthM * ladderWidths(i, count, widths, narrowestWidths),
        heightM,
        heightM,
      ),
    );
    const poles = [...gates.flatMap((one) => one.poles), ...inAndOut(-3, (count - 1) * spacingM + 3)];
    return place("gap-ladder", parameters, {
      poles,
      order: IN_AND_OUT,
      end: "pass",
      gates: gates.map((one) => one.gate),
      aroundM: 5,
      runOutM: 17,
    });
  },

  /** Two posts to pass on edge, with room beyond. */
  "knife-edge-pair": (parameters: CourseParameters = {}): Course => {
    const { aircraftWidthM = 0.3, widths = 4, heightM = 4 } = parameters;
    const pair = gate("1", 0, aircraftWidthM * widths, heightM, null);
    return place("knife-edge-pair", parameters, {
      poles: [...pair.poles, ...inAndOut(-15, 15)],
      order: IN_AND_OUT,
      end: "pass",
      gates: [pair.gate],
      aroundM: 8,
      runOutM: 10,
    });
  },

  /** A bar between two posts to loop over. */
  "loop-bar": (parameters: CourseParameters = {}): Course => {
    const bar = gate("1", 0, 4, parameters.heightM ?? 3, parameters.heightM ?? 3);
    return place("loop-bar", parameters, {
      poles: [...bar.poles, ...inAndOut(-15, 15)],
      order: IN_AND_OUT,
      end: "pass",
      gates: [bar.gate],
      aroundM: 10,
      runOutM: 5,
    });
  },
} satisfies Record<CourseKind, (parameters?: CourseParameters) => Course>;
