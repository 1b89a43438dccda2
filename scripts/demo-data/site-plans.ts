import { v7 as newId } from "uuid";
import {
  EMPTY_PLAN,
  planOrigin,
  type CourseKind,
  type CourseParameters,
  type PlanFeature,
  type SitePlan,
} from "@/core";
import { roomOf, withNewCourse } from "@/features/yard/edits";

type Pairs = readonly (readonly [eastM: number, northM: number])[];

const thing = (kind: PlanFeature["kind"], points: Pairs, more: Partial<PlanFeature> = {}): PlanFeature => ({
  ...{ id: newId(), kind, name: "", points: points.map(([eastM, northM]) => ({ eastM, northM })) },
  ...{ heightM: null, widthM: null, ground: null, fetchable: true },
  ...more,
});

const box = (west: number, south: number, east: number, north: number): Pairs => [
  [west, south],
  [east, south],
  [east, north],
  [west, north],
];

/** A plan with courses laid into its boundary, as a coach would let them be laid with the wind from the sea. */
const drawn = (
  place: SitePlan["place"],
  features: readonly PlanFeature[],
  laid: readonly (readonly [CourseKind, CourseParameters])[],
): SitePlan =>
  laid.reduce<SitePlan>(
    (plan, [kind, parameters]) =>
      withNewCourse(
        plan,
        { id: newId(), kind, parameters, at: planOrigin(plan) },
        roomOf(plan, { windFromDeg: 65, sun: null, throwM: 8 }),
      ),
    { ...EMPTY_PLAN, place, features },
  );

const pans: readonly PlanFeature[] = [
  thing("boundary", [
    [-74, -60],
    [72, -64],
    [80, 76],
    [-70, 84],
  ]),
  thing(
    "ground",
    [
      [-96, 98],
      [96, 88],
      [96, 124],
      [-96, 124],
    ],
    { ground: "water", fetchable: false, name: "Pan three" },
  ),
  thing("ground", box(-96, -10, -80, 60), { ground: "ruins", name: "boiling house" }),
  thing(
    "people",
    [
      [-96, -86],
      [96, -92],
    ],
    { name: "dyke path" },
  ),
  thing("post", [[-58, 62]], { heightM: 4, widthM: 0.15, name: "windmill frame" }),
  thing("post", [[-58, 30]], { heightM: 4, widthM: 0.15 }),
  thing("stand", [[-4, -54]]),
  thing("landing", [[10, -50]]),
];

const tower: readonly PlanFeature[] = [
  thing("boundary", [
    [-48, -40],
    [46, -40],
    [50, 42],
    [-44, 46],
  ]),
  thing("building", box(-4, 22, 4, 30), { heightM: 9, name: "brine tower" }),
  thing("no-go", box(-48, 48, 50, 60), { name: "pump house" }),
  thing(
    "road",
    [
      [-60, -58],
      [60, -58],
    ],
    { name: "tower track" },
  ),
  thing("tree", [[34, 30]], { heightM: 7, widthM: 5, name: "old pear" }),
  thing("stand", [[0, -36]]),
  thing("landing", [[-12, -32]]),
];

const dyke: readonly PlanFeature[] = [
  thing("boundary", [
    [-90, -22],
    [90, -22],
    [90, 34],
    [-90, 34],
  ]),
  thing("ground", box(-96, 40, 96, 70), { ground: "water", fetchable: false, name: "Pan four" }),
  thing(
    "people",
    [
      [-96, -42],
      [96, -42],
    ],
    { name: "weekend walkers" },
  ),
  thing(
    "wall",
    [
      [-88, 36],
      [-20, 36],
    ],
    { heightM: 1.2, name: "sluice wall" },
  ),
  thing("stand", [[0, -18]]),
  thing("landing", [[14, -16]]),
];

const yard: readonly PlanFeature[] = [
  thing("boundary", box(-25, -25, 25, 25)),
  thing(
    "wall",
    [
      [-25, 26],
      [25, 26],
    ],
    { heightM: 3, name: "north wall" },
  ),
  thing(
    "wall",
    [
      [-26, -25],
      [-26, 6],
    ],
    { heightM: 2.5, name: "west wall" },
  ),
  thing("no-go", box(-25, 27, 25, 40), { name: "power line" }),
  thing(
    "road",
    [
      [-40, -38],
      [40, -38],
    ],
    { name: "gate track" },
  ),
  thing("post", [[-14, 14]], { heightM: 3, widthM: 0.12 }),
  thing("post", [[-6, 14]], { heightM: 3, widthM: 0.12 }),
  thing("post", [[6, 14]], { heightM: 3, widthM: 0.12 }),
  thing("stand", [[0, -22]]),
];

const flown = (stepId: string, direction: string, [eastM, northM]: readonly [number, number], headingDeg: number) => ({
  ...{ id: newId(), of: { kind: "step", stepId, direction } as const },
  ...{ at: { eastM, northM }, headingDeg },
});

/** The camp's sites drawn to scale, by their names. */
export const sitePlans: Readonly<Record<string, SitePlan>> = {
  "Evaporation pans": {
    ...drawn({ latitudeDeg: 53.37, longitudeDeg: 5.22 }, pans, [
      ["stop-line", {}],
      ["square", { at: { eastM: -40, northM: 0 } }],
    ]),
    flights: [
      flown("flip-one-move", "back", [-30, -30], 20),
      // It carries farther than there is ground before the boundary: it is there to be turned.
      flown("split-s", "right", [52, 10], 65),
    ],
  },
  "Brine tower": drawn({ latitudeDeg: 53.371, longitudeDeg: 5.227 }, tower, [
    ["orbit-post", {}],
    ["loop-bar", {}],
  ]),
  Dyke: drawn({ latitudeDeg: 53.368, longitudeDeg: 5.223 }, dyke, [
    ["slalom", {}],
    ["landing-spot", {}],
  ]),
  "Store yard": drawn({ latitudeDeg: 53.372, longitudeDeg: 5.231 }, yard, [["eight", { spacingM: 12 }]]),
};
