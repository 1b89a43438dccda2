import { requireSettings, type Settings } from "../flight";
import { median } from "../numbers";
import { fitRates, rateAtStick, type CurveFit } from "../rates";
import { tapeAxes, type Tape, type TapeAxis } from "./tape";

/** What an axis of a recording says of the settings it was flown with. */
export interface AxisCheck {
  readonly axis: TapeAxis;
  /** −1 where the aircraft turns against the stick; 0 where the stick hardly moved. */
  readonly sign: -1 | 0 | 1;
  /** From the stick to the aircraft turning, ms; null where it cannot be told. */
  readonly delayMs: number | null;
  /** The curve of the settings' family nearest to what was flown; null where too little of the stick was used. */
  readonly fit: CurveFit | null;
  /** The furthest the stick was held, 0 to 1: beyond it the curve is a guess. */
  readonly reach: number;
  /** At full stick, by the fit and by the settings, °/s. */
  readonly endDps: number | null;
  readonly plannedEndDps: number;
  /** The same as far as the stick was held. */
  readonly reachDps: number | null;
  readonly plannedReachDps: number;
  /** The settings may be those that were flown. */
  readonly agrees: boolean;
}

const MOST_DELAY_S = 0.25;
const LEAST_MOVED = 0.15;
/** The stick hardly moved for as long as the aircraft needs to follow. */
const HELD_S = 0.13;
const HELD = 0.02;
const BINS = 25;
const LEAST_IN_BIN = 5;
const LEAST_BINS = 6;
/** Gyros are off by less than a hundredth; what is nearer than this is the same curve. */
const SAME_SHARE = 0.04;
const SAME_DPS = 8;

/** What a recording says of each axis: its sign, its delay, and the curve from stick to rate against the one of the settings. Throws a DomainError for settings out of range. */
export function checkTape(tape: Tape, settings: Settings): readonly AxisCheck[] {
  requireSettings(settings);
  return tapeAxes.map((axis) => checkAxis(tape, settings, axis));
}

function checkAxis(tape: Tape, settings: Settings, axis: TapeAxis): AxisCheck {
  const planned = settings.rates[axis];
  const plannedEndDps = rateAtStick(planned, 1);
  const lag = lagOf(tape, axis);
  const { held, reach } = heldRates(tape, axis, Math.max(0, lag?.rows ?? 0));
  const sign = lag === null ? 0 : lag.sign;
  const plannedReachDps = rateAtStick(planned, reach);
  const known = held.filter(({ count }) => count >= LEAST_IN_BIN);
  if (sign === 0 || known.length < LEAST_BINS)
    return {
      ...{ axis, sign, delayMs: lag && lag.delayMs, fit: null, reach, endDps: null, plannedEndDps },
      ...{ reachDps: null, plannedReachDps, agrees: true },
    };
  const points = [{ stick: 0, dps: 0 }, ...known.map(({ stick, dps }) => ({ stick, dps: sign * dps }))];
  const fit = fitRates((stick) => between(points, stick), planned.family);
  const endDps = rateAtStick(fit.curve, 1);
  const worst = Math.max(
    ...points.map(
      ({ stick, dps }) => Math.abs(dps - rateAtStick(planned, stick)) - SAME_SHARE * rateAtStick(planned, stick),
    ),
  );
  const reachDps = rateAtStick(fit.curve, reach);
  return {
    ...{ axis, sign, delayMs: lag!.delayMs, fit, reach, endDps, plannedEndDps, reachDps, plannedReachDps },
    agrees: worst <= SAME_DPS,
  };
}

/** The shift of the gyro against the stick at which they agree best, by the correlation of their changes. */
function lagOf({ timeS, stick, gyroDps, sampleHz }: Tape, axis: TapeAxis) {
  const [x, y] = [stick[axis], gyroDps[axis]];
  // A hundred hertz is fine enough, and a part between two shifts comes by a parabola.
  const every = Math.max(1, Math.floor(sampleHz / 200));
  const most = Math.round((MOST_DELAY_S * sampleHz) / every);
  const count = Math.floor(timeS.length / every) - 1;
  let moved = 0;
  for (let i = 0; i < x.length; i++) moved = Math.max(moved, Math.abs(x[i]));
  if (moved < LEAST_MOVED || count < 4 * most) return null;
  const sums = new Float64Array(most + 1);
  const changes = new Float64Array(count);
  for (let i = 0; i < count; i++) changes[i] = y[(i + 1) * every] - y[i * every];
  for (let i = 0; i < count - most; i++) {
    const change = x[(i + 1) * every] - x[i * every];
    if (change === 0) continue;
    for (let shift = 0; shift <= most; shift++) sums[shift] += change * changes[i + shift];
  }
  let best = 0;
  for (let shift = 1; shift <= most; shift++) if (Math.abs(sums[shift]) > Math.abs(sums[best])) best = shift;
  if (sums[best] === 0) return null;
  const [a, b, c] = [sums[Math.max(0, best - 1)], sums[best], sums[Math.min(most, best + 1)]];
  const bend = a - 2 * b + c;
  const shift = best + (bend === 0 ? 0 : (0.5 * (a - c)) / bend);
  return {
    sign: sums[best] > 0 ? (1 as const) : (-1 as const),
    rows: Math.round(best * every),
    delayMs: (1000 * shift * every) / sampleHz,
  };
}

interface HeldRate {
  readonly stick: number;
  readonly dps: number;
  readonly count: number;
}

/** The middle rate at each place of the stick, both sides together, from where it was held long enough for the aircraft to follow. */
function heldRates(
  { stick, gyroDps, sampleHz }: Tape,
  axis: TapeAxis,
  lag: number,
): { held: HeldRate[]; reach: number } {
  const [x, y] = [stick[axis], gyroDps[axis]];
  const hold = Math.max(2, Math.round(HELD_S * sampleHz));
  const bins = Array.from({ length: BINS }, () => ({ sticks: [] as number[], rates: [] as number[] }));
  const every = Math.max(1, Math.round(sampleHz / 100));
  let reach = 0;
  let since = 0;
  for (let i = 1; i < x.length; i++) {
    if (Math.abs(x[i] - x[since]) > HELD) since = i;
    // A hundred times a second is enough.
    if (i % every !== 0 || i - since < hold + lag || Math.abs(x[i]) < 0.02) continue;
    const size = Math.min(1, Math.abs(x[i]));
    reach = Math.max(reach, size);
    const bin = bins[Math.min(BINS - 1, Math.floor(size * BINS))];
    bin.sticks.push(size);
    bin.rates.push(Math.sign(x[i]) * y[i]);
  }
  return {
    held: bins.map(({ sticks, rates }) => ({ stick: median(sticks), dps: median(rates), count: rates.length })),
    reach,
  };
}

/** Straight between known points, and on beyond the last by the way there. */
function between(points: readonly { readonly stick: number; readonly dps: number }[], stick: number): number {
  const after = points.findIndex((point) => point.stick >= stick);
  const at = after < 0 ? points.length - 1 : Math.max(1, after);
  const [a, b] = [points[at - 1], points[at]];
  return a.dps + ((b.dps - a.dps) * (stick - a.stick)) / Math.max(1e-9, b.stick - a.stick);
}
