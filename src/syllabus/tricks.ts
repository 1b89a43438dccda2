import { DomainError, type Measures } from "@/core";
import { skillTexts } from "./built-in";
import { alone, toSides, toWays } from "./built-in/common";

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

const one = (recipes: Readonly<Record<string, string>>): readonly TrickVariant[] => [
  { id: "usual", name: "usual", gains: "", recipes },
];

const stopLooks = ["stoppingDistanceM", "alongM", "fastestMps", "heightLostM"] as const;
const landingLooks = ["descentDeg", "objectSeenShare", "offSpotM", "touchdownMps", "stoppingDistanceM"] as const;
const turnLooks = ["stopErrorDeg", "bounceBackDeg", "turnTimeS", "hangTimeS", "peakM", "heightLostM"] as const;
const rollLooks = ["viewWanderDeg", "stopErrorDeg", "turnTimeS", "sideDriftM", "exitSpeedMps", "heightLostM"] as const;
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
const circleLooks = [
  "circleRadiusM",
  "circleSpreadM",
  "stickWander",
  "objectSeenShare",
  "fastestMps",
  "mostThrustG",
] as const;

const powerOrFloat = (id: string): readonly TrickVariant[] => [
  {
    id: "power",
    name: "power on all round",
    gains: "Even and round, and it comes out with speed; more to hold over the top.",
    recipes: alone(`${id}-power`),
  },
  {
    id: "float",
    name: "float over the top",
    gains: "Quiet and tall, time to look; it needs the height, and comes out where it falls.",
    recipes: alone(`${id}-float`),
  },
];

/** What is flown in other ways as well, and what a coach looks at; flips and rolls that stop are looked at alike. */
const shown: Readonly<
  Record<string, { readonly looksAt: readonly MeasureName[]; readonly variants?: readonly TrickVariant[] }>
> = {
  "stop-course": { looksAt: stopLooks },
  "pitch-brake": { looksAt: stopLooks },
  "turn-brake": { looksAt: [...stopLooks, "peakM"] },
  "land-pass": { looksAt: ["descentDeg", "objectSeenShare", "lowestM", "fastestMps"] },
  "land-stop": {
    looksAt: landingLooks,
    variants: [
      {
        id: "touch",
        name: "touch down, then close",
        gains: "Gentle on any ground; needs a still hand to the last.",
        recipes: alone("land-stop"),
      },
      {
        id: "cut",
        name: "cut a hand above",
        gains: "Over quickly, no skipping about; needs soft ground.",
        recipes: alone("land-stop-cut"),
      },
      {
        id: "coast",
        name: "coasted to a stop",
        gains: "Slow, and the spot is in the picture longest; takes more room and the wind moves it.",
        recipes: alone("land-coast"),
      },
    ],
  },
  "land-short": { looksAt: landingLooks },
  "bail-wall": { looksAt: ["clearanceM", "stoppingDistanceM", "peakM"] },
  "bail-gap": { looksAt: ["clearanceM", "stoppingDistanceM", "peakM"] },
  "bail-wind": { looksAt: ["clearanceM", "acrossM", "stoppingDistanceM", "peakM"] },
  "bail-dive": { looksAt: ["heightLostM", "fastestMps", "alongM", "durationS"] },
  "bail-flow": {
    looksAt: ["clearanceM", "stoppingDistanceM", "headingChangeDeg"],
    variants: [
      {
        id: "yaw",
        name: "yawed about",
        gains: "Stops first, then turns: needs room above, and shows where it goes.",
        recipes: toSides("bail-flow"),
      },
      {
        id: "roll",
        name: "rolled away",
        gains: "Turns out of the way at once and keeps its speed: needs room beside.",
        recipes: toSides("bail-roll"),
      },
    ],
  },
  "gap-knife": { looksAt: ["clearanceM", "sideDriftM", "heightLostM", "exitSpeedMps"] },
  "flip-stall": { looksAt: [...turnLooks, "timeInvertedS"] },
  "roll-pure": { looksAt: rollLooks },
  "roll-segments": {
    looksAt: rollLooks,
    variants: [
      {
        id: "90-270",
        name: "90 and 270",
        gains: "The first stop is on the edge, as in the knife edge.",
        recipes: toSides("roll-90-270"),
      },
      {
        id: "180-180",
        name: "two halves",
        gains: "The middle stop is upside down, as in hanging and the split-S.",
        recipes: toSides("roll-180-180"),
      },
      {
        id: "fast-slow-fast",
        name: "fast, slow, fast",
        gains: "Never quite stopping: the rate is yours all the way round.",
        recipes: toSides("roll-fast-slow-fast"),
      },
    ],
  },
  "roll-level": {
    looksAt: rollLooks,
    variants: [
      {
        id: "closed",
        name: "throttle closed",
        gains: "Safe: upside down nothing drives it down.",
        recipes: toSides("roll-level"),
      },
      {
        id: "kept",
        name: "throttle kept up",
        gains: "Holds the line low and stops sharper; upside down it pushes toward the ground.",
        recipes: toSides("roll-level-kept"),
      },
      {
        id: "lead",
        name: "yaw leading",
        gains: "The yaw is there before the roll: the view does not swing off as it begins.",
        recipes: toSides("roll-level-lead"),
      },
    ],
  },
  segments: {
    looksAt: turnLooks,
    variants: [
      {
        id: "90-270",
        name: "90 and 270",
        gains: "The short part first: the long one must be stopped.",
        recipes: toWays("segments-90-270"),
      },
      {
        id: "180-180",
        name: "two halves",
        gains: "The middle stop is upside down.",
        recipes: toWays("segments-180-180"),
      },
      {
        id: "270-90",
        name: "270 and 90",
        gains: "The long part first: the last stop is easy.",
        recipes: toWays("segments-270-90"),
      },
      {
        id: "four",
        name: "four quarters",
        gains: "Four stops to feel; the most height.",
        recipes: toWays("segments-four"),
      },
    ],
  },
  "box-tumble": { looksAt: overLooks },
  hang: { looksAt: ["hangTimeS", "timeInvertedS", "peakM", "heightLostM", "stopErrorDeg"] },
  "look-back": { looksAt: overLooks },
  "split-s": {
    looksAt: ["heightLostM", "alongM", "headingChangeDeg", "exitSpeedMps", "mostThrustG"],
    variants: [
      {
        id: "float",
        name: "floated",
        gains: "Carries farther and looks longer; needs more height.",
        recipes: toSides("split-s-float"),
      },
      {
        id: "tight",
        name: "tight pivot",
        gains: "Less height and a sharper turn; less time to see the exit.",
        recipes: toSides("split-s-tight"),
      },
    ],
  },
  "split-s-gap": {
    looksAt: ["clearanceM", "headingChangeDeg", "heightLostM", "exitSpeedMps", "mostThrustG"],
  },
  "loop-half": { looksAt: ["headingChangeDeg", "heightGainedM", "exitSpeedMps", "timeInvertedS", "durationS"] },
  "spin-rise": { looksAt: spinLooks },
  "spin-gap": { looksAt: ["clearanceM", ...spinLooks] },
  "track-inverted": { looksAt: ["objectSeenShare", ...overLooks] },
  "swoop-roll": { looksAt: ["stopErrorDeg", "heightLostM", "sideDriftM", "headingChangeDeg", "peakM"] },
  "loop-open": { looksAt: loopLooks, variants: powerOrFloat("loop-open") },
  "loop-over": { looksAt: loopLooks, variants: powerOrFloat("loop-over") },
  "loop-through": { looksAt: loopLooks },
  "spin-level": { looksAt: spinLooks },
  "spin-track": { looksAt: ["clearanceM", "objectSeenShare", "headingChangeDeg", "sideDriftM", "horizonLeanDeg"] },
  "spin-inverted": {
    looksAt: overLooks,
    variants: [
      {
        id: "pitch",
        name: "pitch in, pitch out",
        gains: "Goes flat along the line of travel; the horizon leaves over the top.",
        recipes: toSides("spin-inverted-pitch"),
      },
      {
        id: "roll",
        name: "roll in, roll out",
        gains: "Quick, and the horizon stays in reach; easily left uneven.",
        recipes: toSides("spin-inverted-roll"),
      },
      {
        id: "wag",
        name: "tail wag",
        gains: "A little yaw to each side before the whole turn: shows whether it is flat.",
        recipes: toSides("spin-inverted-wag"),
      },
    ],
  },
  "spin-in-loop": { looksAt: overLooks },
  orbit: { looksAt: circleLooks },
  "orbit-back": {
    looksAt: circleLooks,
    variants: [
      {
        id: "roll",
        name: "rolled over into it",
        gains: "Tight from the start, out of a steep turn: the throttle is already up.",
        recipes: toSides("orbit-back-roll"),
      },
      {
        id: "fall",
        name: "fallen back into it",
        gains: "Past it and look back first: more time to see it, a wider circle that wanders.",
        recipes: toSides("orbit-back-fall"),
      },
      {
        id: "laps",
        name: "in it already",
        gains: "The circle alone: the sticks rest, and the throttle that keeps the height is found.",
        recipes: toSides("orbit-back"),
      },
    ],
  },
  "low-line": {
    looksAt: rollLooks,
    variants: [
      {
        id: "level",
        name: "about the view",
        gains: "The horizon stays flat; two sticks to the point.",
        recipes: toSides("low-line"),
      },
      {
        id: "lead",
        name: "yaw leading",
        gains: "The yaw is there before the roll: the view does not swing off as it begins.",
        recipes: toSides("low-line-lead"),
      },
      {
        id: "pure",
        name: "pure roll",
        gains: "One stick; the picture dives and shows the ground.",
        recipes: toSides("low-line-pure"),
      },
    ],
  },
  "yaw-snap": { looksAt: [...rollLooks, "headingChangeDeg"] },
  rewind: { looksAt: stopLooks },
  helix: {
    looksAt: overLooks,
    variants: [
      {
        id: "pitch",
        name: "left over the nose",
        gains: "The push simply goes on; it ends looking the way it travels.",
        recipes: toSides("helix-pitch"),
      },
      {
        id: "roll",
        name: "left by a roll",
        gains: "Leaves to the side it turned to, and sooner.",
        recipes: toSides("helix-roll"),
      },
    ],
  },
};

/** Everything that can be flown in the model, by stage and in the order of learning. */
export const tricks: readonly Trick[] = skillTexts.flatMap(({ stage, steps }) =>
  steps.flatMap(({ id, name, recipeFor }): Trick[] => {
    if (Object.keys(recipeFor).length === 0) return [];
    const { looksAt = turnLooks, variants = one(recipeFor) } = shown[id] ?? {};
    return [{ id, stage, name, variants, looksAt }];
  }),
);

/** The trick with this id, or undefined. */
export function findTrick(id: string): Trick | undefined {
  return tricks.find((trick) => trick.id === id);
}

/** The trick with this id; throws a DomainError where there is none. */
export function trickOf(id: string): Trick {
  const trick = findTrick(id);
  if (!trick) throw new DomainError("trick", id, "a trick of the syllabus");
  return trick;
}

/** A trick as a recipe flies it. */
export interface FlownBy {
  readonly trick: Trick;
  readonly variant: TrickVariant;
  readonly direction: string;
}

const byRecipe: ReadonlyMap<string, FlownBy> = new Map(
  tricks.flatMap((trick) =>
    trick.variants.flatMap((variant) =>
      Object.entries(variant.recipes).map(([direction, recipe]) => [recipe, { trick, variant, direction }] as const),
    ),
  ),
);

/** The trick that a built-in recipe flies, by the recipe's id; undefined for one that there is not. */
export const flownBy = (recipeId: string): FlownBy | undefined => byRecipe.get(recipeId);
