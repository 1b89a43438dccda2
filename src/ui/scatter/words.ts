import { failureWords, numeral, percent, quantityText, seldomPercent, type UnitSystem } from "@/words";
import {
  headingAskedDeg,
  type Comparison,
  type Estimate,
  type Mark,
  type PilotErrors,
  type Recipe,
  type ScatterSummary,
} from "@/core";

/** "74 % (71 to 77 %)". */
export const shareWords = ({ value, low, high }: Estimate) =>
  `${percent(value)} (${Math.round(100 * low)} to ${percent(high)})`;

/** What a flight must keep to be clean, in words. */
export function markInWords(mark: Mark, parameters: Recipe["parameters"], units: UnitSystem): string {
  const length = (metres: number) => quantityText(metres, "length", units);
  switch (mark.kind) {
    case "height-band":
      return `no more than ${length(mark.aboveM)} above and ${length(mark.belowM)} below the height it began at`;
    case "end-height":
      return `ended within ${length(mark.withinM)} of the height it began at`;
    case "view":
      return `the view within ${mark.withinDeg}° of where it looked`;
    case "heading": {
      const askedDeg = headingAskedDeg(mark, parameters);
      return askedDeg === 0
        ? `out within ${mark.withinDeg}° of the way it went in`
        : `turned by ${numeral(askedDeg)}° to within ${mark.withinDeg}°`;
    }
    case "horizon":
      return `the horizon never leaning by more than ${mark.withinDeg}°`;
    case "line":
      return `ended within ${length(mark.withinM)} of its line`;
    case "bounce":
      return `swung back by no more than ${mark.withinDeg}°`;
    case "round":
      return `round to ${percent(mark.unevenness)} of its radius`;
    case "circle":
      return `its circle kept to ${percent(mark.spreadShare)} of the radius, the sticks nearly at rest`;
    case "spot":
      return `within ${length(mark.withinM)} of the spot`;
    case "throttle-closed":
      return "the throttle closed upside down";
    case "in-picture":
      return `what it looks at in the picture for ${percent(mark.share)} of the time`;
  }
}

/** What went wrong, with how often: "stops short 12 %, overshoots 9 %". */
export function failuresInWords({ failures, runs }: ScatterSummary): string {
  return failures.map((one) => `${failureWords(one)} ${seldomPercent(one.count / runs)}`).join(", ");
}

/** ", 35 ms late on the whole"; nothing where they are on time to the millisecond. */
export function habitWords(errors: Pick<PilotErrors, "lateS"> | null): string {
  const lateMs = Math.round(1000 * (errors?.lateS ?? 0));
  return lateMs === 0 ? "" : `, ${Math.abs(lateMs)} ms ${lateMs > 0 ? "late" : "early"} on the whole`;
}

export function comparedInWords(difference: Comparison, other: string): string {
  const { value, low, high } = difference;
  const points = (share: number) => Math.round(100 * share);
  const range = `${points(low)} to ${points(high)} points`;
  if (low <= 0 && high >= 0)
    return `No difference to ${other} that 95\u202f% certainty could tell: ${points(value)} points (${range}).`;
  return value > 0
    ? `Clean ${points(value)} points more often than ${other} (${range}), with the same errors.`
    : `Clean ${points(-value)} points less often than ${other} (${points(-high)} to ${points(-low)} points), with the same errors.`;
}

/** Attempts from which on flown and modelled are held against each other. Ours. */
export const TELLING_ATTEMPTS = 12;

export interface Readiness {
  readonly kind: "few" | "agree" | "worse" | "better";
  readonly sentence: string;
}

/** What the modelled share says beside the pilot's own, and what to look at where they disagree. */
export function readinessOf(
  modelled: Estimate,
  own: Estimate & { readonly attempts: number },
  mostSeenFault: string | null,
): Readiness {
  const beside = `Modelled ${shareWords(modelled)} clean`;
  if (own.attempts < TELLING_ATTEMPTS)
    return {
      kind: "few",
      sentence: `${beside}. ${own.attempts === 0 ? "Not flown yet" : `Flown ${own.attempts} times`}: after ${TELLING_ATTEMPTS} real attempts this is compared with the pilot's record.`,
    };
  const flown = `flown ${shareWords(own)} over ${own.attempts} attempts`;
  if (own.low <= modelled.high && own.high >= modelled.low)
    return { kind: "agree", sentence: `${beside}, ${flown}: they agree.` };
  if (own.value < modelled.value)
    return {
      kind: "worse",
      sentence: `${beside}, ${flown}: worse than typical for this stage. Look at the timing (measure some stops), at the aircraft's numbers (weigh and hover it), and at ${mostSeenFault ? `the fault seen most, "${mostSeenFault}"` : "whether a fault is tapped at all"}.`,
    };
  return {
    kind: "better",
    sentence: `${beside}, ${flown}: better than typical for this stage. The errors assumed are too large for this pilot, or clean is called too kindly.`,
  };
}
