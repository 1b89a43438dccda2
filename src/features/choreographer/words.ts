import type { FigureField, Guard, Phase, PhaseNote, StickPlan, ThrottlePlan } from "@/core";
import { numeral, quantityText, type Quantity, type UnitSystem } from "@/words";

/** What a turning stick can do, in the order in which it is offered. */
export const stickWords: Readonly<Record<StickPlan["kind"], string>> = {
  hold: "held at",
  rate: "for a turning rate",
  ramp: "moved over a time",
  ease: "moved with the angle turned",
  eye: "visually held",
  "view-roll": "the yaw that keeps the view through a roll",
  "level-turn": "the roll that keeps the picture level",
  sustained: "as in the steady turn",
  round: "its part of the steady turn",
  loop: "round a loop",
};

export const throttleWords: Readonly<
  Record<"hold" | "thrust" | "climb" | "height" | "spot" | "sustained" | "loop", string>
> = {
  hold: "held at",
  thrust: "for a thrust",
  climb: "hold the climb by eye",
  height: "hold the height by eye",
  spot: "down on the object",
  sustained: "as at the start",
  loop: "round a loop",
};
export type ThrottleChoice = keyof typeof throttleWords;

export const throttleChoice = (plan: ThrottlePlan): ThrottleChoice => (plan.kind === "eye" ? plan.see : plan.kind);

export const guardWords: Readonly<Record<Guard["kind"], string>> = {
  time: "after a time",
  turned: "angle turned",
  climb: "climb speed",
  height: "height above the entry",
  ground: "height above the ground",
  along: "way along the line",
  ahead: "speed along the line",
  pitch: "pitch",
  heading: "heading turned",
  upright: "near upright",
};

/** Guards whose bound is come to from one side or the other. */
export const isSided = (guard: Guard): guard is Extract<Guard, { is: string }> => "is" in guard;

export const axisWords = { roll: "roll", pitch: "pitch", yaw: "yaw", view: "the view" } as const;
export const seenWords = {
  pitch: "pitch",
  bank: "bank",
  heading: "heading",
  side: "the right-hand side, below the horizon",
  object: "the object, off its middle",
} as const;

/** Names of the numbers of plans and guards. */
const figureWords: Readonly<Record<string, string>> = {
  at: "Stick",
  dps: "Rate",
  from: "From",
  to: "To",
  overS: "Over",
  fromDeg: "From angle",
  toDeg: "To angle",
  radiusM: "Radius",
  targetDeg: "Keep at",
  targetMps: "Keep at",
  targetM: "Keep at",
  gainPerS: "Strength",
  delayS: "Delay of the eye",
  g: "Thrust",
  share: "Share of the pull",
  weightG: "Weight carried",
  leadS: "Fingers ahead by",
  s: "Time",
  deg: "Angle",
  mps: "Speed",
  m: "Distance",
  withinDeg: "Within",
};
export const figureName = ({ name }: FigureField) => figureWords[name];

const unitOf: Readonly<Record<Guard["kind"], Quantity>> = {
  time: "time",
  turned: "angle",
  climb: "speed",
  height: "length",
  ground: "length",
  along: "length",
  ahead: "speed",
  pitch: "angle",
  heading: "angle",
  upright: "angle",
};

/** What a guard waits for, with a number of what it watches: "340° turned about pitch". */
export function guardText(guard: Guard, value: number, units: UnitSystem): string {
  const figure = quantityText(value, unitOf[guard.kind], units);
  switch (guard.kind) {
    case "time":
      return figure;
    case "turned":
      return `${figure} turned about ${axisWords[guard.axis]}`;
    case "upright":
      return `${figure} from upright`;
    case "pitch":
      return `a pitch of ${figure}`;
    case "heading":
      return `${figure} of heading`;
    case "climb":
      return `a climb of ${figure}`;
    case "height":
      return `${figure} above the entry`;
    case "ground":
      return `${figure} above the ground`;
    case "along":
      return `${figure} along the line`;
    case "ahead":
      return `${figure} along the line`;
  }
}

/** A note on a phase as a sentence without its subject. */
export function noteText(note: PhaseNote, phase: Phase, units: UnitSystem): string {
  switch (note.kind) {
    case "never-ends": {
      const waits = note.misses.map(({ guard, wanted, nearest, last }) => {
        const back = Math.abs(last - nearest) > 0.02 * Math.abs(wanted) + 0.05;
        return `it waits for ${guardText(guard, wanted, units)} and comes to ${guardText(guard, nearest, units).split(" ")[0]}${back ? ", then goes away from it" : ""}`;
      });
      const after = quantityText(note.afterS, "time", units, 1);
      return `never finishes: ${waits.join("; ")}. Given up after ${after}. More stick, a nearer end, or a time as another end.`;
    }
    case "ends-at-once":
      return `is over as it begins: what it waits for (${guardWords[note.guard.kind]}) holds already. Another end, or take it out.`;
    case "met":
      return `${metWords(note.met, units)}. What comes after is not flown.`;
    case "not-reached":
      return "never starts: the flight is over before it.";
    case "too-long":
      return `is not over after ${quantityText(note.mostS, "time", units, 0)}, the longest that is flown here.`;
    case "rate-beyond":
      return `asks for ${quantityText(Math.abs(note.askedDps), "rate", units)} about ${note.axis}; full stick of this setup gives ${quantityText(note.mostDps, "rate", units)}, and that is flown.`;
    case "thrust-beyond":
      return `asks for ${quantityText(note.askedG, "thrust", units)} of thrust; full throttle of this aircraft and setup gives ${quantityText(note.mostG, "thrust", units)}, and that is flown.`;
  }
}

/** Notes that keep the trick from being flown to its end. */
export const isFatal = ({ kind }: PhaseNote) =>
  kind === "never-ends" || kind === "met" || kind === "not-reached" || kind === "too-long";

/** What of the trick hangs on a phase, by the field that names it. */
const hanging: readonly (readonly [RegExp, string])[] = [
  [/^turn\.stopPhase/, "the stop is measured from it"],
  [/^turn\.catchPhase/, "the turn is caught in it"],
  [/^freeze/, "the bail-out is worked out from it"],
  [/^loop/, "the loop is measured by it"],
  [/^steadyPhase/, "the circle is measured in it"],
  [/^descentPhase/, "the descent is measured in it"],
  [/^brakePhase/, "the stopping distance is measured from it"],
  [/^solveFor/, "something that stands about is placed by it"],
];

/** Why a phase stays, in words; null when it can go. */
export function whyItStays(fields: readonly string[], phases: number): string | null {
  if (phases === 1) return "It is the only one.";
  if (fields.length === 0) return null;
  const reasons = [...new Set(fields.map((field) => hanging.find(([is]) => is.test(field))?.[1] ?? field))];
  return `It stays: ${reasons.join(", and ")}. What it does can be changed.`;
}

function metWords(met: Extract<PhaseNote, { kind: "met" }>["met"], units: UnitSystem): string {
  if (met.kind === "crash" && met.into !== "ground") return `flies into the ${met.into}`;
  const how = `${quantityText(met.speedMps, "speed", units, 1)}, ${numeral(met.tiltDeg, 0)}° off level`;
  return `${met.kind === "crash" ? "hits" : "touches"} the ground at ${how}`;
}
