import { tryTimeS, windowOf, type Outcome } from "@/core";
import { mostSeenFault, type SeenFault } from "./most-seen";
import type { Direction, Step } from "./types";

/** One part of a lesson at a step with one pilot. */
export type LessonPart =
  /** What is learnt, and how to get out of it: said before anything else. */
  | { readonly kind: "aim" }
  /** The coach flies it, the pilot watches through the goggles. */
  | { readonly kind: "show" }
  /** The pilot says it back before arming. */
  | { readonly kind: "say-back" }
  /** A set of tries in one direction. */
  | {
      readonly kind: "tries";
      readonly direction: Direction;
      readonly wanted: number;
      readonly flown: number;
      readonly clean: number;
    }
  /** The fault seen most in this session, how often, and the direction it was seen in last. */
  | ({ readonly kind: "mend" } & SeenFault)
  | { readonly kind: "close" };

export type LessonState = "done" | "now" | "to-come";

export interface LessonFlown {
  readonly direction: string;
  readonly outcome: Outcome;
  readonly faults: readonly string[];
  readonly atMs: number;
  readonly pack: number | null;
}

/** Tries in one direction before the other is flown: short sets alternated. Common practice, no source. */
const MOST_IN_A_SET = 5;

/**
 * The lesson at a step with one pilot, in order, and how far it has come by what was flown in this session, in the order flown: as many sets of tries as
 * `minutes` have room for at the pilot's own pace, directions in turn from `firstDirection` on, each at least once.
 */
export function lessonOf(
  step: Pick<Step, "directions" | "mark" | "faults">,
  {
    minutes,
    firstDirection,
    demonstrated,
    flown,
  }: {
    readonly minutes: number;
    readonly firstDirection: string | null;
    /** A demonstration pack is planned before it. */
    readonly demonstrated: boolean;
    readonly flown: readonly LessonFlown[];
  },
): readonly (LessonPart & { readonly state: LessonState })[] {
  const sets = setsOf(step, minutes, firstDirection, flown);
  const mend = mostSeenFault(step.faults, flown);
  const before: LessonPart[] = [
    { kind: "aim" },
    ...(demonstrated ? [{ kind: "show" } as const] : []),
    { kind: "say-back" },
  ];
  const open = sets.findIndex((set) => set.flown < set.wanted);
  const at = open < 0 ? sets.length : open;
  const begun = flown.length > 0;
  return [
    ...before.map((part) => ({ ...part, state: begun ? ("done" as const) : ("now" as const) })),
    ...sets.map((set, i) => ({
      ...set,
      state: i < at ? ("done" as const) : begun && i === at ? ("now" as const) : ("to-come" as const),
    })),
    ...(mend ? [{ kind: "mend" as const, ...mend, state: "now" as const }] : []),
    { kind: "close" as const, state: at === sets.length ? ("now" as const) : ("to-come" as const) },
  ];
}

type TrySet = Extract<LessonPart, { kind: "tries" }>;

function setsOf(
  { directions, mark }: Pick<Step, "directions" | "mark">,
  minutes: number,
  firstDirection: string | null,
  flown: readonly LessonFlown[],
): readonly TrySet[] {
  const first = Math.max(
    0,
    directions.findIndex(({ id }) => id === firstDirection),
  );
  const wanted = Math.min(MOST_IN_A_SET, windowOf(mark).attempts);
  const room = Math.floor((60 * minutes) / tryTimeS(flown) / wanted);
  const left = new Map(directions.map(({ id }) => [id, flown.filter(({ direction }) => direction === id)]));
  return Array.from({ length: Math.max(directions.length, room) }, (_, i) => {
    const direction = directions[(first + i) % directions.length];
    // What was flown in a direction fills its sets one after the other.
    const own = left.get(direction.id)?.splice(0, wanted) ?? [];
    return {
      kind: "tries",
      direction,
      wanted,
      flown: own.length,
      clean: own.filter(({ outcome }) => outcome === "clean").length,
    };
  });
}
