import { DomainError, requireNumber } from "../numbers";
import type { Estimate } from "./summary";

/** A knob as the search may turn it. */
export interface SearchKnob {
  readonly id: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
}

/** Clean or not, run by run, for each step that is weighed; null for a step that cannot be flown like this. */
export type Tried = readonly (readonly boolean[] | null)[];

/** Flies the runs of every weighed step from `from` up to but without `to` with these values. The same run has the same errors, whatever the values. */
export type Try = (values: Readonly<Record<string, number>>, from: number, to: number) => Promise<Tried>;

export interface SearchPoint {
  readonly knob: string;
  readonly value: number;
  /** Weighted clean share with this knob there and the others at the best found till then. */
  readonly share: number;
}

export interface SearchResult {
  readonly values: Readonly<Record<string, number>>;
  /** Clean share of each step, present and proposed. */
  readonly present: readonly number[];
  readonly proposed: readonly number[];
  /** Weighted gain over the present, with its 95 % interval. */
  readonly gain: Estimate;
  /** True when the gain is beyond doubt; otherwise nothing found beats the present. */
  readonly better: boolean;
  /** Knobs that were turned as far as their bounds let them: what lies beyond was not looked at. */
  readonly atBounds: readonly string[];
  /** What was tried, for the trade of each knob. */
  readonly points: readonly SearchPoint[];
}

/** Values of a knob looked at in a round, and rounds, each on half the width of the one before. */
const GRID = 5;
const ROUNDS = 2;
/** Runs of a look, and of the last comparison. */
const LOOK_RUNS = 100;
const PROOF_RUNS = 400;
const Z = 1.959964;

/** How many tries a search makes, for its progress. */
export const triesOf = (knobs: number) => ROUNDS * (knobs * GRID + 2 * knobs * (knobs - 1)) + 2;

/**
 * Turns one knob after the other to where most runs are clean, then each two of them together, since along a narrow ridge neither alone gains anything;
 * all of it twice, the second time closer. Then holds the best against the present on more runs that chose nothing, pair by pair. `weights` has what each step counts. Throws a DomainError for bounds the wrong way round or weights that sum to nothing.
 */
export async function searchKnobs(
  knobs: readonly SearchKnob[],
  weights: readonly number[],
  attempt: Try,
  onTried: () => void = () => undefined,
): Promise<SearchResult> {
  for (const { id, min, max } of knobs)
    if (!(min <= max))
      throw new DomainError(
        id,
        min,
        `at most ${max}`,
        `bounds of ${id} are ${min} to ${max}; the first must not be the larger`,
      );
  const total = weights.reduce((sum, weight) => sum + requireNumber("weight", weight, 0, 1e6), 0);
  if (!(total > 0)) throw new DomainError("weights", total, "more than 0", "no step is weighed");
  const shareOf = (tried: Tried) =>
    tried.reduce((sum, runs, i) => sum + (weights[i] / total) * (runs ? cleanShare(runs) : 0), 0);
  const present = Object.fromEntries(knobs.map(({ id, value }) => [id, value]));
  const points: SearchPoint[] = [];
  const look = async (values: Readonly<Record<string, number>>) => {
    const share = shareOf(await attempt(values, 0, LOOK_RUNS));
    onTried();
    return share;
  };
  let best: Record<string, number> = { ...present };
  let bestShare = 0;
  for (let round = 0; round < ROUNDS; round++) {
    for (const { id, min, max } of knobs) {
      const width = (max - min) / 2 ** round;
      const from = Math.max(min, Math.min(max - width, best[id] - width / 2));
      const grid = Array.from({ length: GRID }, (_, i) => from + (i * width) / (GRID - 1));
      // Where it stands now is one of them, so that nothing is changed for nothing.
      const nearest = grid.reduce((near, one) => (Math.abs(one - best[id]) < Math.abs(near - best[id]) ? one : near));
      const values = grid.map((one) => (one === nearest ? best[id] : one));
      const shares = await Promise.all(values.map((value) => look({ ...best, [id]: value })));
      values.forEach((value, i) => points.push({ knob: id, value, share: shares[i] }));
      const here = shares[values.indexOf(best[id])];
      const top = Math.max(...shares);
      if (top > here) best = { ...best, [id]: values[shares.indexOf(top)] };
      bestShare = Math.max(here, top);
    }
    const stepOf = ({ min, max }: SearchKnob) => (max - min) / 2 ** round / (GRID - 1);
    const corners = pairsOf(knobs).flatMap(([a, b]) =>
      ([1, -1] as const).flatMap((up) =>
        ([1, -1] as const).map((along) => ({
          ...best,
          [a.id]: within(a, best[a.id] + up * stepOf(a)),
          [b.id]: within(b, best[b.id] + up * along * stepOf(b)),
        })),
      ),
    );
    const shares = await Promise.all(corners.map(look));
    const top = Math.max(...shares);
    if (top > bestShare) best = corners[shares.indexOf(top)];
  }
  const [before, after] = await Promise.all(
    [present, best].map(async (values) => {
      const tried = await attempt(values, LOOK_RUNS, LOOK_RUNS + PROOF_RUNS);
      onTried();
      return tried;
    }),
  );
  const gain = weightedGain(before, after, weights, total);
  return {
    values: best,
    present: before.map((runs) => (runs ? cleanShare(runs) : 0)),
    proposed: after.map((runs) => (runs ? cleanShare(runs) : 0)),
    gain,
    better: gain.low > 0,
    atBounds: knobs.flatMap(({ id, value, min, max }) =>
      best[id] !== value && (best[id] === min || best[id] === max) ? [id] : [],
    ),
    points,
  };
}

const pairsOf = (knobs: readonly SearchKnob[]) =>
  knobs.flatMap((a, i) => knobs.slice(i + 1).map((b): readonly [SearchKnob, SearchKnob] => [a, b]));
const within = ({ min, max }: SearchKnob, value: number) => Math.max(min, Math.min(max, value));
const cleanShare = (runs: readonly boolean[]) => runs.filter(Boolean).length / runs.length;

/** Mean of the weighted differences run by run, with the interval of a mean. */
function weightedGain(before: Tried, after: Tried, weights: readonly number[], total: number): Estimate {
  const runs = PROOF_RUNS;
  const gains = Array.from({ length: runs }, (_, n) =>
    weights.reduce(
      (sum, weight, i) => sum + (weight / total) * (Number(after[i]?.[n] ?? false) - Number(before[i]?.[n] ?? false)),
      0,
    ),
  );
  const mean = gains.reduce((sum, one) => sum + one, 0) / runs;
  const variance = gains.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (runs - 1);
  const half = Z * Math.sqrt(variance / runs);
  return { value: mean, low: mean - half, high: mean + half };
}
