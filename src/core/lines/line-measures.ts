import type { Axis, Trace } from "../recipes";
import type { FlownItem } from "./flown-item";
import type { LineItem } from "./line";

/** A turn over or round that belongs to a line: about which axis, and which way. */
export interface LineTurn {
  readonly axis: Axis;
  readonly direction: "right" | "left" | "back" | "front";
}

/** Figures of a whole line. */
export interface LineMeasures {
  /** Every item was flown and ended as planned. */
  readonly complete: boolean;
  /** Place of the first item that did not; null when all did. */
  readonly brokeAt: number | null;
  readonly durationS: number;
  /** Along the path. */
  readonly lengthM: number;
  /** Room that it takes along and across its line of entry. */
  readonly roomAlongM: number;
  readonly roomAcrossM: number;
  readonly highestM: number;
  readonly lowestM: number;
  readonly fastestMps: number;
  readonly slowestMps: number;
  /** Height gained by each item, m; negative where it takes some. */
  readonly gainedM: readonly number[];
  /** Highest point, least and most speed in each item. */
  readonly highestByItemM: readonly number[];
  readonly slowestByItemMps: readonly number[];
  readonly fastestByItemMps: readonly number[];
  /** Share of the time with the thrust pointing below the level. */
  readonly upsideDownShare: number;
  /** Share of a pack that it takes; null for a battery that is not modelled. */
  readonly packShare: number | null;
  /** Standing still in a join for longer than half a second: in which item, and how long. */
  readonly pauses: readonly { readonly item: number; readonly s: number }[];
  /** What it turns about, each axis and direction once. */
  readonly turns: readonly LineTurn[];
  /** From where it begins to where it ends, over the ground. */
  readonly endsOffM: number;
}

const PAUSE_S = 0.5;
const STANDING_MPS = 0.7;
/** Turned by less, it is no turn. Ours. */
const TURN_DEG = 150;

/** Figures read off a line. `items` are those that were flown, `asked` all of it. */
export function measureLine(
  asked: readonly LineItem[],
  items: readonly FlownItem[],
  trace: Trace,
  packShare: number | null,
): LineMeasures {
  const { timeS, northM, eastM, heightM, qx, qy } = trace;
  const last = timeS.length - 1;
  const speeds = timeS.map((_, i) => Math.hypot(trace.vNorthMps[i], trace.vEastMps[i], trace.climbMps[i]));
  let lengthM = 0;
  let upsideDownS = 0;
  for (let i = 1; i <= last; i++) {
    lengthM += Math.hypot(northM[i] - northM[i - 1], eastM[i] - eastM[i - 1], heightM[i] - heightM[i - 1]);
    if (1 - 2 * (qx[i] ** 2 + qy[i] ** 2) < 0) upsideDownS += timeS[i] - timeS[i - 1];
  }
  const byItem = items.map(({ fromS, toS }) => [sampleAt(timeS, fromS), sampleAt(timeS, toS) + 1] as const);
  const broke = items.findIndex(({ complete }) => !complete);
  const brokeAt = broke >= 0 ? broke : items.length < asked.length ? items.length : null;
  return {
    complete: brokeAt === null,
    brokeAt,
    durationS: timeS[last],
    lengthM,
    roomAlongM: extent(northM),
    roomAcrossM: extent(eastM),
    highestM: largest(heightM),
    lowestM: -largest(heightM.map((height) => -height)),
    fastestMps: largest(speeds),
    slowestMps: -largest(speeds.map((speed) => -speed)),
    gainedM: items.map(({ entry, exit }) => exit.heightM - entry.heightM),
    highestByItemM: byItem.map(([from, to]) => largest(heightM.slice(from, to))),
    slowestByItemMps: byItem.map(([from, to]) => -largest(speeds.slice(from, to).map((speed) => -speed))),
    fastestByItemMps: byItem.map(([from, to]) => largest(speeds.slice(from, to))),
    upsideDownShare: timeS[last] > 0 ? upsideDownS / timeS[last] : 0,
    packShare,
    pauses: items.flatMap(({ fromS, toS }, item) => {
      if (asked[item].kind !== "join") return [];
      const s = longestStand(trace, speeds, fromS, toS);
      return s > PAUSE_S ? [{ item, s }] : [];
    }),
    turns: turnsOf(asked, items, trace),
    endsOffM: Math.hypot(northM[last] - northM[0], eastM[last] - eastM[0]),
  };
}

/** The first sample that is not before a moment. */
const sampleAt = (timeS: readonly number[], atS: number) => {
  const at = timeS.findIndex((s) => s >= atS);
  return at < 0 ? timeS.length - 1 : at;
};
const largest = (values: readonly number[]) => values.reduce((most, value) => Math.max(most, value), -Infinity);
const extent = (values: readonly number[]) => largest(values) + largest(values.map((value) => -value));

/** The longest time on end in which nothing moves. */
function longestStand({ timeS }: Trace, speeds: readonly number[], fromS: number, toS: number): number {
  let longest = 0;
  let since: number | null = null;
  timeS.forEach((at, i) => {
    const stands = at >= fromS && at <= toS && speeds[i] < STANDING_MPS;
    since = stands ? (since ?? at) : null;
    if (since !== null) longest = Math.max(longest, at - since);
  });
  return longest;
}

const directions = {
  roll: ["right", "left"],
  pitch: ["back", "front"],
  yaw: ["right", "left"],
} as const satisfies Record<Axis, readonly [LineTurn["direction"], LineTurn["direction"]]>;

/** What the tricks of a line turn about: an axis whose rate adds up to nearly half a turn one way. */
function turnsOf(asked: readonly LineItem[], items: readonly FlownItem[], trace: Trace): readonly LineTurn[] {
  const found = new Map<string, LineTurn>();
  items.forEach(({ fromS, toS }, item) => {
    if (asked[item].kind !== "trick") return;
    for (const axis of ["roll", "pitch", "yaw"] as const) {
      const rates = trace[`${axis}Dps`];
      const turned = [0, 0];
      trace.timeS.forEach((at, i) => {
        if (i === 0 || at <= fromS || at > toS) return;
        const deg = 0.5 * (rates[i] + rates[i - 1]) * (at - trace.timeS[i - 1]);
        turned[deg > 0 ? 0 : 1] += Math.abs(deg);
      });
      turned.forEach((deg, way) => {
        const direction = directions[axis][way];
        if (deg >= TURN_DEG) found.set(`${axis} ${direction}`, { axis, direction });
      });
    }
  });
  return [...found.values()];
}
