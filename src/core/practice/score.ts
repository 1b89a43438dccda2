import type { FoundTrick } from "../tape";
import { between } from "../yard";
import type { Drill } from "./drill";
import type { Replayed } from "./replay";

/** The one next thing after a try, as a kind with its numbers; the words are elsewhere. */
export type NextThing =
  | { readonly kind: "crashed"; readonly into: string; readonly atS: number; readonly speedMps: number }
  | { readonly kind: "passed" }
  | { readonly kind: "not-flown" }
  | { readonly kind: "other-trick"; readonly found: FoundTrick["kind"]; readonly direction: FoundTrick["direction"] }
  | { readonly kind: "stopped-past" | "stopped-short"; readonly deg: number; readonly withinDeg: number }
  | { readonly kind: "throttle-open"; readonly share: number }
  | { readonly kind: "left-circle"; readonly heldS: number; readonly wantsS: number }
  | { readonly kind: "off-spot"; readonly m: number; readonly withinM: number }
  | { readonly kind: "not-landed" }
  | { readonly kind: "missed-place"; readonly place: number; readonly nearestM: number; readonly withinM: number };

export interface Score {
  readonly passed: boolean;
  /** What the task is measured by, in its own unit (°, s, m, places); null where it was not come to. */
  readonly value: number | null;
  readonly next: NextThing;
}

/** Upside down with more throttle than this it is driven toward the ground. */
const OPEN_SHARE = 0.1;

/** A try held against what its drill asks for. */
export function scoreTry({ task }: Pick<Drill, "task">, { trace, measures }: Replayed): Score {
  const { ended, tricks } = measures;
  const crashed = ended?.kind === "crash" ? ended : null;
  const scored = ((): Score => {
    switch (task.kind) {
      case "free":
        return { passed: !crashed, value: measures.durationS, next: { kind: "passed" } };
      case "trick":
        return trickScore(task, tricks);
      case "hold":
        return holdScore(task, trace);
      case "land": {
        if (ended?.kind !== "touchdown") return { passed: false, value: null, next: { kind: "not-landed" } };
        const m = between(task.at, { eastM: trace.eastM.at(-1)!, northM: trace.northM.at(-1)! });
        return m <= task.withinM
          ? { passed: true, value: m, next: { kind: "passed" } }
          : { passed: false, value: m, next: { kind: "off-spot", m, withinM: task.withinM } };
      }
      case "course":
        return courseScore(task, trace);
    }
  })();
  if (!crashed) return scored;
  const next = { kind: "crashed", into: crashed.into, atS: crashed.timeS, speedMps: crashed.speedMps } as const;
  return { ...scored, passed: false, next };
}

type Of<Kind extends Drill["task"]["kind"]> = Extract<Drill["task"], { kind: Kind }>;
type Path = Pick<Replayed["trace"], "timeS" | "northM" | "eastM" | "heightM" | "vNorthMps" | "vEastMps">;

function trickScore({ trick, withinDeg }: Of<"trick">, tricks: readonly FoundTrick[]): Score {
  const found = tricks.find(
    ({ kind, direction, turns }) => kind === trick.kind && direction === trick.direction && turns === trick.turns,
  );
  if (!found) {
    const other = tricks.at(0);
    const next = other
      ? ({ kind: "other-trick", found: other.kind, direction: other.direction } as const)
      : ({ kind: "not-flown" } as const);
    return { passed: false, value: null, next };
  }
  const { stopErrorDeg, throttleInvertedMean } = found.measures;
  const value = stopErrorDeg ?? null;
  if (withinDeg !== null && value !== null && Math.abs(value) > withinDeg)
    return {
      passed: false,
      value,
      next: { kind: value > 0 ? "stopped-past" : "stopped-short", deg: Math.abs(value), withinDeg },
    };
  if ((throttleInvertedMean ?? 0) > OPEN_SHARE && (trick.kind === "hang" || trick.kind === "flip"))
    return { passed: false, value, next: { kind: "throttle-open", share: throttleInvertedMean! } };
  return { passed: true, value, next: { kind: "passed" } };
}

function holdScore({ at, radiusM, lowestM, highestM, seconds }: Of<"hold">, path: Path): Score {
  let [longestS, sinceS] = [0, null as number | null];
  path.timeS.forEach((timeS, i) => {
    const within =
      between(at, { eastM: path.eastM[i], northM: path.northM[i] }) <= radiusM &&
      path.heightM[i] >= lowestM &&
      path.heightM[i] <= highestM;
    sinceS = within ? (sinceS ?? timeS) : null;
    if (sinceS !== null) longestS = Math.max(longestS, timeS - sinceS);
  });
  return longestS >= seconds - 1e-6
    ? { passed: true, value: longestS, next: { kind: "passed" } }
    : { passed: false, value: longestS, next: { kind: "left-circle", heldS: longestS, wantsS: seconds } };
}

function courseScore({ at, withinM, haltMps }: Of<"course">, path: Path): Score {
  let [place, nearestM] = [0, Infinity];
  path.timeS.forEach((_, i) => {
    if (place >= at.length) return;
    const m = between(at[place], { eastM: path.eastM[i], northM: path.northM[i] });
    nearestM = Math.min(nearestM, m);
    const slow = haltMps === null || Math.hypot(path.vNorthMps[i], path.vEastMps[i]) <= haltMps;
    if (m <= withinM && slow) [place, nearestM] = [place + 1, Infinity];
  });
  return place >= at.length
    ? { passed: true, value: place, next: { kind: "passed" } }
    : { passed: false, value: place, next: { kind: "missed-place", place: place + 1, nearestM, withinM } };
}
