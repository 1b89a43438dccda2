export type UnitSystem = "metric" | "imperial";
export const unitSystems: readonly UnitSystem[] = ["metric", "imperial"];

/** Kinds of figures the program shows. Values always come in SI units or degrees. */
export type Quantity =
  | "length"
  | "speed"
  | "mass"
  | "angle"
  | "rate"
  | "time"
  | "thrust"
  | "share"
  | "count"
  | "days"
  | "temperature"
  | "area";

interface Unit {
  readonly symbol: string;
  readonly factor: number;
  /** Added after the factor, where zero is not nothing. */
  readonly plus?: number;
  readonly digits: number;
}

const metric: Readonly<Record<Quantity, Unit>> = {
  length: { symbol: "m", factor: 1, digits: 1 },
  area: { symbol: "m²", factor: 1, digits: 0 },
  speed: { symbol: "m/s", factor: 1, digits: 1 },
  mass: { symbol: "g", factor: 1000, digits: 0 },
  angle: { symbol: "°", factor: 1, digits: 0 },
  rate: { symbol: "°/s", factor: 1, digits: 0 },
  time: { symbol: "s", factor: 1, digits: 2 },
  thrust: { symbol: "g", factor: 1, digits: 1 },
  share: { symbol: "%", factor: 100, digits: 0 },
  count: { symbol: "", factor: 1, digits: 0 },
  days: { symbol: "days", factor: 1, digits: 0 },
  temperature: { symbol: "°C", factor: 1, digits: 0 },
};

/** International foot 0.3048 m and avoirdupois ounce 28.349523125 g (NIST SP 811, appendix B). */
const imperial: Readonly<Record<Quantity, Unit>> = {
  ...metric,
  length: { symbol: "ft", factor: 1 / 0.3048, digits: 0 },
  area: { symbol: "ft²", factor: 1 / 0.3048 ** 2, digits: 0 },
  speed: { symbol: "ft/s", factor: 1 / 0.3048, digits: 0 },
  mass: { symbol: "oz", factor: 1000 / 28.349523125, digits: 1 },
  // Degree Fahrenheit: t/°F = 1.8 t/°C + 32 (NIST SP 811, B.8).
  temperature: { symbol: "°F", factor: 1.8, plus: 32, digits: 0 },
};

const unitsOf = (system: UnitSystem) => (system === "imperial" ? imperial : metric);

export interface FormattedQuantity {
  readonly value: string;
  readonly unit: string;
}

/** The one number formatter: a value in SI or degrees as figures and unit of the chosen system. Null shows as a dash. */
export function formatQuantity(
  value: number | null | undefined,
  quantity: Quantity,
  system: UnitSystem,
  digits?: number,
): FormattedQuantity {
  const unit = unitsOf(system)[quantity];
  if (value === null || value === undefined || !Number.isFinite(value)) return { value: "–", unit: "" };
  const figures = (value * unit.factor + (unit.plus ?? 0)).toFixed(digits ?? unit.digits);
  // A true minus sign, and no minus before a zero.
  const signed = Number(figures) === 0 ? figures.replace("-", "") : figures.replace("-", "−");
  return { value: signed, unit: unit.symbol };
}

/** A number without a unit, with a true minus sign, and none before a zero. */
export const numeral = (value: number | null | undefined, digits = 0): string =>
  formatQuantity(value, "count", "metric", digits).value;

/** Figures and unit as one text, with a narrow space between where the unit takes one. */
export function quantityText(
  value: number | null | undefined,
  quantity: Quantity,
  system: UnitSystem,
  digits?: number,
): string {
  const { value: figures, unit } = formatQuantity(value, quantity, system, digits);
  return unit === "" || unit === "°" ? `${figures}${unit}` : `${figures}\u202f${unit}`;
}

/** How a quantity is typed: its symbol, and the way from SI or degrees to the chosen unit and back. */
export interface Entry {
  readonly symbol: string;
  readonly shown: (value: number) => number;
  readonly read: (shown: number) => number;
  /** A value as it stands in a field, without needless places. */
  readonly text: (value: number) => string;
  /** The ends of a range in the unit, rounded inwards, so that both can be typed. */
  readonly range: (range: readonly [number, number]) => readonly [number, number];
}

/** How a quantity is typed in a system of units. */
export function entryIn(quantity: Quantity, system: UnitSystem): Entry {
  const { symbol, factor, plus = 0 } = unitsOf(system)[quantity];
  const shown = (value: number) => value * factor + plus;
  const plain = factor === 1 && plus === 0;
  const rounded = (value: number) => Number(value.toFixed(plain ? 6 : 2));
  return {
    symbol,
    shown,
    read: (value) => (value - plus) / factor,
    text: (value) => String(rounded(shown(value))),
    range: ([min, max]) =>
      plain ? [min, max] : [Math.ceil(100 * shown(min) - 1e-9) / 100, Math.floor(100 * shown(max) + 1e-9) / 100],
  };
}
