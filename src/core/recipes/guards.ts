import { RAD_PER_DEG } from "../numbers";
import { STATE } from "../flight";
import type { Seen } from "./pilot";
import { boundOf, senseOf } from "./guard-bounds";
import { resolve, type Guard, type Phase, type Recipe, type TurnAxis } from "./recipe";
import type { TrimFigures } from "./value";

/** A guard with its numbers worked out: ended as soon as what it watches is at the bound or beyond. */
interface Bound {
  readonly kind: Guard["kind"];
  readonly axis: TurnAxis;
  /** 1 where it has to rise to the bound, −1 where it has to fall to it. */
  readonly sense: 1 | -1;
  readonly value: number;
  readonly leadS: number;
  /** By how much what is watched was short of the bound one step before; NaN at the first look. */
  short: number;
}

const NORTH = STATE.north;
const V_NORTH = STATE.vNorth;

/** By how much a value that changes so fast was short of the bound `lateS` ago; 0 or less at the bound and beyond. */
function shortOf({ sense, value }: Bound, now: number, perS: number, lateS: number): number {
  return sense * (value - (lateS === 0 ? now : now - perS * lateS));
}

/** Watches for the end of phases: each guard against what is seen, led or lagged by the slip of the phase. */
export class Guards {
  private readonly bounds = new Map<Phase, readonly Bound[]>();
  private watched: Phase | null = null;
  /** What the guards watch, one step before. */
  private readonly before = { dtS: 1, climb: 0, pitch: 0, heading: 0, ahead: 0, upright: 0 };

  constructor(
    private readonly recipe: Recipe,
    private readonly figures: TrimFigures,
    private readonly entryHeightM: number,
  ) {}

  /**
   * How long ago, as a share of a step, a guard of the phase began to hold, `lateS` after it would without a slip (before it, when that is negative);
   * null while none does. Between two looks what is watched is taken to change evenly, so that a phase does not end by whole steps.
   */
  heldFor(phase: Phase, seen: Seen, lateS: number): number | null {
    let bounds = this.bounds.get(phase);
    if (!bounds) this.bounds.set(phase, (bounds = phase.until.map((guard) => this.boundOf(guard))));
    if (phase !== this.watched) {
      this.watched = phase;
      for (const bound of bounds) bound.short = NaN;
    }
    let held: number | null = null;
    for (const bound of bounds) {
      const before = bound.short;
      const short = this.short(bound, seen, lateS);
      bound.short = short;
      if (short > 0) continue;
      const ago = before > 0 ? short / (short - before) : 0;
      if (held === null || ago > held) held = ago;
    }
    return held;
  }

  /** Remembers what is seen before a step, to know how fast it changes. */
  remember(seen: Seen, dtS: number): void {
    const { before } = this;
    before.dtS = dtS;
    before.climb = seen.climbMps;
    before.pitch = seen.pitchDeg;
    before.heading = seen.headingDeg;
    before.ahead = seen.state[V_NORTH];
    before.upright = seen.upright;
  }

  /**
   * By how much a guard is short of holding; it watches what was `lateS` ago if that goes on as it does now: the slip of a hand that is late by a little is where it would have been on time
   * (first order). Time itself is exact.
   */
  private short(bound: Bound, seen: Seen, lateS: number): number {
    const { value } = bound;
    const { before } = this;
    const { dtS } = before;
    switch (bound.kind) {
      case "time":
        // A nanosecond of slack keeps it from depending on rounding.
        return value + lateS - seen.timeInPhaseS - 1e-9;
      case "turned":
        return value - Math.abs(seen.turnedDeg[bound.axis] + seen.rateDps[bound.axis] * (bound.leadS - lateS));
      case "climb":
        return shortOf(bound, seen.climbMps, (seen.climbMps - before.climb) / dtS, lateS);
      case "height":
        return shortOf(bound, seen.aboveEntryM, seen.climbMps, lateS);
      case "ground":
        return shortOf(bound, seen.aboveEntryM + this.entryHeightM, seen.climbMps, lateS);
      case "along":
        return shortOf(bound, seen.state[NORTH], seen.state[V_NORTH], lateS);
      case "ahead":
        return shortOf(bound, seen.state[V_NORTH], (seen.state[V_NORTH] - before.ahead) / dtS, lateS);
      case "pitch":
        return shortOf(bound, seen.pitchDeg, (seen.pitchDeg - before.pitch) / dtS, lateS);
      case "heading":
        return shortOf(bound, seen.headingDeg, (seen.headingDeg - before.heading) / dtS, lateS);
      case "upright":
        return shortOf(bound, seen.upright, (seen.upright - before.upright) / dtS, lateS);
    }
  }

  private boundOf(guard: Guard): Bound {
    const value = boundOf(this.recipe, guard, this.figures);
    // Upright is watched by its cosine, which rises as the angle falls.
    const upright = guard.kind === "upright";
    return {
      kind: guard.kind,
      axis: guard.kind === "turned" ? guard.axis : "pitch",
      sense: upright ? 1 : senseOf(guard),
      value: upright ? Math.cos(RAD_PER_DEG * value) : value,
      leadS: guard.kind === "turned" ? resolve(this.recipe, guard.leadS ?? 0, this.figures) : 0,
      short: NaN,
    };
  }
}
