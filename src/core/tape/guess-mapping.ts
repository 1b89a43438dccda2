import { median } from "../numbers";
import { requiredColumns, tapeColumns, type ColumnSource, type TapeColumn, type TapeMapping } from "./columns";
import { fieldsOf, splitRow } from "./csv";
import type { TapeAxis } from "./tape";

/** How another program's file may be read, to be looked at before it is. */
export interface MappingGuess {
  readonly mapping: TapeMapping;
  /** Columns that have to be there and were not recognised. */
  readonly lacking: readonly TapeColumn[];
  /** What was recognised by its place or its range only. */
  readonly unsure: readonly TapeColumn[];
  readonly names: readonly string[];
  /** Rows as numbers; NaN where one is none. */
  readonly rows: readonly (readonly number[])[];
}

const PREVIEW_ROWS = 4000;

/** What is called a stick, a gyro and so on, in lower case. Common practice, no source. */
const words = {
  time: /time|zeit|stamp|^t(\b|_)/,
  stick: /stick|command|cmd|input|^rc/,
  gyro: /gyro|omega|angular/,
  rate: /setpoint|rate.*(asked|wanted|target)|target/,
  throttle: /throttle|thrust|^thr/,
} as const;
const axisWords: Readonly<Record<TapeAxis, RegExp>> = {
  roll: /roll|aileron|\bx\b|_x|\[0\]/,
  pitch: /pitch|elevator|nick|\by\b|_y|\[1\]/,
  yaw: /yaw|rudder|gier|\bz\b|_z|\[2\]/,
};

/** A mapping out of the line of names and some rows of a file: by names, and by the ranges of its numbers. Throws nothing; what is not recognised is said. */
export function guessMapping(head: string): MappingGuess {
  const lines = head.split(/\r?\n/);
  const { names, delimiter } = splitRow(lines[0] ?? "");
  const comma = delimiter !== ",";
  const rows = lines
    .slice(1, 1 + PREVIEW_ROWS)
    // The last one may be cut.
    .filter((line, i, all) => line !== "" && i < Math.max(1, all.length - 1))
    .map((line) => fieldsOf(line, delimiter).map((field) => numberOf(comma ? field.replace(",", ".") : field)));
  const mapping: Partial<Record<TapeColumn, ColumnSource>> = {};
  const unsure: TapeColumn[] = [];
  const put = (column: TapeColumn, at: number, source: readonly [factor: number, offset: number], sure = true) => {
    if (at < 0) return;
    mapping[column] = { from: names[at], factor: source[0], offset: source[1] };
    if (!sure) unsure.push(column);
  };
  const values = (at: number) => rows.map((row) => row[at]).filter((value) => Number.isFinite(value));
  const low = names.map((name) => name.toLowerCase());
  for (const [at, name] of names.entries()) {
    const range = (tapeColumns as Readonly<Record<string, readonly [number, number]>>)[name];
    if (range && values(at).every((value) => value >= range[0] && value <= range[1]))
      put(name as TapeColumn, at, [1, 0]);
  }
  const free = (at: number) => !Object.values(mapping).some(({ from }) => from === names[at]);
  const find = (...patterns: readonly RegExp[]) =>
    low.findIndex((name, at) => free(at) && patterns.every((pattern) => pattern.test(name)));
  if (!mapping.time_s) {
    const at = find(words.time);
    put("time_s", at, [timeFactor(low[at] ?? "", values(at)), 0]);
  }
  if (!mapping.throttle) {
    const at = find(words.throttle);
    put("throttle", at, throttleScale(values(at)));
  }
  for (const axis of ["roll", "pitch", "yaw"] as const) {
    const [gyro, rate, stick] = [`gyro_${axis}_dps`, `rate_${axis}_dps`, `stick_${axis}`] as const;
    const turning = (at: number, column: TapeColumn) =>
      put(column, at, [turnFactor(low[at] ?? "", values(at)), 0], /deg|rad|dps/.test(low[at] ?? ""));
    if (!mapping[gyro]) turning(find(words.gyro, axisWords[axis]), gyro);
    if (!mapping[rate]) turning(find(words.rate, axisWords[axis]), rate);
    if (mapping[stick]) continue;
    const named = find(words.stick, axisWords[axis]);
    const at = named >= 0 ? named : find(axisWords[axis]);
    put(stick, at, stickScale(values(at)), named >= 0);
  }
  return { mapping, lacking: requiredColumns.filter((column) => !mapping[column]), unsure, names, rows };
}

const numberOf = (field: string) => (field.trim() === "" ? NaN : Number(field));
const most = (values: readonly number[]) => Math.max(0, ...values.map(Math.abs));

/** Seconds, milliseconds or microseconds, by the name or by the step. */
function timeFactor(name: string, values: readonly number[]): number {
  if (/us\b|µs|micro/.test(name)) return 1e-6;
  if (/ms\b|milli/.test(name)) return 1e-3;
  const steps = values.slice(1).map((value, i) => value - values[i]);
  const step = median(steps);
  if (step >= 100) return 1e-6;
  return step >= 0.2 ? 1e-3 : 1;
}

/** Pulses of 1000 to 2000 µs, ±500, per cent, or −1 to 1. */
function stickScale(values: readonly number[]): readonly [number, number] {
  const size = most(values);
  if (size > 750) return [1 / 500, -3];
  if (size > 110) return [1 / 500, 0];
  return size > 1.1 ? [1 / 100, 0] : [1, 0];
}

function throttleScale(values: readonly number[]): readonly [number, number] {
  const size = most(values);
  if (size > 1000 || (values.length > 0 && Math.min(...values) >= 900)) return [1 / 1000, -1];
  if (size > 110) return [1 / 1000, 0];
  return size > 1.1 ? [1 / 100, 0] : [1, 0];
}

const turnFactor = (name: string, values: readonly number[]) =>
  /rad/.test(name) || (!/deg|dps/.test(name) && most(values) > 0 && most(values) < 15) ? 180 / Math.PI : 1;
