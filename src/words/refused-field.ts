import { DomainError } from "@/core";
import { capital } from "./capital";
import { entryIn, type Quantity, type UnitSystem } from "./quantity";

/** What a field is called, and what it is a figure of, by the last part of its path. */
const known: Readonly<Record<string, readonly [name: string, quantity?: Quantity]>> = {
  // Of joins.
  m: ["distance", "length"],
  s: ["time", "time"],
  mps: ["speed", "speed"],
  massKg: ["weight", "mass"],
  thrustToWeight: ["thrust over weight"],
  command: ["throttle to the motors", "share"],
  tiltDeg: ["camera tilt", "angle"],
  verticalFovDeg: ["vertical field of view", "angle"],
  bankLimitDeg: ["bank limit", "angle"],
  mixAngleDeg: ["mixing angle", "angle"],
  speedMps: ["speed", "speed"],
  elevationM: ["elevation", "length"],
  siteElevationM: ["elevation", "length"],
  temperatureC: ["temperature", "temperature"],
  windMps: ["wind", "speed"],
  entryHeightM: ["start height", "length"],
  ceilingM: ["local ceiling", "length"],
  rateDps: ["turning rate", "rate"],
  deg: ["angle turned on", "angle"],
  freshS: ["climb on a fresh pack", "time"],
  lateS: ["climb late in the pack", "time"],
  usedShare: ["pack used", "share"],
  packUsed: ["pack used", "share"],
  punchS: ["punch", "time"],
  hangS: ["hang", "time"],
  seconds: ["time", "time"],
  fraction: ["throttle limit", "share"],
  centreDps: ["centre rate", "rate"],
  endDps: ["end rate", "rate"],
  k: ["how many clean"],
  n: ["how many attempts looked at"],
  packs: ["packs"],
  minutes: ["minutes"],
  within: ["most it may miss by"],
  measure: ["what is measured"],
  places: ["places"],
};
/** Parts of a path that say whose field it is. */
const whose: readonly string[] = ["roll", "pitch", "yaw", "throttle"];
/** Units in names, longest first. */
const suffixes: readonly (readonly [suffix: string, quantity: Quantity])[] = [
  ["Mps", "speed"],
  ["Dps", "rate"],
  ["Deg", "angle"],
  ["Kg", "mass"],
  ["M", "length"],
  ["S", "time"],
];

/** What a field is called: by the table, else the words of its name without its unit. */
function named(field: string): { readonly name: string; readonly quantity: Quantity | null } {
  const path = field.split(".");
  const last = path[path.length - 1];
  const owner = path.slice(0, -1).find((part) => whose.includes(part));
  const [name, quantity] = (Object.hasOwn(known, last) && known[last]) || byName(last);
  const owned = owner !== undefined && !name.includes(owner) ? `${owner} ${name}` : name;
  return { name: path.includes("mark") ? `pass mark, ${owned}` : owned, quantity: quantity ?? null };
}

function byName(field: string): readonly [string, Quantity?] {
  const suffix = suffixes.find(([end]) => field.endsWith(end) && field.length > end.length);
  const bare = suffix ? field.slice(0, -suffix[0].length) : field;
  return [bare.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`).trim(), suffix?.[1]];
}

/** Text of a figure in the unit of the field. */
const figure = (value: number, quantity: Quantity | null, units: UnitSystem) =>
  quantity === null ? String(value) : entryIn(quantity, units).text(value);

/**
 * What the arithmetic refused, as a coach reads it: the field by its name, figures in its unit, and what is allowed. Anything else than a refused
 * field is said as it says it.
 */
export function refusedWords(error: Error, units: UnitSystem = "metric"): string {
  if (!(error instanceof DomainError)) return error.message;
  if (error.cause instanceof DomainError) return `${error.message} ${refusedWords(error.cause, units)}.`;
  const { value, range, message } = error;
  // Of a line: which of its items it is about comes first.
  const [, item, field] = /^items\[(\d+)\]\.(.*)$/s.exec(error.field) ?? [null, null, error.field];
  const of = item === null ? "" : `Item ${Number(item) + 1}: `;
  const { name, quantity } = named(field);
  if (range === null) return of + inPlace(message.replace(/^(item \d+: |items\[\d+\]\.)/, ""), field, name);
  const symbol = quantity === null ? "" : entryIn(quantity, units).symbol;
  const unit = symbol === "" ? "" : symbol === "°" ? symbol : ` ${symbol}`;
  const ends = range.map((end) => figure(end, quantity, units));
  const number = Number(value);
  const now =
    value === null || value === undefined || typeof value === "object" || !Number.isFinite(number)
      ? ""
      : ` (now ${figure(number, quantity, units)}${unit})`;
  return `${of}${capital(name)} must be between ${ends[0]} and ${ends[1]}${unit}${now}`;
}

/** A sentence of its own, with the field called by its name; one that names a place in a file is left as it is. */
function inPlace(message: string, field: string, name: string): string {
  if (!message.startsWith(field) || message.startsWith(`${field}: `)) return message;
  return `${capital(name)}${message.slice(field.length)}`;
}
