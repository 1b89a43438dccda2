import { radioSticks, type RadioMap, type RadioStick } from "./radio-map";

/** What is wrong with a stick of a radio. Sizes are shares of its whole way to one side. */
export interface RadioFault {
  readonly stick: RadioStick;
  readonly kind: "dead-spot" | "short-end" | "reversed" | "noisy" | "off-centre";
  /** Width of the dead spot, reach of the end, noise, or how far off the middle. */
  readonly size: number;
}

/** Limits of ours: a thumb feels a dead spot and noise of this size; ends that fall this short cost rate. */
const DEAD = 0.04;
const SHORT = 0.95;
const NOISY = 0.012;
const OFF = 0.03;
/** So many readings at rest tell its noise; a stick was swept when it came this far to both sides. */
const RESTING = 20;
const NEAR_REST = 0.15;
const SWEPT = 0.5;

/**
 * What readings of a radio that was left alone, then moved slowly to every end and back, say is wrong with it. Rows are the axes as the browser gives them.
 */
export function radioFaults(
  map: RadioMap,
  rest: readonly (readonly number[])[],
  swept: readonly (readonly number[])[],
) {
  return radioSticks.flatMap((stick) => faultsOf(stick, map, rest, swept));
}

function faultsOf(
  stick: RadioStick,
  map: RadioMap,
  rest: readonly (readonly number[])[],
  swept: readonly (readonly number[])[],
): readonly RadioFault[] {
  const axis = map[stick];
  const shares = (rows: readonly (readonly number[])[]) =>
    rows.map((row) => ((row[axis.index] ?? axis.rest) - axis.rest) / (axis.moved - axis.rest));
  const faults: RadioFault[] = [];
  const still = shares(rest);
  const moved = shares(swept);
  const springs = stick !== "throttle";
  if (still.length >= RESTING) {
    const mean = still.reduce((sum, one) => sum + one, 0) / still.length;
    const noise = Math.sqrt(still.reduce((sum, one) => sum + (one - mean) ** 2, 0) / still.length);
    if (noise > NOISY) faults.push({ stick, kind: "noisy", size: noise });
    if (springs && Math.abs(mean) > OFF) faults.push({ stick, kind: "off-centre", size: Math.abs(mean) });
  }
  const [least, most] = [Math.min(0, ...moved), Math.max(0, ...moved)];
  const reach = springs ? Math.min(-least, most) : most;
  if (reach > SWEPT) {
    if (reach < SHORT) faults.push({ stick, kind: "short-end", size: reach });
    const dead = springs ? deadSpot(moved) : 0;
    if (dead > DEAD) faults.push({ stick, kind: "dead-spot", size: dead });
  }
  // Found by moving it, a stick is the right way round; as most radios say them, it may not be.
  if (springs && axis.moved < axis.rest) faults.push({ stick, kind: "reversed", size: 1 });
  return faults;
}

/** The smallest reading off the middle on either side of a slow sweep: nearer to it the radio says nothing. */
function deadSpot(shares: readonly number[]): number {
  const sides = [1, -1].map((side) => {
    const near = shares.map((one) => side * one).filter((one) => one > 0.002 && one < NEAR_REST);
    const beyond = shares.some((one) => side * one >= NEAR_REST);
    // What was never passed slowly tells nothing.
    return near.length === 0 ? (beyond ? null : 0) : Math.min(...near);
  });
  const known = sides.filter((one) => one !== null);
  return known.length === 0 ? 0 : Math.min(...known);
}
