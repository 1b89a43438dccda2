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
    [-52, -34],
    [50, -37],
    [56, 18],
    [-48, 27],
  ]),
  thing(
    "ground",
    [
      [-66, 40],
      [66, 30],
      [66, 62],
      [-66, 62],
    ],
    { ground: "water", fetchable: false, name: "Pan three" },
  ),
  thing("building", box(30, -18, 38, -11), { heightM: 9, name: "brine tower" }),
  thing(
    "people",
    [
      [-66, -46],
      [66, -50],
    ],
    { name: "dyke path" },
  ),
  thing("post", [[-38, 18]], { heightM: 4, widthM: 0.15, name: "windmill frame" }),
  thing("stand", [[-4, -30]]),
  thing("landing", [[8, -28]]),
];

const yard: readonly PlanFeature[] = [
  thing("boundary", box(-24, -18, 24, 16)),
  thing(
    "wall",
    [
      [-24, 17],
      [24, 17],
    ],
    { heightM: 3, name: "north wall" },
  ),
  thing(
    "wall",
    [
      [-25, -18],
      [-25, 4],
    ],
    { heightM: 2.5, name: "west wall" },
  ),
  thing("no-go", box(-24, 18, 24, 30), { name: "power line" }),
  thing(
    "road",
    [
      [-30, -27],
      [30, -27],
    ],
    { name: "gate track" },
  ),
  thing("post", [[-12, 6]], { heightM: 3, widthM: 0.12 }),
  thing("post", [[-4, 6]], { heightM: 3, widthM: 0.12 }),
  thing("post", [[4, 6]], { heightM: 3, widthM: 0.12 }),
  thing("stand", [[0, -15]]),
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
      ["square", { at: { eastM: -33, northM: -10 } }],
    ]),
    // The second carries too far to be flown that way: it is there to be turned.
    flights: [flown("flip-one-move", "back", [-20, -22], 20), flown("split-s", "right", [18, -4], 65)],
  },
  "Store yard": drawn({ latitudeDeg: 53.372, longitudeDeg: 5.231 }, yard, [["eight", { spacingM: 12 }]]),
};
