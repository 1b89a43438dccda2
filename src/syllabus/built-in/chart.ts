import type { AttemptMeasure, PassMark, Place } from "@/core";
import type { Family, FlownAs, Route } from "../types";

/** Where a built-in step stands: its column, what it needs, what passes, who flies it. */
export interface Placing {
  readonly family: Family;
  readonly short: string;
  readonly needs: readonly string[];
  readonly mark: PassMark;
  readonly flownAs?: FlownAs;
  readonly settings?: string;
  readonly heightM?: number;
  readonly measures?: readonly AttemptMeasure[];
  readonly routes?: readonly Route[];
  readonly simulatorFirst?: true;
  readonly optional?: true;
  readonly partOf?: string;
}

const each = (rule: PassMark): PassMark => ({ kind: "each-direction", rule });
const only = (rule: PassMark, ...places: Place[]): PassMark => ({ kind: "in-places", places, rule });
const threeOfFour: PassMark = { kind: "k-of-last", k: 3, n: 4 };
const cleanPack: PassMark = { kind: "clean-packs", packs: 1 };

/** Pass marks as they come up again and again; each direction on its own. */
const field = only(each(threeOfFour), "field");
const fieldPack = only(each(cleanPack), "field");
const eye = only(each(threeOfFour), "by-eye", "field");
const once = only({ kind: "run", k: 1 }, "by-eye", "field");

const flips = { family: "flip", mark: field, measures: ["stopErrorDeg", "bounceBackDeg"] } as const;
const rolls = { family: "roll", mark: field, measures: ["stopErrorDeg", "viewOffPathDeg"] } as const;
/** Counted where poles are flown round. */
const course = ["laps", "touches", "missedPoles"] as const;
const landing = { family: "stop", mark: field, measures: ["missM"], heightM: 4 } as const;
const limits = { family: "travel", mark: fieldPack, routes: ["bank-limit"], heightM: 3 } as const;
const segments = (variant: string, set?: FlownAs["set"]): FlownAs => ({
  trick: "segments",
  variant,
  ...(set && { set }),
});
const spun = (deg: number): FlownAs => ({ trick: "spin-inverted", set: { spinDeg: deg } });

/** Every built-in step by its id. Needs: common practice, no source; the coach edits them. */
export const chart: Readonly<Record<string, Placing>> = {
  sticks: { family: "hands", short: "Sticks", needs: [], mark: { kind: "run", k: 1 } },
  "arm-reflex": { family: "hands", short: "Arm reflex", needs: ["sticks"], mark: { kind: "run", k: 20 } },
  "first-setup": { family: "travel", short: "First setup", needs: ["arm-reflex"], mark: once },
  "sim-hours": {
    family: "hands",
    short: "Sim hours",
    needs: ["first-setup"],
    mark: only({ kind: "minutes", minutes: 120 }, "simulator"),
    routes: ["rate-mode"],
  },

  "los-hover": {
    family: "hands",
    short: "Hover by eye",
    needs: ["first-setup"],
    mark: eye,
    routes: ["eyes-first", "bank-limit"],
    heightM: 1.5,
  },
  "los-nose-in": {
    family: "hands",
    short: "Nose-in",
    needs: ["los-hover"],
    mark: eye,
    routes: ["eyes-first"],
    simulatorFirst: true,
    heightM: 1.5,
  },
  "los-follow-eights": {
    family: "turn",
    short: "Walked eights",
    needs: ["los-hover"],
    mark: only(cleanPack, "by-eye", "field"),
    routes: ["eyes-first"],
    heightM: 2,
  },
  "los-circles": {
    family: "turn",
    short: "Circles",
    needs: ["los-nose-in", "los-follow-eights"],
    mark: eye,
    routes: ["eyes-first"],
    heightM: 2,
  },
  "los-eight": {
    family: "turn",
    short: "Eight",
    needs: ["los-circles"],
    mark: eye,
    routes: ["eyes-first"],
    heightM: 2,
  },
  "los-check": { family: "stop", short: "Check flight", needs: ["first-setup"], mark: once, heightM: 1.5 },
  "los-backward-circuit": {
    family: "travel",
    short: "Tail first",
    needs: ["los-eight"],
    mark: eye,
    routes: ["eyes-first"],
    optional: true,
    heightM: 2,
  },
  "los-travelling-spin": {
    family: "travel",
    short: "Travel spin",
    needs: ["los-eight"],
    mark: eye,
    routes: ["eyes-first"],
    optional: true,
    heightM: 2,
  },

  "level-hover": {
    family: "hands",
    short: "Level hover",
    needs: ["los-check"],
    mark: field,
    routes: ["self-level"],
    heightM: 2,
  },
  "level-move": {
    family: "travel",
    short: "Level moves",
    needs: ["level-hover"],
    mark: field,
    routes: ["self-level"],
    heightM: 2,
  },
  "level-turn": {
    family: "turn",
    short: "Level turns",
    needs: ["level-move"],
    mark: field,
    routes: ["self-level"],
    heightM: 3,
  },
  "fp-hover": {
    family: "hands",
    short: "Hover",
    needs: ["los-check", "los-eight", "level-turn", "sim-hours"],
    mark: field,
    settings: "Tilt 0–5°.",
    heightM: 2,
  },
  "fp-four-ways": {
    family: "travel",
    short: "Four ways",
    needs: ["fp-hover"],
    mark: field,
    settings: "Tilt 5–10°.",
    heightM: 2,
  },
  "limit-30": { ...limits, short: "Limit 30°", needs: ["fp-four-ways"] },
  "limit-45": { ...limits, short: "Limit 45°", needs: ["limit-30"] },
  "limit-60": { ...limits, short: "Limit 60°", needs: ["limit-45"] },
  "limit-off": { ...limits, short: "No limit", needs: ["limit-60"] },
  "yaw-square": {
    family: "turn",
    short: "Yaw square",
    needs: ["fp-four-ways"],
    mark: fieldPack,
    measures: course,
    settings: "Tilt 5–10°.",
    heightM: 3,
  },
  "bank-square": {
    family: "turn",
    short: "Bank square",
    needs: ["yaw-square", "limit-30"],
    mark: fieldPack,
    measures: course,
    heightM: 3,
  },
  slalom: {
    family: "turn",
    short: "Slalom",
    needs: ["bank-square"],
    mark: fieldPack,
    measures: course,
    heightM: 3,
  },
  "eight-course": {
    family: "turn",
    short: "Eight course",
    needs: ["slalom"],
    mark: fieldPack,
    measures: course,
    heightM: 3,
  },
  "stop-course": {
    family: "stop",
    short: "Stop course",
    needs: ["fp-four-ways"],
    mark: fieldPack,
    measures: ["missM", ...course],
    heightM: 3,
  },
  "pitch-brake": { family: "stop", short: "Pitch brake", needs: ["stop-course"], mark: field, heightM: 5 },
  "turn-brake": {
    family: "stop",
    short: "Turn brake",
    needs: ["pitch-brake", "eight-course"],
    mark: field,
    heightM: 5,
  },
  "land-pass": { ...landing, short: "Low approach", needs: ["fp-four-ways"] },
  "land-stop": { ...landing, short: "From a stop", needs: ["land-pass"] },
  "land-short": { ...landing, short: "Short", needs: ["land-stop"] },
  "bail-wall": {
    family: "gap",
    short: "Off a wall",
    needs: ["pitch-brake"],
    mark: field,
    settings: "Tilt not above about 20°.",
    heightM: 3,
  },
  "bail-gap": {
    family: "gap",
    short: "Off a gap",
    needs: ["bail-wall"],
    mark: field,
    settings: "Tilt not above about 20°.",
    heightM: 3,
  },
  "bail-dive": {
    family: "gap",
    short: "Off a dive",
    needs: ["bail-wall"],
    mark: field,
    settings: "Tilt not above about 20°.",
    heightM: 12,
  },
  "bail-wind": {
    family: "gap",
    short: "Side wind",
    needs: ["bail-wall"],
    mark: field,
    settings: "Tilt not above about 20°.",
    heightM: 3,
  },
  "mode-change": { family: "hands", short: "Mode switch", needs: ["fp-four-ways"], mark: field, heightM: 10 },
  "bail-flow": {
    family: "gap",
    short: "Bail and flow",
    needs: ["bail-wall"],
    mark: field,
    settings: "Tilt not above about 20°.",
    heightM: 3,
  },

  "gap-wide": {
    ...{ family: "gap", short: "Wide gap", needs: ["bail-wall", "slalom"], mark: field },
    measures: ["touches"],
    heightM: 2,
  },
  "gap-narrow": {
    ...{ family: "gap", short: "Narrow gap", needs: ["gap-wide"], mark: field },
    measures: ["touches"],
    heightM: 2,
  },

  "flip-slow": {
    ...flips,
    short: "Slow flip",
    needs: ["stop-course", "eight-course", "limit-off"],
    simulatorFirst: true,
  },
  "flip-ease-quarter": { ...flips, short: "Quarter eased", needs: ["flip-slow"] },
  "flip-one-move": { ...flips, short: "One move", needs: ["flip-ease-quarter"] },
  "flip-ease-end": { ...flips, short: "End eased", needs: ["flip-one-move"] },
  "flip-stall": { ...flips, family: "upside-down", short: "Stalled flip", needs: ["flip-one-move"] },
  "segments-90-270": {
    ...flips,
    short: "90 and 270",
    needs: ["flip-stall"],
    flownAs: segments("90-270"),
    partOf: "segments",
  },
  "segments-180-180": {
    ...flips,
    short: "Two halves",
    needs: ["segments-90-270"],
    flownAs: segments("180-180"),
    partOf: "segments",
  },
  "segments-270-90": {
    ...flips,
    short: "270 and 90",
    needs: ["segments-180-180"],
    flownAs: segments("270-90"),
    partOf: "segments",
  },
  segments: { ...flips, short: "Segments", needs: ["segments-270-90"], flownAs: segments("four") },
  "speed-mix": { ...flips, short: "Fast and slow", needs: ["flip-one-move"] },
  "roll-pure": { ...rolls, short: "Pure roll", needs: ["flip-slow"], simulatorFirst: true },
  "roll-segments": { ...rolls, short: "In parts", needs: ["roll-pure"] },
  "gap-knife": {
    ...{ family: "roll", short: "Knife edge", needs: ["gap-wide", "roll-segments"], mark: field },
    measures: ["touches"],
  },
  "roll-level": { ...rolls, short: "Level horizon", needs: ["roll-pure"] },
  "box-tumble": { ...rolls, short: "Box tumble", needs: ["flip-one-move", "roll-pure"] },

  hang: { family: "upside-down", short: "Hang", needs: ["flip-stall", "roll-pure"], mark: field, simulatorFirst: true },
  "look-back": { family: "upside-down", short: "Look back", needs: ["hang"], mark: field },
  "split-s": { family: "upside-down", short: "Split-S", needs: ["hang"], mark: field, simulatorFirst: true },

  "split-s-gap": {
    family: "upside-down",
    short: "Into a gap",
    needs: ["split-s", "gap-narrow"],
    mark: field,
    simulatorFirst: true,
  },

  "loop-open": { family: "loop", short: "Power loop", needs: ["hang"], mark: field, simulatorFirst: true },
  "loop-over": { family: "loop", short: "Over it", needs: ["loop-open"], mark: field },
  "loop-through": { family: "loop", short: "Through it", needs: ["loop-over", "gap-narrow"], mark: field },
  "spin-level": {
    family: "turn",
    short: "Level spin",
    needs: ["roll-level", "eight-course"],
    mark: field,
    measures: ["horizonLeanDeg"],
  },
  "loop-half": { family: "loop", short: "Half loop", needs: ["loop-open", "roll-pure"], mark: field },
  "spin-rise": { family: "turn", short: "Rising spin", needs: ["spin-level"], mark: field },
  "spin-gap": { family: "turn", short: "Gap spin", needs: ["spin-level", "gap-wide"], mark: field },
  "spin-track": { family: "turn", short: "Nose on post", needs: ["spin-level"], mark: field },
  "spin-inverted-90": {
    family: "upside-down",
    short: "A quarter",
    needs: ["hang", "spin-level"],
    mark: field,
    flownAs: spun(90),
    simulatorFirst: true,
    partOf: "spin-inverted",
  },
  "spin-inverted-180": {
    family: "upside-down",
    short: "A half",
    needs: ["spin-inverted-90"],
    mark: field,
    flownAs: spun(180),
    partOf: "spin-inverted",
  },
  "spin-inverted-270": {
    family: "upside-down",
    short: "Three quarters",
    needs: ["spin-inverted-180"],
    mark: field,
    flownAs: spun(270),
    partOf: "spin-inverted",
  },
  "spin-inverted": {
    family: "upside-down",
    short: "Flat spin",
    needs: ["spin-inverted-270"],
    mark: field,
    flownAs: spun(360),
  },
  "track-inverted": {
    family: "upside-down",
    short: "Tracking",
    needs: ["spin-inverted-180", "spin-track"],
    mark: field,
    simulatorFirst: true,
  },
  "spin-in-loop": { family: "loop", short: "Spin on top", needs: ["spin-inverted", "loop-open"], mark: field },
  orbit: { family: "turn", short: "Orbit", needs: ["eight-course"], mark: field },
  "orbit-back": {
    family: "turn",
    short: "Back-facing",
    needs: ["orbit", "roll-level"],
    mark: field,
    simulatorFirst: true,
  },

  "smooth-pack": {
    family: "style",
    short: "Smooth pack",
    needs: ["eight-course"],
    mark: fieldPack,
    measures: ["jerkDegPerS2"],
    heightM: 3,
  },
  "low-line": { ...rolls, short: "Low roll", needs: ["roll-level"] },
  "swoop-roll": { ...rolls, short: "Swoop roll", needs: ["roll-pure", "turn-brake"] },
  "yaw-snap": { ...rolls, short: "Yaw snap", needs: ["roll-level"] },
  rewind: { family: "stop", short: "Rewind", needs: ["turn-brake"], mark: field },
  helix: {
    family: "upside-down",
    short: "Helix",
    needs: ["spin-inverted", "look-back"],
    mark: field,
    simulatorFirst: true,
  },
  lines: { family: "style", short: "Lines", needs: ["split-s", "loop-open"], mark: field, heightM: 10 },
};
