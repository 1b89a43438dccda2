import { mean, variance } from "../numbers";
import { errorRanges, usualErrors, type PilotErrors } from "../scatter";
import { isSure, type FoundTrick } from "./trick";

/** Fewer turns than this tell nothing of the hands. */
const LEAST_TURNS = 5;
/** Of the syllabus in the middle: what recordings do not tell. */
const USUAL_STAGE = 4;
const TURNED: readonly FoundTrick["kind"][] = ["flip", "roll", "spin"];

/**
 * How a pilot's hands stray, from the turns of recordings: how late on the whole and by how much about that, from the stop error over the rate it was turned at;
 * stick travel from how peak rates differ within a kind; the centring from what was turned across the axis. The wandering of the sticks and the wind stay at
 * `usual`. Null for fewer than five flips, rolls and spins.
 */
export function ownErrors(
  tricks: readonly FoundTrick[],
  usual: PilotErrors = usualErrors(USUAL_STAGE),
): PilotErrors | null {
  const turned = tricks.filter((one) => TURNED.includes(one.kind) && isSure(one) && one.turns >= 1);
  if (turned.length < LEAST_TURNS) return null;
  const lateS = turned.map(({ measures }) => measures.stopErrorDeg / Math.max(60, meanDps(measures.rateByShareDps)));
  const byWay = new Map<string, number[]>();
  for (const { kind, direction, measures } of turned) {
    const key = `${kind} ${direction}`;
    byWay.set(key, [...(byWay.get(key) ?? []), measures.peakDps]);
  }
  const gains = [...byWay.values()].flatMap((peaks) =>
    peaks.length < 2 ? [] : peaks.map((peak) => peak / mean(peaks) - 1),
  );
  const lean = turned.map(({ measures }) => measures.leanOffDeg / Math.max(90, Math.abs(measures.turnedDeg)));
  const own = {
    ...usual,
    lateS: mean(lateS),
    timingS: spread(lateS),
    gain: gains.length < LEAST_TURNS ? usual.gain : spread(gains),
    centring: Math.sqrt(mean(lean.map((one) => one * one))),
  };
  return Object.fromEntries(
    Object.entries(errorRanges).map(([name, [min, max]]) => [
      name,
      Math.min(max, Math.max(min, own[name as keyof PilotErrors])),
    ]),
  ) as unknown as PilotErrors;
}

const spread = (values: readonly number[]) => Math.sqrt(variance(values));
const meanDps = (rates: readonly number[]) => mean(rates.filter((rate) => rate > 0));
