import { DomainError, requireNumber, requireWhole, RAD_PER_DEG, solvedLinear, wrapDeg } from "../numbers";
import { between, bearingDeg, requirePoint, type PlanPoint } from "./point";
import { TAPE_TOLERANCE_M } from "./setting-out";

/** A distance measured back between two poles, or a pole and a peg. */
export interface Measured {
  readonly from: string;
  readonly to: string;
  readonly m: number;
}

export interface AdjustedPole extends PlanPoint {
  readonly id: string;
  /** How far it stands from where it should, m. */
  readonly offM: number;
  /** Too little was measured to say where it stands: it is left where it should be. */
  readonly unknown?: true;
  /** What brings it to its place: so far toward another pole or peg; null where it stands well, or nothing lies that way. */
  readonly move: { readonly m: number; readonly toward: string; readonly away: boolean } | null;
}

export interface Adjusted {
  readonly poles: readonly AdjustedPole[];
  /** Standard deviation of one distance as the measurements disagree, m; null where none is over. */
  readonly sigmaM: number | null;
  /** The one without which the others agree best, and by how much it is longer than they say, m; null where they agree, or nobody can tell which it is. */
  readonly doubtful: (Measured & { readonly offM: number }) | null;
}

const ROUNDS = 60;
/** Beyond these no distance on a plan lies, m. */
const LEAST_M = 0.01;
const MOST_M = 10_000;
/** Keeps what no distance holds where it is. */
const LEAST_PIVOT = 1e-9;
/** Off by less than the tape is, nothing is moved. */
const WORTH_MOVING_M = TAPE_TOLERANCE_M;

/**
 * Where poles stand by distances measured between them: least squares with the pegs "A" and "B", or else the first two poles, held (Gauss-Newton with
 * Levenberg's damping, begun where they should stand). m. Throws a DomainError naming the measurement that can't be.
 */
export function adjust(
  poles: readonly (PlanPoint & { readonly id: string })[],
  measured: readonly Measured[],
): Adjusted {
  if (!Array.isArray(poles)) throw new DomainError("poles", poles, "a list");
  requireWhole("poles", poles.length, 2, 400);
  const index = new Map<string, number>();
  poles.forEach((pole, i) => {
    requirePoint(`poles[${i}]`, pole);
    if (index.has(pole.id)) throw new DomainError(`poles[${i}].id`, pole.id, "an id that no other pole has");
    index.set(pole.id, i);
  });
  const pairs = measured.map(({ from, to, m }, i) => {
    for (const [name, id] of [
      ["from", from],
      ["to", to],
    ])
      if (!index.has(id)) throw new DomainError(`measured[${i}].${name}`, id, "the id of a pole");
    if (from === to) throw new DomainError(`measured[${i}].to`, to, "another pole than it was measured from");
    requireNumber(`measured[${i}].m`, m, LEAST_M, MOST_M);
    return { a: index.get(from)!, b: index.get(to)!, m };
  });
  const held = new Set(index.has("A") && index.has("B") ? [index.get("A")!, index.get("B")!] : [0, 1]);
  const known = reached(poles.length, pairs, held);
  const free = poles.flatMap((_, i) => (known.has(i) && !held.has(i) ? [i] : []));
  const used = pairs.filter(({ a, b }) => known.has(a) && known.has(b));
  const begun = poles.map(({ eastM, northM }) => [eastM, northM] as const);
  const places = solve(begun, free, used);
  const stands = (i: number): PlanPoint => ({ eastM: places[i][0], northM: places[i][1] });
  const over = used.filter(({ a, b }) => !held.has(a) || !held.has(b)).length - 2 * free.length;
  const square = used.reduce((sum, { a, b, m }) => sum + (m - between(stands(a), stands(b))) ** 2, 0);
  return {
    poles: poles.map((pole, i): AdjustedPole => {
      const at = stands(i);
      const offM = between(pole, at);
      const moved = { id: pole.id, ...at, offM, move: offM < WORTH_MOVING_M ? null : mend(i, at, poles) };
      return known.has(i) ? moved : { ...moved, unknown: true };
    }),
    sigmaM: over > 0 ? Math.sqrt(square / over) : null,
    doubtful:
      over > 1 && Math.sqrt(square / over) > WORTH_MOVING_M ? doubted(measured, pairs, used, begun, free) : null,
  };
}

type Pair = { readonly a: number; readonly b: number; readonly m: number };

/** The measurement whose absence leaves the least disagreement: each is left out in turn. */
function doubted(
  measured: readonly Measured[],
  pairs: readonly Pair[],
  used: readonly Pair[],
  begun: readonly (readonly number[])[],
  free: readonly number[],
): Adjusted["doubtful"] {
  let best: { readonly pair: Pair; readonly square: number; readonly offM: number } | null = null;
  for (const pair of used) {
    const rest = used.filter((one) => one !== pair);
    const places = solve(begun, free, rest);
    const length = ({ a, b }: Pair) => Math.hypot(places[b][0] - places[a][0], places[b][1] - places[a][1]);
    const square = rest.reduce((sum, one) => sum + (one.m - length(one)) ** 2, 0);
    if (!best || square < best.square) best = { pair, square, offM: pair.m - length(pair) };
  }
  return best && { ...measured[pairs.indexOf(best.pair)], offM: best.offM };
}

/** The poles whose place the distances give: from those held on, each by two to others that are known. */
function reached(count: number, pairs: readonly Pair[], held: ReadonlySet<number>): Set<number> {
  const known = new Set(held);
  for (let more = true; more;) {
    more = false;
    for (let i = 0; i < count; i++) {
      if (known.has(i)) continue;
      const from = new Set(
        pairs.flatMap(({ a, b }) => (a === i && known.has(b) ? [b] : b === i && known.has(a) ? [a] : [])),
      );
      if (from.size < 2) continue;
      known.add(i);
      more = true;
    }
  }
  return known;
}

function solve(
  start: readonly (readonly number[])[],
  free: readonly number[],
  pairs: readonly Pair[],
): readonly (readonly number[])[] {
  let places = start.map((place) => [...place]);
  const column = new Map(free.map((pole, i) => [pole, 2 * i]));
  const size = 2 * free.length;
  const misses = (at: readonly (readonly number[])[]) =>
    pairs.map(({ a, b, m }) => m - Math.hypot(at[b][0] - at[a][0], at[b][1] - at[a][1]));
  const squares = (all: readonly number[]) => all.reduce((sum, one) => sum + one * one, 0);
  let damping = 1e-3;
  let best = squares(misses(places));
  for (let round = 0; round < ROUNDS && size > 0; round++) {
    const normal = Array.from({ length: size }, () => new Array<number>(size + 1).fill(0));
    misses(places).forEach((miss, k) => {
      const { a, b } = pairs[k];
      const length = Math.max(1e-9, Math.hypot(places[b][0] - places[a][0], places[b][1] - places[a][1]));
      const unit = [0, 1].map((axis) => (places[b][axis] - places[a][axis]) / length);
      const entries = [
        [column.get(a), -1],
        [column.get(b), 1],
      ].flatMap(([at, sign]) =>
        at === undefined ? [] : [0, 1].map((axis) => [at + axis, sign! * unit[axis]] as const),
      );
      for (const [i, value] of entries) {
        for (const [j, other] of entries) normal[i][j] += value * other;
        normal[i][size] += value * miss;
      }
    });
    normal.forEach((row, i) => (row[i] = row[i] * (1 + damping) + LEAST_PIVOT));
    const step = solvedLinear(normal) ?? new Array<number>(size).fill(0);
    const tried = places.map((place) => [...place]);
    for (const [pole, at] of column) for (const axis of [0, 1]) tried[pole][axis] += step[at + axis];
    const now = squares(misses(tried));
    if (now <= best) {
      const done = Math.max(...step.map(Math.abs)) < 1e-9;
      [places, best, damping] = [tried, now, damping / 10];
      if (done) break;
    } else damping *= 10;
  }
  return places;
}

/** The pole or peg that lies most in the line of a move, ahead or behind, and how far to go along it. */
function mend(i: number, at: PlanPoint, poles: readonly (PlanPoint & { readonly id: string })[]): AdjustedPole["move"] {
  const wanted = bearingDeg(at, poles[i]);
  let nearest: { toward: string; away: boolean; apartDeg: number } | null = null;
  poles.forEach((other, j) => {
    if (j === i) return;
    const apart = Math.abs(wrapDeg(bearingDeg(at, other) - wanted));
    const [apartDeg, away] = apart <= 90 ? [apart, false] : [180 - apart, true];
    if (!nearest || apartDeg < nearest.apartDeg - 1e-9) nearest = { toward: other.id, away, apartDeg };
  });
  const found = nearest as { toward: string; away: boolean; apartDeg: number } | null;
  if (!found || found.apartDeg > 45) return null;
  const along = between(at, poles[i]) * Math.cos(RAD_PER_DEG * found.apartDeg);
  return { m: along, toward: found.toward, away: found.away };
}
