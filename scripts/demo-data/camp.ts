import type { CheckFindings, Defect, FlightState, Mount } from "@/contract";
import { airframePresets, recipes, type Measurement, type Phase, type RateCurve, type Settings } from "@/core";

/** A made-up winter training camp on a disused salt works. Every person and aircraft in it is invented. */

/** The first owns the squad and shares it with the second. */
export const coaches = ["Maren Tolvik", "Edda Rusk"] as const;
export const squadName = "Salt works camp";

/** Days before today on which the camp flew, first to last: twice a week for ten weeks. */
export const flyingDaysAgo = [68, 65, 61, 58, 54, 51, 47, 44, 40, 37, 33, 30, 26, 23, 19, 16, 12, 9, 5, 2] as const;

const pitchOf = (rise: number, expo: number): RateCurve => ({
  family: "base-rise",
  base: 1,
  rise: rise,
  expo,
});

function settings(rise: number, tiltDeg: number, change: Partial<Settings> = {}): Settings {
  return {
    rates: { roll: pitchOf(rise, 0.1), pitch: pitchOf(rise, 0.1), yaw: pitchOf(0.6, 0) },
    throttle: { mid: 0.3, expo: 0.25, limit: { kind: "off", fraction: 1 } },
    tiltDeg,
    camera: { verticalFovDeg: 88, aspect: 4 / 3 },
    modes: { idleAuthority: true, bankLimitDeg: null, selfLevel: false },
    ...change,
  };
}

const learner: Settings = {
  rates: {
    roll: { family: "end-cubic", endDps: 300, expo: 0.4 },
    pitch: { family: "end-cubic", endDps: 300, expo: 0.4 },
    yaw: { family: "end-cubic", endDps: 250, expo: 0.3 },
  },
  throttle: { mid: 0.3, expo: 0.3, limit: { kind: "scale", fraction: 0.65 } },
  tiltDeg: 5,
  camera: { verticalFovDeg: 88, aspect: 4 / 3 },
  modes: { idleAuthority: true, bankLimitDeg: 30, selfLevel: false },
};

interface CampSetup {
  /** Flying day (index) on the eve of which it was saved. */
  readonly day: number;
  readonly settings: Settings;
  readonly reason: string;
}

export interface CampAircraft {
  readonly name: string;
  readonly preset: keyof typeof airframePresets;
  readonly state: FlightState;
  readonly setups: readonly CampSetup[];
  /** What else it flies with: all-up kg, and thrust over weight where it was measured. */
  readonly loads?: readonly {
    readonly name: string;
    readonly massKg: number;
    readonly thrustToWeight: number | null;
  }[];
  readonly mount?: Mount;
  /** Readings of the tilt, on the eve of a flying day. */
  readonly tilts?: readonly { readonly day: number; readonly readingsDeg: readonly number[] }[];
  /** Flights by eye; what is not well is still open. */
  readonly checkFlights?: readonly {
    readonly day: number;
    readonly found: CheckFindings;
    readonly defects: readonly Pick<Defect, "kind" | "what">[];
  }[];
  readonly measured?: readonly Measurement[];
}
const FLEW_WELL = { sense: "right", drift: "none", noise: "smooth", heat: "cool" } as const;

/** A stretch of flying days at one step with the share of clean attempts, first and last day. */
interface Stretch {
  readonly days: readonly [first: number, last: number];
  readonly step: string;
  readonly back: readonly [number, number];
  readonly front: readonly [number, number];
  readonly crashes?: number;
  /** Crashes come in the later half of the day. */
  readonly tiring?: boolean;
  /** Signed off after the last day of the stretch. */
  readonly signed?: boolean;
}

/** Flown and logged by the pilot alone: days before today, tries a day, and how many of them clean. */
export interface Alone {
  readonly step: string;
  readonly daysAgo: readonly number[];
  readonly tries: number;
  readonly clean: number;
}

interface CampPilot {
  readonly name: string;
  readonly stickMode: number;
  readonly grip: "thumbs" | "pinch" | "hybrid";
  /** Speed of their own cruise, m/s. */
  readonly cruiseMps?: number;
  readonly aircraft: readonly CampAircraft[];
  /** Signed off before the camp, on paper. */
  readonly broughtAlong: readonly string[];
  readonly flown: readonly Stretch[];
  readonly alone?: Alone;
  readonly notes: readonly (readonly [day: number, text: string])[];
  /** The coach measures where the turns stop. */
  readonly measured?: boolean;
  /** Has an account of their own. */
  readonly signsIn?: boolean;
  readonly asksFor?: readonly [stepId: string, message: string];
}

const throughCamera = [
  ...[
    "sticks",
    "arm-reflex",
    "first-setup",
    "los-hover",
    "los-nose-in",
    "los-follow-eights",
    "los-circles",
    "los-eight",
  ],
  ...["los-check", "fp-hover", "fp-four-ways", "yaw-square", "bank-square", "slalom", "eight-course", "stop-course"],
  ...["pitch-brake", "land-pass", "land-stop", "bail-wall"],
] as const;

export const pilots: readonly CampPilot[] = [
  {
    // Favours one side.
    name: "Odalie Venn",
    signsIn: true,
    stickMode: 2,
    grip: "pinch",
    aircraft: [
      {
        name: "Brine 5",
        preset: "five-inch-freestyle",
        state: "flying",
        setups: [{ day: 0, settings: settings(0.72, 20), reason: "First flips: end near 700" }],
        loads: [
          { name: "long pack", massKg: 0.745, thrustToWeight: null },
          { name: "with camera", massKg: 0.79, thrustToWeight: 5.9 },
        ],
      },
      {
        name: "Brine 3",
        preset: "three-inch",
        state: "flying",
        setups: [{ day: 6, settings: settings(0.72, 20), reason: "Same feel as Brine 5 for the store yard" }],
      },
    ],
    broughtAlong: [...throughCamera, "turn-brake", "land-short", "gap-wide"],
    flown: [
      { days: [0, 7], step: "flip-slow", back: [0.5, 0.9], front: [0.4, 0.85], signed: true },
      { days: [8, 19], step: "flip-ease-quarter", back: [0.6, 0.9], front: [0.05, 0.45] },
    ],
    notes: [[15, "Looks at the brine tower on forward flips and loses the horizon. Fly them facing the open pans."]],
  },
  {
    // Changes rates after every bad day.
    name: "Brannoch Sile",
    stickMode: 2,
    grip: "thumbs",
    aircraft: [
      {
        name: "Sluice",
        preset: "five-inch-freestyle",
        state: "flying",
        setups: [
          { day: 0, settings: settings(0.7, 20), reason: "First flips" },
          { day: 4, settings: settings(0.78, 20), reason: "Felt slow" },
          { day: 8, settings: settings(0.66, 15), reason: "Overshot all day" },
          { day: 11, settings: settings(0.74, 25), reason: "Wants to fly faster between tricks" },
          { day: 15, settings: settings(0.62, 20), reason: "Bad day, calmer again" },
          { day: 19, settings: settings(0.75, 20), reason: "Back to something like the spring" },
        ],
      },
    ],
    broughtAlong: throughCamera,
    flown: [{ days: [0, 19], step: "flip-slow", back: [0.35, 0.5], front: [0.35, 0.45], crashes: 0.12 }],
    notes: [[16, "Agreed: no change of rates for three sessions, whatever the day was like."]],
  },
  {
    // Came back after a gap.
    name: "Tamsel Orrick",
    stickMode: 1,
    grip: "thumbs",
    aircraft: [
      {
        name: "Lamplight",
        preset: "five-inch-freestyle",
        state: "flying",
        setups: [{ day: 0, settings: settings(0.71, 25), reason: "As flown last season" }],
      },
    ],
    broughtAlong: [...throughCamera, "turn-brake", "bail-gap", "gap-wide", "gap-narrow"],
    flown: [
      { days: [0, 3], step: "flip-slow", back: [0.7, 0.95], front: [0.7, 0.9], signed: true },
      { days: [4, 8], step: "flip-ease-quarter", back: [0.6, 0.95], front: [0.6, 0.9], signed: true },
      { days: [18, 19], step: "flip-slow", back: [0.3, 0.3], front: [0.2, 0.2] },
    ],
    notes: [[18, "First day back after five weeks. Rusty but calm; only slow ones for now, the eased ones later."]],
  },
  {
    // Ready for sign-off.
    name: "Ysolde Marr",
    measured: true,
    stickMode: 2,
    grip: "hybrid",
    cruiseMps: 14,
    aircraft: [
      {
        name: "Rakes",
        preset: "five-inch-freestyle",
        state: "flying",
        setups: [{ day: 0, settings: settings(0.73, 25), reason: "Settled; left alone since" }],
        mount: "fixed",
        tilts: [{ day: 0, readingsDeg: [25.1, 24.9] }],
        // Counted aloud at the pans: a little short of the model, as a counting tongue is late.
        measured: [
          { kind: "hang", punchS: 0.6, command: 0.441, hangS: 0.9 },
          { kind: "hang", punchS: 0.9, command: 0.441, hangS: 1.2 },
        ],
      },
    ],
    broughtAlong: [...throughCamera, "turn-brake", "land-short", "bail-flow", "gap-wide", "gap-narrow"],
    flown: [
      { days: [0, 4], step: "flip-slow", back: [0.6, 0.95], front: [0.6, 0.95], signed: true },
      { days: [5, 10], step: "flip-ease-quarter", back: [0.5, 0.95], front: [0.5, 0.95], signed: true },
      { days: [11, 19], step: "flip-one-move", back: [0.4, 1], front: [0.4, 1] },
    ],
    notes: [],
    asksFor: ["flip-one-move", "Both ways sit now. I would like to move on."],
  },
  {
    // The tilt slipped in a crash and nobody noticed for a week.
    name: "Corvin Haldt",
    stickMode: 2,
    grip: "pinch",
    aircraft: [
      {
        name: "Spindle",
        preset: "five-inch-freestyle",
        state: "repaired",
        mount: "adjustable",
        tilts: [
          { day: 1, readingsDeg: [30.2, 29.8, 30.1] },
          { day: 19, readingsDeg: [26.1, 25.8, 26.2] },
        ],
        checkFlights: [
          { day: 1, found: FLEW_WELL, defects: [] },
          {
            day: 19,
            found: { ...FLEW_WELL, noise: "rough" },
            defects: [{ kind: "noise", what: "front left, since the windmill" }],
          },
        ],
        setups: [
          { day: 0, settings: settings(0.74, 30), reason: "Reference setup" },
          {
            day: 19,
            settings: settings(0.74, 26),
            reason: "Measured after the windmill crash: the camera sits 4° lower",
          },
        ],
      },
      {
        name: "Spindle Two",
        preset: "five-inch-freestyle",
        state: "flying",
        setups: [{ day: 2, settings: settings(0.74, 30), reason: "Copy of Spindle" }],
      },
    ],
    broughtAlong: [
      ...throughCamera,
      "turn-brake",
      "bail-flow",
      "gap-wide",
      "gap-narrow",
      "roll-pure",
      "roll-segments",
      "gap-knife",
      "roll-level",
      "hang",
    ],
    flown: [
      { days: [0, 2], step: "flip-slow", back: [0.8, 0.95], front: [0.8, 0.95], signed: true },
      { days: [3, 6], step: "flip-ease-quarter", back: [0.7, 0.95], front: [0.7, 0.95], signed: true },
      { days: [7, 11], step: "flip-one-move", back: [0.6, 0.95], front: [0.6, 0.95], signed: true },
      { days: [12, 16], step: "flip-ease-end", back: [0.6, 0.7], front: [0.6, 0.7] },
      { days: [17, 19], step: "flip-ease-end", back: [0.3, 0.3], front: [0.2, 0.2], crashes: 0.1 },
    ],
    notes: [[17, "Touched a windmill frame on the way out. Says it feels wrong since, cannot say how."]],
  },
  {
    // New.
    name: "Perrin Askew",
    stickMode: 3,
    grip: "thumbs",
    aircraft: [
      {
        name: "Gull",
        preset: "five-inch-freestyle",
        state: "new",
        setups: [{ day: 19, settings: learner, reason: "First flights: gentle, bank held at 30°" }],
      },
    ],
    broughtAlong: ["sticks", "arm-reflex"],
    flown: [],
    notes: [[19, "Joined the camp. Arm switch drilled, first hovers by eye still to come."]],
  },
  {
    // Four days alone in a row, then two weeks nothing.
    name: "Wenna Loft",
    stickMode: 2,
    grip: "thumbs",
    aircraft: [
      {
        name: "Tern",
        preset: "five-inch-freestyle",
        state: "flying",
        setups: [{ day: 0, settings: settings(0.7, 20), reason: "First flips" }],
      },
    ],
    broughtAlong: throughCamera,
    flown: [{ days: [8, 11], step: "flip-slow", back: [0.2, 0.5], front: [0.2, 0.5] }],
    alone: { step: "flip-slow", daysAgo: [17, 16, 15, 14], tries: 8, clean: 8 },
    notes: [[11, "Works in shifts: camps out for a few days, then cannot come for a fortnight."]],
  },
  {
    // Took on too much.
    name: "Joss Hathering",
    stickMode: 2,
    grip: "thumbs",
    aircraft: [
      {
        name: "Winch",
        preset: "five-inch-freestyle",
        state: "flying",
        setups: [{ day: 0, settings: settings(0.72, 20), reason: "Lent by the camp" }],
      },
    ],
    broughtAlong: [...throughCamera, "flip-slow", "flip-ease-quarter"],
    flown: [{ days: [18, 19], step: "flip-one-move", back: [0.05, 0], front: [0.05, 0], tiring: true }],
    notes: [[19, "Wanted the whole flip at once. Tired by the end, and it showed."]],
  },
];

/** Where the camp flies. */
export const sites = [
  {
    name: "Evaporation pans",
    surface: "dry salt, soft",
    roomM: 80,
    ceilingM: 60,
    elevationM: 4,
    features: "brine tower at the west end, windmill frames along the dyke",
    hazards: "open water in pans three and four; walkers on the dyke at weekends",
    rules: "Keep out of the bird pans from March to July.",
    askWhom: "the keeper at the sluice house",
  },
  {
    name: "Store yard",
    surface: "grass between walls",
    roomM: 25,
    ceilingM: 12,
    elevationM: 11,
    features: "two walls with gaps, a row of posts",
    hazards: "gravel by the gate; the power line runs behind the north wall",
    rules: "Nobody flies over the north wall.",
    askWhom: "the camp office",
  },
  {
    name: "Brine tower",
    surface: "gravel, firm",
    roomM: 45,
    ceilingM: 40,
    elevationM: 5,
    features: "the tower itself, an old pear tree",
    hazards: "the pump house behind the tower hums and pulls air",
    rules: "Nobody flies behind the tower.",
    askWhom: "the camp office",
  },
  {
    name: "Dyke",
    surface: "short grass",
    roomM: 28,
    ceilingM: 40,
    elevationM: 6,
    features: "the sluice wall, a long straight of grass",
    hazards: "walkers at weekends; water on the other side",
    rules: "A watcher on the path while somebody flies.",
    askWhom: "the keeper at the sluice house",
  },
] as const;

/** Sessions to come: in how many days, for how long, and who. */
export const planned = [
  {
    inDays: 3,
    minutes: 120,
    note: "Wind from the sea; bring spare props.",
    who: ["Odalie Venn", "Corvin Haldt", "Brannoch Sile"],
  },
  { inDays: 7, minutes: 90, note: "", who: ["Odalie Venn", "Ysolde Marr", "Tamsel Orrick"] },
] as const;

/** By when who is to have what signed off, in days. */
export const targets = [
  { who: "Odalie Venn", stepId: "flip-one-move", inDays: 14 },
  { who: "Brannoch Sile", stepId: "flip-ease-end", inDays: 21 },
] as const;

const easedForward = recipes["flip-ease-quarter-front"];
const afterClosing = easedForward.phases.findIndex(({ id }) => id === "close") + 1;

/** A coach's own way to fly a trick: she who loses the horizon on forward flips looks for it first. */
export const ownWay = {
  name: "Horizon first",
  trick: "flip-ease-quarter",
  instead: "usual",
  direction: "front",
  bothWays: false,
  recipe: {
    ...easedForward,
    phases: [
      ...easedForward.phases.slice(0, afterClosing),
      {
        id: "look",
        label: "Find the horizon over the pans",
        throttle: { kind: "hold", at: 0 },
        until: [{ kind: "time", s: 0.2 }],
        maxS: 1,
      },
      ...easedForward.phases
        .slice(afterClosing)
        .map((phase): Phase =>
          phase.id === "turn"
            ? { ...phase, label: "Stick in, not all the way", pitch: { kind: "hold", at: -0.85 } }
            : phase,
        ),
    ],
  },
  who: ["Odalie Venn"],
} as const;
