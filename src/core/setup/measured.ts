import { airframeRanges, densityRatio, requireAirframe, thrustFraction, withMass, type Airframe } from "../airframe";
import { airDensity, type Air } from "../atmosphere";
import { bisect, DomainError, median } from "../numbers";
import { runOnDeg } from "../flight";
import { flyPunch } from "./punch";
import { cruise, TooLittleThrust, topSpeed } from "../sustained";
import { measuredNumbers, requireMeasurement, type MeasuredNumber, type Measurement } from "./measurement";

/** An airframe after measuring. */
export interface FittedAirframe {
  readonly airframe: Airframe;
  readonly measured: readonly MeasuredNumber[];
  /** What each measurement says against the fitted aircraft: 0 is full agreement, 0.1 is 10 % more measured than computed. */
  readonly residuals: readonly { readonly measurement: Measurement; readonly share: number }[];
}

/** Drag, thrust and pitch speed ask for one another: so often round, which settles them to a millionth. */
const ROUNDS = 12;

/**
 * Fits an estimate to what was measured. Weight first (the motors push as before); then, in turn until they settle, drag from speeds at level cruise (all of
 * it scaled alike), thrust over weight from hover and cruise throttle, and the pitch speed of the propellers from the top speed; the rate loop from the
 * run-on, the sag from a late punch. Of several of a kind the middle one counts. Numbers nobody measured stay estimates. `air` is where was measured what
 * names no elevation. Throws a DomainError naming the field for what cannot be.
 */
export function fitAirframe(estimate: Airframe, measurements: readonly Measurement[], air: Air): FittedAirframe {
  requireAirframe(estimate);
  const taken = measurements.map(requireMeasurement);
  const of = <Kind extends Measurement["kind"]>(kind: Kind) =>
    taken.filter((one): one is Extract<Measurement, { kind: Kind }> => one.kind === kind);
  const airAt = ({ elevationM }: { readonly elevationM?: number }): Air =>
    elevationM === undefined ? air : { ...air, heightM: elevationM };
  let airframe = estimate;
  const weights = of("weight").map(({ massKg }) => massKg);
  if (weights.length) {
    airframe = withMass(airframe, median(weights));
  }
  const speeds = of("cruise-speed");
  const hovers = of("hover");
  const throttles = of("cruise-throttle");
  const tops = of("top-speed");
  const rounds = speeds.length + throttles.length + tops.length > 0 ? ROUNDS : 1;
  for (let round = 0; round < rounds; round++) {
    if (hovers.length + throttles.length) airframe = withThrust(airframe, hovers, throttles, airAt);
    if (speeds.length) {
      const scales = speeds.map((one) => dragScale(airframe, one.tiltDeg, one.speedMps, airAt(one)));
      airframe = withDrag(airframe, median(scales));
    }
    if (tops.length) {
      const pitchSpeeds = tops.map((one) => pitchSpeedFor(airframe, one.speedMps, airAt(one)));
      airframe = { ...airframe, pitchSpeedMps: median(pitchSpeeds) };
    }
  }
  const runOns = of("run-on");
  if (runOns.length) {
    airframe = withLoop(airframe, median(runOns.map((one) => loopScale(airframe, one.rateDps, one.deg))));
  }
  const punches = of("late-punch");
  if (punches.length) {
    const sag = estimate.sag ?? { emptyShare: 0, loadShare: 0, fullThrottleS: 60 };
    airframe = { ...airframe, sag: { ...sag, emptyShare: median(punches.map((one) => emptyShareFor(airframe, one))) } };
  }
  return {
    airframe: requireAirframe(airframe),
    measured: measuredNumbers(taken),
    residuals: taken.map((measurement) => ({
      measurement,
      share: residual(airframe, measurement, airAt(measurement as { elevationM?: number })),
    })),
  };
}

function withThrust(
  airframe: Airframe,
  hovers: readonly { readonly command: number; readonly elevationM?: number }[],
  throttles: readonly { readonly tiltDeg: number; readonly command: number; readonly elevationM?: number }[],
  airAt: (one: { readonly elevationM?: number }) => Air,
): Airframe {
  const [least, most] = airframeRanges.thrustToWeight;
  const thrusts = [
    ...hovers.map(
      (one) => 1 / (thrustFraction(airframe, one.command) * densityRatio(airframe, airDensity(airAt(one)))),
    ),
    ...throttles.map((one) => {
      // More thrust cruises on less throttle.
      const off = (thrustToWeight: number) =>
        cruiseThrottle({ ...airframe, thrustToWeight }, one.tiltDeg, airAt(one)) - one.command;
      return bisect(off, least, most, 1e-9) ?? (off(most) > 0 ? Infinity : 0);
    }),
  ];
  const thrustToWeight = median(thrusts);
  if (!(thrustToWeight >= least && thrustToWeight <= most))
    throw new DomainError(
      "command",
      thrustToWeight,
      `a thrust of ${least} to ${most} times the weight`,
      `command gives a thrust of ${thrustToWeight.toFixed(1)} times the weight; allowed: ${least} to ${most}`,
    );
  return { ...airframe, thrustToWeight };
}

/** Motor command of level cruise; above 1 where the aircraft has not the thrust. */
function cruiseThrottle(airframe: Airframe, tiltDeg: number, air: Air): number {
  try {
    return cruise(airframe, tiltDeg, air).throttle;
  } catch (error) {
    if (error instanceof TooLittleThrust) return 2;
    throw error;
  }
}

const withDrag = (airframe: Airframe, scale: number): Airframe => {
  const { x, y, z } = airframe.dragAreaM2;
  return {
    ...airframe,
    dragAreaM2: { x: x * scale, y: y * scale, z: z * scale },
    linearDragNPerMps: airframe.linearDragNPerMps * scale,
  };
};

/** By how much all drag must be scaled for level cruise at this tilt to be this fast. */
function dragScale(airframe: Airframe, tiltDeg: number, speedMps: number, air: Air): number {
  const strong = { ...airframe, thrustToWeight: Math.max(airframe.thrustToWeight, 4) };
  const excess = (scale: number) => cruise(withDrag(strong, scale), tiltDeg, air).speedMps - speedMps;
  const scale = bisect(excess, 0.2, 5, 1e-9);
  if (scale === null)
    throw new DomainError(
      "speedMps",
      speedMps,
      "0.2 to 5 times the drag of this kind",
      `speedMps is ${speedMps}; at ${tiltDeg}° it would mean ${excess(1) < 0 ? "less than 0.2" : "more than 5"} times the drag of this kind of aircraft`,
    );
  return scale;
}

function pitchSpeedFor(airframe: Airframe, speedMps: number, air: Air): number {
  const [least, most] = airframeRanges.pitchSpeedMps;
  const off = (pitchSpeedMps: number) => topSpeed({ ...airframe, pitchSpeedMps }, air).speedMps - speedMps;
  const found = bisect(off, least, most, 1e-4);
  if (found === null)
    throw new DomainError(
      "speedMps",
      speedMps,
      "what a propeller gives it",
      `speedMps is ${speedMps}; no propeller gives this aircraft that top speed, with its thrust and drag at most ${topSpeed({ ...airframe, pitchSpeedMps: most }, air).speedMps.toFixed(0)}`,
    );
  return found;
}

const withLoop = (airframe: Airframe, scale: number): Airframe => {
  const { roll, pitch, yaw } = airframe.rateLoopPerS;
  return { ...airframe, rateLoopPerS: { roll: roll * scale, pitch: pitch * scale, yaw: yaw * scale } };
};

/** By how much the loop's gains must be scaled to run on so far. */
function loopScale(airframe: Airframe, rateDps: number, deg: number): number {
  const off = (scale: number) => runOnDeg(withLoop(airframe, scale), rateDps) - deg;
  const scale = bisect(off, 0.3, 2, 1e-4);
  if (scale === null)
    throw new DomainError(
      "deg",
      deg,
      "what this aircraft runs on",
      `deg is ${deg}; this aircraft runs on ${runOnDeg(withLoop(airframe, 2), rateDps).toFixed(0)} to ${runOnDeg(withLoop(airframe, 0.3), rateDps).toFixed(0)}° from ${rateDps} °/s`,
    );
  return scale;
}

/**
 * Voltage lost from a full to an empty pack: the same climb takes √(a/a′) times as long, a = g(W − 1), and thrust goes with the square of the voltage.
 * Drag and inflow, alike in both, are left out.
 */
function emptyShareFor(
  airframe: Airframe,
  { freshS, lateS, usedShare }: { readonly freshS: number; readonly lateS: number; readonly usedShare: number },
): number {
  const w = airframe.thrustToWeight;
  const late = 1 + (w - 1) * (freshS / lateS) ** 2;
  const share = (1 - Math.sqrt(late / w)) / usedShare;
  const [least, most] = airframeRanges.emptyShare;
  if (!(share >= least && share <= most))
    throw new DomainError(
      "lateS",
      lateS,
      `${100 * least} to ${100 * most} % less voltage`,
      `lateS is ${lateS}; against ${freshS} s fresh it would mean ${(100 * share).toFixed(0)} % less voltage at the end of the pack; allowed: ${100 * least} to ${100 * most}`,
    );
  return share;
}

function residual(airframe: Airframe, measurement: Measurement, air: Air): number {
  switch (measurement.kind) {
    case "weight":
      return measurement.massKg / airframe.massKg - 1;
    case "hover":
      return (
        airframe.thrustToWeight *
          densityRatio(airframe, airDensity(air)) *
          thrustFraction(airframe, measurement.command) -
        1
      );
    case "cruise-throttle": {
      const wanted = cruiseThrottle(airframe, measurement.tiltDeg, air);
      return thrustFraction(airframe, measurement.command) / thrustFraction(airframe, Math.min(1, wanted)) - 1;
    }
    case "cruise-speed":
      return measurement.speedMps / cruise(airframe, measurement.tiltDeg, air).speedMps - 1;
    case "top-speed":
      return measurement.speedMps / topSpeed(airframe, air).speedMps - 1;
    case "run-on":
      return measurement.deg / runOnDeg(airframe, measurement.rateDps) - 1;
    case "late-punch": {
      const w = airframe.thrustToWeight;
      const voltage = 1 - (airframe.sag?.emptyShare ?? 0) * measurement.usedShare;
      return measurement.lateS / measurement.freshS / Math.sqrt((w - 1) / (w * voltage ** 2 - 1)) - 1;
    }
    case "hang":
      return measurement.hangS / flyPunch({ airframe, air, ...measurement }).hangS - 1;
  }
}
