import {
  endsRound,
  isSure,
  type AttemptMeasure,
  type AxisCheck,
  type FirstMend,
  type FoundTrick,
  type MonthChange,
  type MonthMeasure,
  type TapeColumn,
  type TapeProblem,
  type TapeWarning,
  type TrickKind,
  type GatheredWobble,
} from "@/core";
import { capital } from "./capital";
import { counted, percent } from "./numbers";
import { numeral } from "./quantity";

export const trickKindNames: Readonly<Record<TrickKind, string>> = {
  flip: "Flip",
  roll: "Roll",
  spin: "Yaw spin",
  "half-turn": "Half turn",
  hang: "Hang",
  split: "Split-S",
  loop: "Loop",
  "spin-inverted": "Inverted spin",
  tumble: "Tumble",
  "knife-edge": "Knife edge",
  "turn-about": "Turn-about",
  brake: "Brake",
  orbit: "Orbit",
  "orbit-back": "Backward orbit",
  helix: "Helix",
  punch: "Punch",
  unknown: "Unsure",
};
const directionNames: Readonly<Record<FoundTrick["direction"], string>> = {
  back: "backward",
  front: "forward",
  right: "right",
  left: "left",
};
/** Said of what has no side worth telling. */
const SIDELESS: readonly TrickKind[] = ["punch", "brake", "unknown", "tumble"];

/** A found trick by name: "Flip, backward", "Roll, left, twice", "Unsure". */
export function foundTrickName(trick: FoundTrick): string {
  const { kind, direction, turns } = trick;
  if (kind === "unknown" || !isSure(trick)) return "Unsure";
  const side = SIDELESS.includes(kind) ? "" : `, ${directionNames[direction]}`;
  return `${trickKindNames[kind]}${side}${turns > 1 && (kind === "flip" || kind === "roll" || kind === "spin") ? `, ${numeral(turns, turns % 1 ? 1 : 0)} turns` : ""}`;
}

/** A found trick as it is said aloud: "Flip backward, 12 past". */
export function spokenTrick(trick: FoundTrick): string {
  const name = foundTrickName(trick).replaceAll(",", "");
  const deg = Math.round(trick.measures.stopErrorDeg);
  if (!endsRound(trick)) return name;
  return deg === 0 ? `${name}, on the mark` : `${name}, ${Math.abs(deg)} ${deg > 0 ? "past" : "short"}`;
}

/** Degrees with their sign: "+12°", "−3°", "0°". */
export function signedDeg(deg: number): string {
  const rounded = Math.round(deg);
  return `${rounded > 0 ? "+" : rounded < 0 ? "−" : ""}${numeral(Math.abs(rounded), 0)}°`;
}

/** What goes from a trick into an attempt: "stop +12°, swing back 4°, throttle upside down 11 %". */
export function measuredText(measured: Readonly<Partial<Record<AttemptMeasure, number>>>): string {
  const { stopErrorDeg, bounceBackDeg, throttleInvertedPct } = measured;
  return [
    ...(stopErrorDeg === undefined ? [] : [`stop ${signedDeg(stopErrorDeg)}`]),
    ...(bounceBackDeg === undefined ? [] : [`swing back ${numeral(bounceBackDeg, 0)}°`]),
    ...(throttleInvertedPct === undefined ? [] : [`throttle upside down ${percent(throttleInvertedPct / 100)}`]),
  ].join(", ");
}

/** A moment of a recording, from its beginning: "3:04.2". */
export function momentText(s: number): string {
  const tenths = Math.round(10 * s);
  const seconds = tenths % 600;
  return `${Math.floor(tenths / 600)}:${seconds < 100 ? "0" : ""}${numeral(seconds / 10, 1)}`;
}

/** Fix this first: what to do, and why. */
export function mendWords(
  mend: FirstMend,
  tricks: readonly FoundTrick[],
): { readonly todo: string; readonly why: string } {
  if (mend.kind === "nothing")
    return mend.of === 0
      ? { todo: "No trick was found.", why: "Nothing in it turns like one." }
      : {
          todo: "Nothing stands out.",
          why: `Throttle, stops and swings of ${counted(mend.of, "trick")} are as they should be.`,
        };
  if (mend.kind === "machine-wobble")
    return {
      todo: "Look at the propellers and what holds the motors before it flies again.",
      why: `${capital(mend.axis)} wobbles at ${numeral(mend.hz, 0)} Hz for ${numeral(mend.forS, 0)} s, and no stick goes with it.`,
    };
  if (mend.kind === "one-sided") {
    const side = capital(directionNames[mend.direction]);
    const way = mend.deg > 0 ? "past" : "short";
    return {
      todo: `${side} first, the weaker side: let go ${mend.deg > 0 ? "earlier" : "later"}.`,
      why: `${counted(mend.count, "turn")} that way ended ${numeral(Math.abs(mend.deg), 0)}° ${way} on the mean, the other way ${signedDeg(mend.otherDeg)}.`,
    };
  }
  const often = `${mend.count} of ${mend.of}`;
  const worst = foundTrickName(tricks[mend.trick]).toLowerCase();
  switch (mend.kind) {
    case "throttle-open":
      return {
        todo: "Close the throttle before the turn.",
        why: `It stood at ${percent(mend.share)} upside down in ${often}; worst in the ${worst}.`,
      };
    case "stops-past":
      return {
        todo: "Let go earlier.",
        why: `${often} turns ended ${numeral(mend.deg, 0)}° past on the mean; furthest the ${worst}.`,
      };
    case "stops-short":
      return {
        todo: "Hold the turn longer.",
        why: `${often} turns ended ${numeral(mend.deg, 0)}° short on the mean; shortest the ${worst}.`,
      };
    case "swings-back":
      return {
        todo: "Ease the last quarter.",
        why: `${often} turns swung back ${numeral(mend.deg, 0)}° after the stop; most the ${worst}.`,
      };
    case "leans-off":
      return {
        todo: "Keep the other axis still.",
        why: `${often} turns leaned off their axis by ${numeral(mend.deg, 0)}°; most the ${worst}.`,
      };
  }
}

export const monthMeasureNames: Readonly<Record<MonthMeasure, string>> = {
  stopDeg: "Stop error",
  swingBackDeg: "Swing back",
  throttleUpsideDown: "Throttle upside down",
  logDimensionlessJerk: "Roughness",
};

/** A figure of a month: "12°", "4 %", "2.10". */
export function monthFigureText(measure: MonthMeasure, value: number): string {
  if (measure === "throttleUpsideDown") return percent(value);
  return measure === "logDimensionlessJerk" ? numeral(value, 1) : `${numeral(value, 0)}°`;
}

/** What changed over a month: "Stop error down from 21° to 9°." */
export const monthChangeWords = ({ measure, before, after, better }: MonthChange): string =>
  `${monthMeasureNames[measure]} ${better ? "down" : "up"} from ${monthFigureText(measure, before)} to ${monthFigureText(measure, after)}.`;

/** Columns that every recording has. */
export const tapeColumnNames: Readonly<Record<TapeColumn, string>> = {
  time_s: "Time",
  stick_roll: "Roll stick",
  stick_pitch: "Pitch stick",
  stick_yaw: "Yaw stick",
  throttle: "Throttle",
  gyro_roll_dps: "Roll gyro",
  gyro_pitch_dps: "Pitch gyro",
  gyro_yaw_dps: "Yaw gyro",
  rate_roll_dps: "Roll rate asked for",
  rate_pitch_dps: "Pitch rate asked for",
  rate_yaw_dps: "Yaw rate asked for",
  accel_x_mps2: "Acceleration forward",
  accel_y_mps2: "Acceleration right",
  accel_z_mps2: "Acceleration down",
  motor_1: "Motor 1",
  motor_2: "Motor 2",
  motor_3: "Motor 3",
  motor_4: "Motor 4",
  battery_v: "Battery",
};

/** Why a recording cannot be read. */
export function tapeProblemWords(problem: TapeProblem): string {
  switch (problem.kind) {
    case "empty":
      return "The file is empty.";
    case "not-text":
      return "The file is not text. A recording is a CSV file.";
    case "no-names":
      return "The first line has no names of columns.";
    case "quote-open":
      return "A quotation mark is opened and never closed.";
    case "column-missing":
      return `There is no column "${problem.column}".`;
    case "column-twice":
      return `The column "${problem.column}" is there twice.`;
    case "ragged-row":
      return `Row ${problem.row} has ${counted(problem.columns, "column")}, and the first line ${problem.expected}.`;
    case "not-a-number":
      return `Row ${problem.row}, column "${problem.column}": ${problem.text === "" ? "nothing is there" : `"${problem.text}" is no number`}.`;
    case "out-of-range":
      return `Row ${problem.row}, column "${problem.column}": ${Math.round(problem.value * 1000) / 1000} cannot be; it is ${problem.range[0]} to ${problem.range[1]}. Are columns swapped, or in another unit?`;
    case "too-few-rows":
      return `It has ${counted(problem.rows, "row")}; at least ${problem.least} are needed.`;
    case "too-many-rows":
      return `It has more than ${problem.most} rows.`;
    case "out-of-order":
      return `The time does not go forward: ${problem.rows} of ${problem.of} rows are not later than the one before, the first is row ${problem.row}.`;
    case "sample-rate":
      return `It has ${counted(Math.round(problem.hz), "row")} a second; ${problem.range[0]} to ${problem.range[1]} can be read.`;
  }
}

/** What is odd in a recording. */
export function tapeWarningWords(warning: TapeWarning): string {
  switch (warning.kind) {
    case "time-repeated":
      return `${counted(warning.rows, "row")} repeated a time and ${warning.rows === 1 ? "was" : "were"} left out, the first is row ${warning.row}.`;
    case "time-backward":
      return `${counted(warning.rows, "row")} went back in time and ${warning.rows === 1 ? "was" : "were"} left out, the first is row ${warning.row}.`;
    case "gaps":
      return `${counted(warning.count, "gap")}, the longest ${numeral(warning.longestS, 2)} s at ${momentText(warning.atS)}. Tricks with a gap in them are unsure.`;
    case "uneven":
      return `${percent(warning.share)} of the rows come at uneven times.`;
    case "jump":
      return `The ${warning.axis} gyro jumps ${counted(warning.count, "time")}, first at ${momentText(warning.atS)}.`;
    case "clipped":
      return `The ${warning.axis} gyro stands at its end of ${numeral(warning.atDps, 0)}°/s, first at ${momentText(warning.atS)}: it turned faster than that.`;
    case "sign":
      return `The aircraft turns against the ${warning.axis} stick: one of the two has the wrong sign.`;
    case "silent":
      return warning.what === "stick"
        ? `The ${warning.axis} stick never moves.`
        : `The ${warning.axis} gyro says the same from ${momentText(warning.fromS)} to ${momentText(warning.toS)}.`;
  }
}

const WHOLE_REACH = 0.9;

/** What an axis says of the settings it was flown with; null where nothing can be told. */
export function axisCheckWords(check: AxisCheck): string | null {
  const { axis, endDps, plannedEndDps, agrees, sign, reach, reachDps, plannedReachDps } = check;
  if (sign < 0) return `The aircraft turns against the ${axis} stick.`;
  if (endDps === null || reachDps === null) return null;
  // Where the curve goes beyond what was flown nobody knows.
  if (reach < WHOLE_REACH)
    return agrees
      ? `${axis} as in the setup, as far as the stick went (${percent(reach)})`
      : `this was not that setup: ${axis} turns ${numeral(reachDps, 0)}°/s at ${percent(reach)} of the stick, not ${numeral(plannedReachDps, 0)}`;
  const [flown, planned] = [numeral(endDps, 0), numeral(plannedEndDps, 0)];
  return agrees
    ? `${axis} as in the setup, to ${flown}°/s`
    : `this was not that setup: ${axis} ends at ${flown}°/s, not ${planned}`;
}

/** A wobble and who makes it. */
export const wobbleWords = ({ axis, fromS, forS, hz, cause }: GatheredWobble): string =>
  `${axis} wobbles at ${numeral(hz, 1)} Hz for ${numeral(forS, 0)} s, first at ${momentText(fromS)}: ${cause === "hand" ? "the hand, the stick goes with it" : "the machine: tune, propeller or a loose part"}.`;
