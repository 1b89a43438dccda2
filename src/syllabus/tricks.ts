import type { Measures } from "@/core";
import { steps } from "./catalogue";

/** A figure of a flight that a coach would look at. */
export type MeasureName = {
  [Name in keyof Measures]: Measures[Name] extends number | null ? Name : never;
}[keyof Measures];

/** One way to fly a trick; where practitioners disagree there are two, each with what it gains. */
export interface TrickVariant {
  readonly id: string;
  readonly name: string;
  readonly gains: string;
  /** Recipe by direction. */
  readonly recipes: Readonly<Record<string, string>>;
}

/** Something that can be flown in the model, by the id of its step. */
export interface Trick {
  readonly id: string;
  readonly stage: number;
  readonly name: string;
  readonly variants: readonly TrickVariant[];
  readonly looksAt: readonly MeasureName[];
}

export const directionWords: Readonly<Record<string, string>> = {
  back: "backward",
  front: "forward",
  right: "right",
  left: "left",
  on: "one way",
};

const sides = (id: string) => ({ right: `${id}-right`, left: `${id}-left` });
const ways = (id: string) => ({ back: `${id}-back`, front: `${id}-front` });
const only = (id: string) => ({ on: id });
const one = (recipes: Readonly<Record<string, string>>): readonly TrickVariant[] => [
  { id: "usual", name: "usual", gains: "", recipes },
];

const stopLooks = ["stoppingDistanceM", "alongM", "fastestMps", "heightLostM"] as const;
const landingLooks = ["descentDeg", "touchdownMps", "stoppingDistanceM", "alongM"] as const;
const turnLooks = ["stopErrorDeg", "bounceBackDeg", "turnTimeS", "hangTimeS", "peakM", "heightLostM"] as const;
const rollLooks = ["viewOffPathDeg", "stopErrorDeg", "turnTimeS", "sideDriftM", "exitSpeedMps", "heightLostM"] as const;
const loopLooks = [
  "loopWidthM",
  "loopUnevenness",
  "loopClosureM",
  "loopExitMps",
  "clearanceM",
  "throttleInvertedMean",
] as const;
const overLooks = ["timeInvertedS", "throttleInvertedMean", "peakM", "heightLostM", "headingChangeDeg"] as const;
const spinLooks = ["headingChangeDeg", "horizonLeanDeg", "heightGainedM", "sideDriftM", "exitSpeedMps"] as const;
const circleLooks = ["circleRadiusM", "circleSpreadM", "stickWander", "fastestMps", "mostThrustG"] as const;

const powerOrFloat = (id: string): readonly TrickVariant[] => [
  {
    id: "power",
    name: "power on all round",
    gains: "Even and round, and it comes out with speed; more to hold over the top.",
    recipes: only(`${id}-power`),
  },
  {
    id: "float",
    name: "float over the top",
    gains: "Quiet and tall, time to look; it needs the height, and comes out where it falls.",
    recipes: only(`${id}-float`),
  },
];

const later: readonly Trick[] = [
  { id: "stop-course", stage: 2, name: "Stop course, one leg", variants: one(only("stop-course")), looksAt: stopLooks },
  { id: "pitch-brake", stage: 2, name: "Brake by pitch", variants: one(only("pitch-brake")), looksAt: stopLooks },
  {
    id: "turn-brake",
    stage: 2,
    name: "Brake by turning",
    variants: one(sides("turn-brake")),
    looksAt: [...stopLooks, "peakM"],
  },
  {
    id: "land-pass",
    stage: 2,
    name: "Landing approach, skimmed",
    variants: one(only("land-pass")),
    looksAt: ["descentDeg", "lowestM", "fastestMps"],
  },
  { id: "land-stop", stage: 2, name: "Landing to a stop", variants: one(only("land-stop")), looksAt: landingLooks },
  { id: "land-short", stage: 2, name: "Short landing", variants: one(only("land-short")), looksAt: landingLooks },
  {
    id: "bail-wall",
    stage: 2,
    name: "Bail off a wall",
    variants: one(only("bail-wall")),
    looksAt: ["clearanceM", "stoppingDistanceM", "peakM"],
  },
  {
    id: "bail-flow",
    stage: 2,
    name: "Bail that flows on",
    variants: one(sides("bail-flow")),
    looksAt: ["clearanceM", "stoppingDistanceM", "headingChangeDeg"],
  },
  {
    id: "gap-knife",
    stage: 3,
    name: "Knife edge past a gap",
    variants: one(sides("gap-knife")),
    looksAt: ["clearanceM", "sideDriftM", "heightLostM", "exitSpeedMps"],
  },
  {
    id: "flip-stall",
    stage: 4,
    name: "Stalled flip",
    variants: one(ways("flip-stall")),
    looksAt: [...turnLooks, "timeInvertedS"],
  },
  { id: "roll-pure", stage: 4, name: "Pure roll", variants: one(sides("roll-pure")), looksAt: rollLooks },
  { id: "roll-level", stage: 4, name: "Roll about the view", variants: one(sides("roll-level")), looksAt: rollLooks },
  {
    id: "segments",
    stage: 4,
    name: "Flip in segments",
    variants: [
      {
        id: "90-270",
        name: "90 and 270",
        gains: "The short part first: the long one must be stopped.",
        recipes: ways("segments-90-270"),
      },
      {
        id: "180-180",
        name: "two halves",
        gains: "The middle stop is upside down.",
        recipes: ways("segments-180-180"),
      },
      {
        id: "270-90",
        name: "270 and 90",
        gains: "The long part first: the last stop is easy.",
        recipes: ways("segments-270-90"),
      },
      {
        id: "four",
        name: "four quarters",
        gains: "Four stops to feel; the most height.",
        recipes: ways("segments-four"),
      },
    ],
    looksAt: turnLooks,
  },
  { id: "speed-mix", stage: 4, name: "Flip fast, slow, fast", variants: one(ways("speed-mix")), looksAt: turnLooks },
  { id: "box-tumble", stage: 4, name: "Box tumble", variants: one(sides("box-tumble")), looksAt: overLooks },
  {
    id: "hang",
    stage: 5,
    name: "Hang upside down",
    variants: one(sides("hang")),
    looksAt: ["hangTimeS", "timeInvertedS", "peakM", "heightLostM", "stopErrorDeg"],
  },
  { id: "look-back", stage: 5, name: "Look back", variants: one(only("look-back")), looksAt: overLooks },
  {
    id: "split-s",
    stage: 5,
    name: "Split-S",
    variants: [
      {
        id: "float",
        name: "floated",
        gains: "Carries farther and looks longer; needs more height.",
        recipes: sides("split-s-float"),
      },
      {
        id: "tight",
        name: "tight pivot",
        gains: "Less height and a sharper turn; less time to see the way out.",
        recipes: sides("split-s-tight"),
      },
    ],
    looksAt: ["heightLostM", "alongM", "headingChangeDeg", "exitSpeedMps", "mostThrustG"],
  },
  { id: "loop-open", stage: 6, name: "Open loop", variants: powerOrFloat("loop-open"), looksAt: loopLooks },
  { id: "loop-over", stage: 6, name: "Loop over an obstacle", variants: powerOrFloat("loop-over"), looksAt: loopLooks },
  { id: "loop-through", stage: 6, name: "Loop through a gap", variants: one(only("loop-through")), looksAt: loopLooks },
  { id: "spin-level", stage: 6, name: "Level spin", variants: one(sides("spin-level")), looksAt: spinLooks },
  { id: "orbit", stage: 6, name: "Orbit", variants: one(sides("orbit")), looksAt: circleLooks },
  {
    id: "spin-inverted",
    stage: 6,
    name: "Upside-down spin",
    variants: [
      {
        id: "pitch",
        name: "pitch in, pitch out",
        gains: "Goes flat along the line of travel; the horizon leaves over the top.",
        recipes: sides("spin-inverted-pitch"),
      },
      {
        id: "roll",
        name: "roll in, roll out",
        gains: "Quick, and the horizon stays in reach; easily left uneven.",
        recipes: sides("spin-inverted-roll"),
      },
    ],
    looksAt: overLooks,
  },
  {
    id: "spin-track",
    stage: 6,
    name: "Spin with the nose on a post",
    variants: one(sides("spin-track")),
    looksAt: ["clearanceM", "headingChangeDeg", "sideDriftM", "horizonLeanDeg"],
  },
  {
    id: "spin-in-loop",
    stage: 6,
    name: "Spin at the top of a loop",
    variants: one(sides("spin-in-loop")),
    looksAt: overLooks,
  },
  { id: "orbit-back", stage: 6, name: "Orbit on its side", variants: one(sides("orbit-back")), looksAt: circleLooks },
  {
    id: "low-line",
    stage: 7,
    name: "Low roll that keeps travelling",
    variants: one(sides("low-line")),
    looksAt: rollLooks,
  },
  {
    id: "yaw-snap",
    stage: 7,
    name: "Roll with a snap of yaw",
    variants: one(sides("yaw-snap")),
    looksAt: [...rollLooks, "headingChangeDeg"],
  },
  { id: "rewind", stage: 7, name: "Rewind", variants: one(only("rewind")), looksAt: stopLooks },
  { id: "helix", stage: 7, name: "Helix", variants: one(sides("helix")), looksAt: overLooks },
];

/** Everything that can be flown in the model, by stage and in the order of learning. */
export const tricks: readonly Trick[] = [
  ...later.filter(({ stage }) => stage < 4),
  ...steps.map((step): Trick => ({
    id: step.id,
    stage: 4,
    name: step.name,
    variants: one(step.recipeFor),
    looksAt: turnLooks,
  })),
  ...later.filter(({ stage }) => stage >= 4),
];

/** The trick of a step, or undefined for a step that the model does not fly. */
export function findTrick(id: string): Trick | undefined {
  return tricks.find((trick) => trick.id === id);
}
