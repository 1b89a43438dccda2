import { airframeRanges, requireAirframe, thrustFraction, type Airframe } from "../airframe";
import { airDensity, STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { FieldRangeError, RAD_PER_DEG, requireNumber, requireOneOf } from "../numbers";
import { cruise } from "../sustained";

/** Something measured at the field, in the units it is read in. */
export type Measurement =
  | { readonly kind: "weight"; readonly massKg: number }
  | { readonly kind: "hover"; readonly command: number }
  | { readonly kind: "cruise-throttle"; readonly tiltDeg: number; readonly command: number }
  | { readonly kind: "cruise-speed"; readonly tiltDeg: number; readonly speedMps: number };

/** The numbers of an airframe that measuring settles. */
export type MeasuredNumber = "massKg" | "thrustToWeight" | "dragAreaM2";

/** An airframe after measuring. */
export interface FittedAirframe {
  readonly airframe: Airframe;
  readonly measured: readonly MeasuredNumber[];
  /** What each measurement says against the fitted aircraft: 0 is full agreement, 0.1 is 10 % more measured than computed. */
  readonly residuals: readonly { readonly measurement: Measurement; readonly share: number }[];
}

/** Returns the measurement with only what its kind needs, each in range; throws a RangeError naming the field. */
export function requireMeasurement(one: Measurement): Measurement {
  const command = (value: unknown) => requireNumber("command", value, 0.02, 1);
  switch (requireOneOf("kind", one?.kind, ["weight", "hover", "cruise-throttle", "cruise-speed"])) {
    case "weight":
      return {
        kind: "weight",
        massKg: requireNumber("massKg", (one as { massKg?: unknown }).massKg, ...airframeRanges.massKg),
      };
    case "hover":
      return { kind: "hover", command: command((one as { command?: unknown }).command) };
    case "cruise-throttle": {
      const { tiltDeg, command: at } = one as { tiltDeg?: unknown; command?: unknown };
      return { kind: "cruise-throttle", tiltDeg: requireNumber("tiltDeg", tiltDeg, 0, 80), command: command(at) };
    }
    case "cruise-speed": {
      const { tiltDeg, speedMps } = one as { tiltDeg?: unknown; speedMps?: unknown };
      return {
        kind: "cruise-speed",
        tiltDeg: requireNumber("tiltDeg", tiltDeg, 3, 80),
        speedMps: requireNumber("speedMps", speedMps, 0.5, 80),
      };
    }
  }
}

/** True end rate from a stopwatch over full-stick rolls, °/s. */
export function endRateFromRolls(rolls: number, seconds: number): number {
  requireNumber("rolls", rolls, 1, 100);
  return (360 * rolls) / requireNumber("seconds", seconds, 0.5, 600);
}

/**
 * Fits an estimate to what was measured, in this order: weight (the motors push as before), drag from speeds at level cruise (both drag areas
 * scaled alike), thrust over weight from hover and cruise throttle (the middle of what each says). Numbers nobody measured stay estimates.
 */
export function fitAirframe(estimate: Airframe, measurements: readonly Measurement[], air: Air): FittedAirframe {
  requireAirframe(estimate);
  let airframe = estimate;
  const measured = new Set<MeasuredNumber>();
  const of = <Kind extends Measurement["kind"]>(kind: Kind) =>
    measurements.filter((one): one is Extract<Measurement, { kind: Kind }> => one.kind === kind);

  const weights = of("weight").map(({ massKg }) => requireNumber("massKg", massKg, ...airframeRanges.massKg));
  if (weights.length) {
    const massKg = median(weights);
    const ratio = massKg / airframe.massKg;
    airframe = {
      ...airframe,
      massKg,
      thrustToWeight: airframe.thrustToWeight / ratio,
      inertiaKgM2: scaled(airframe.inertiaKgM2, ratio),
    };
    measured.add("massKg");
  }
  const dragScales = of("cruise-speed").map((one) => dragScale(airframe, one.tiltDeg, one.speedMps, air));
  if (dragScales.length) {
    airframe = { ...airframe, dragAreaM2: scaled(airframe.dragAreaM2, median(dragScales)) };
    measured.add("dragAreaM2");
  }
  const thrusts = [
    ...of("hover").map(({ command }) => 1 / thrustFraction(airframe, requireNumber("command", command, 0.02, 1))),
    ...of("cruise-throttle").map(
      ({ tiltDeg, command }) =>
        cruise({ ...airframe, thrustToWeight: airframeRanges.thrustToWeight[1] }, tiltDeg, air).thrustG /
        thrustFraction(airframe, requireNumber("command", command, 0.02, 1)),
    ),
  ];
  if (thrusts.length) {
    const [least, most] = airframeRanges.thrustToWeight;
    const thrustToWeight = median(thrusts);
    if (thrustToWeight < least || thrustToWeight > most)
      throw new FieldRangeError(
        "command",
        `command gives a thrust of ${thrustToWeight.toFixed(1)} times the weight; allowed: ${least} to ${most}`,
      );
    airframe = { ...airframe, thrustToWeight };
    measured.add("thrustToWeight");
  }
  return {
    airframe: requireAirframe(airframe),
    measured: [...measured],
    residuals: measurements.map((measurement) => ({ measurement, share: residual(airframe, measurement, air) })),
  };
}

/** By how much both drag areas must be scaled for level cruise at this tilt to be this fast: k = mg·tan τ / (½ρv²·(back − down·tan τ)). */
function dragScale(airframe: Airframe, tiltDeg: number, speedMps: number, air: Air): number {
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", tiltDeg, 3, 80);
  const v = requireNumber("speedMps", speedMps, 0.5, 80);
  const { x, z } = airframe.dragAreaM2;
  const back = x * Math.cos(tilt) ** 2 + z * Math.sin(tilt) ** 2;
  const down = Math.cos(tilt) * Math.sin(tilt) * (z - x);
  const pressure = 0.5 * airDensity(air) * v * v;
  const weight = airframe.massKg * STANDARD_GRAVITY_MPS2;
  const scale = (weight * Math.tan(tilt)) / (pressure * (back - down * Math.tan(tilt)));
  if (!(scale > 0.2 && scale < 5))
    throw new FieldRangeError(
      "speedMps",
      `speedMps is ${speedMps}; at ${tiltDeg}° it would mean ${scale.toFixed(1)} times the drag of this kind of aircraft`,
    );
  return scale;
}

function residual(airframe: Airframe, measurement: Measurement, air: Air): number {
  switch (measurement.kind) {
    case "weight":
      return measurement.massKg / airframe.massKg - 1;
    case "hover":
      return airframe.thrustToWeight * thrustFraction(airframe, measurement.command) - 1;
    case "cruise-throttle": {
      const wanted = cruise(airframe, measurement.tiltDeg, air).thrustG;
      return (airframe.thrustToWeight * thrustFraction(airframe, measurement.command)) / wanted - 1;
    }
    case "cruise-speed":
      return measurement.speedMps / cruise(airframe, measurement.tiltDeg, air).speedMps - 1;
  }
}

function scaled(axes: Airframe["dragAreaM2"], ratio: number): Airframe["dragAreaM2"] {
  return { x: axes.x * ratio, y: axes.y * ratio, z: axes.z * ratio };
}

/** The middle one, so that one slip of the eye does not move the rest. */
function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return sorted.length % 2 ? sorted[Math.floor(middle)] : 0.5 * (sorted[middle - 1] + sorted[middle]);
}
