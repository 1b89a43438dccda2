import type { CloudConflict, Conflict, CourseKind, GroundKind, NoRoom, PlanKind } from "@/core";
import { lower } from "./capital";
import { quantityText, type UnitSystem } from "./quantity";

/** What things on a site's plan are called. */
export const planKindNames: Readonly<Record<PlanKind, string>> = {
  boundary: "Boundary",
  "no-go": "No-fly area",
  ground: "Ground",
  building: "Building",
  people: "People line",
  road: "Road",
  wall: "Wall",
  bar: "Bar between posts",
  gap: "Gap",
  post: "Post",
  tree: "Tree",
  stand: "Pilot stand",
  landing: "Landing spot",
  pole: "Pole",
  flag: "Flag",
  peg: "Peg",
};

export const groundNames: Readonly<Record<GroundKind, string>> = {
  grass: "grass",
  hard: "hard ground",
  water: "water",
  trees: "trees",
  ruins: "ruins",
};

export const courseNames: Readonly<Record<CourseKind | "own", string>> = {
  "stop-line": "Stop line",
  square: "Square",
  slalom: "Slalom",
  eight: "Figure of eight",
  "orbit-post": "Orbit post",
  ring: "Hover ring",
  "step-circle": "Ten-step circle",
  "walked-eight": "Walked eight",
  "landing-spot": "Landing spot",
  "bail-wall": "Wall for bails",
  "gap-ladder": "Gap ladder",
  "knife-edge-pair": "Knife-edge pair",
  "loop-bar": "Loop bar",
  own: "Own course",
};

const winds = ["north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"];

/** A direction by its name among eight. */
export const compassName = (deg: number): string => winds[Math.round((((deg % 360) + 360) % 360) / 45) % 8];

/** What a way over a site may not do, with its number. */
export function conflictWords(conflict: Conflict, units: UnitSystem): string {
  const length = (m: number | null) => quantityText(m, "length", units);
  const { name, m, limitM } = conflict;
  const named = (usual: string) => (name === "" ? usual : name);
  switch (conflict.kind) {
    case "near-people":
      return `${length(m)} from ${named("the people line")}; a dead aircraft is thrown ${length(limitM)}.`;
    case "near-road":
      return `${length(m)} from ${named("the road")}; a dead aircraft is thrown ${length(limitM)}.`;
    case "leaves-boundary":
      return `Leaves the boundary by ${length(m)}.`;
    case "too-high":
      return `Goes up to ${length(m)}; the limit is ${length(limitM)}.`;
    case "over-no-go":
      return `${length(m)} into ${named("the no-fly area")}.`;
    case "over-water":
      return `Over ${named("water")}: whatever drops there is gone.`;
    case "not-fetchable":
      return `Over ${named("ground")} nothing is fetched from.`;
    case "into-building":
      return `Through ${named("a building")}, below its ${length(limitM)}.`;
  }
}

/** What a flight over a site ends in. */
export const intoWords = (into: string): string => `flies into the ${into === "pole" ? "post" : into}.`;

/** What some of many flights break, with how many of them and the worst. */
export const cloudConflictWords = (conflict: CloudConflict, units: UnitSystem): string =>
  `${conflict.flights} of them: ${lower(conflictWords(conflict, units))}`;

/** Why a course finds no room, with what it wants and what is missing. */
export function noRoomWords({ kind, lengthM, widthM, lacksM }: NoRoom, units: UnitSystem): string {
  const length = (m: number) => quantityText(m, "length", units, 0);
  return `No room for the ${courseNames[kind].toLowerCase()}: it needs ${length(lengthM)} by ${length(widthM)} clear; at the best spot ${quantityText(lacksM, "length", units)} are missing.`;
}
