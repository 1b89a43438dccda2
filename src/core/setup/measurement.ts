import { requireNumber, requireOneOf } from "../numbers";
import { airframeRanges } from "../airframe";

/** Something measured at the field, in the units it is read in. What depends on the air may name the elevation it was read at, m. */
export type Measurement =
  | { readonly kind: "weight"; readonly massKg: number }
  | { readonly kind: "hover"; readonly command: number; readonly elevationM?: number }
  | {
      readonly kind: "cruise-throttle";
      readonly tiltDeg: number;
      readonly command: number;
      readonly elevationM?: number;
    }
  | { readonly kind: "cruise-speed"; readonly tiltDeg: number; readonly speedMps: number; readonly elevationM?: number }
  /** Fastest level flight. */
  | { readonly kind: "top-speed"; readonly speedMps: number; readonly elevationM?: number }
  /** Degrees turned after the stick is let go at a full rate. */
  | { readonly kind: "run-on"; readonly rateDps: number; readonly deg: number }
  /** Seconds of full throttle for the same climb from rest, on a full pack and with this share of it used. */
  | { readonly kind: "late-punch"; readonly freshS: number; readonly lateS: number; readonly usedShare: number }
  /** Seconds counted from closing the throttle after a punch to falling past that height again. Settles nothing: it is held against the rest. */
  | {
      readonly kind: "hang";
      readonly punchS: number;
      readonly command: number;
      readonly hangS: number;
      readonly elevationM?: number;
    };

/** The numbers of an airframe that measuring settles. */
export type MeasuredNumber = "massKg" | "thrustToWeight" | "dragAreaM2" | "pitchSpeedMps" | "rateLoopPerS" | "sag";

const ranges = {
  command: [0.02, 1],
  tiltDeg: [0, 80],
  elevationM: [-450, 5000],
  rateDps: [100, 2000],
  deg: [2, 180],
  seconds: [0.1, 20],
  usedShare: [0.2, 1],
  punchS: [0.1, 3],
  hangS: [0.2, 20],
} as const;
export const measurementKinds = [
  "weight",
  "hover",
  "cruise-throttle",
  "cruise-speed",
  "top-speed",
  "run-on",
  "late-punch",
  "hang",
] as const satisfies readonly Measurement["kind"][];

/** Returns the measurement with only what its kind needs, each in range; throws a DomainError naming the field. */
export function requireMeasurement(one: Measurement): Measurement {
  const given = one as Readonly<Record<string, unknown>> | undefined;
  const number = (name: string, [min, max]: readonly [number, number]) => requireNumber(name, given?.[name], min, max);
  const elevation = given?.elevationM === undefined ? {} : { elevationM: number("elevationM", ranges.elevationM) };
  switch (requireOneOf("kind", one?.kind, measurementKinds)) {
    case "weight":
      return { kind: "weight", massKg: number("massKg", airframeRanges.massKg) };
    case "hover":
      return { kind: "hover", command: number("command", ranges.command), ...elevation };
    case "cruise-throttle":
      return {
        kind: "cruise-throttle",
        tiltDeg: number("tiltDeg", ranges.tiltDeg),
        command: number("command", ranges.command),
        ...elevation,
      };
    case "cruise-speed":
      return {
        kind: "cruise-speed",
        tiltDeg: number("tiltDeg", [3, 80]),
        speedMps: number("speedMps", [0.5, 80]),
        ...elevation,
      };
    case "top-speed":
      return { kind: "top-speed", speedMps: number("speedMps", [1, 120]), ...elevation };
    case "run-on":
      return { kind: "run-on", rateDps: number("rateDps", ranges.rateDps), deg: number("deg", ranges.deg) };
    case "late-punch":
      return {
        kind: "late-punch",
        freshS: number("freshS", ranges.seconds),
        lateS: number("lateS", ranges.seconds),
        usedShare: number("usedShare", ranges.usedShare),
      };
    case "hang":
      return {
        kind: "hang",
        punchS: number("punchS", ranges.punchS),
        command: number("command", ranges.command),
        hangS: number("hangS", ranges.hangS),
        ...elevation,
      };
  }
}

/** Which numbers of an airframe some measurements settle. */
export function measuredNumbers(measurements: readonly Measurement[]): readonly MeasuredNumber[] {
  const kinds = new Set(measurements.map(({ kind }) => kind));
  const settled: readonly (readonly [MeasuredNumber, readonly Measurement["kind"][]])[] = [
    ["massKg", ["weight"]],
    ["dragAreaM2", ["cruise-speed"]],
    ["thrustToWeight", ["hover", "cruise-throttle"]],
    ["pitchSpeedMps", ["top-speed"]],
    ["rateLoopPerS", ["run-on"]],
    ["sag", ["late-punch"]],
  ];
  return settled.flatMap(([name, by]) => (by.some((kind) => kinds.has(kind)) ? [name] : []));
}

/** True end rate from a stopwatch over full-stick rolls, °/s. */
export function endRateFromRolls(rolls: number, seconds: number): number {
  requireNumber("rolls", rolls, 1, 100);
  return (360 * rolls) / requireNumber("seconds", seconds, 0.5, 600);
}
