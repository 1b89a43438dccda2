import type { Body } from "./body";
import type { Guards } from "./guards";
import type { Phase, Recipe } from "./recipe";
import { NO_SLIP, type Slip } from "./slips";
import type { InPhase } from "./trace";

/** The pilot changes plan: from `atS` on, `phases` are flown instead of what is left. */
export interface ChangeOfPlan {
  readonly atS: number;
  readonly phases: readonly Phase[];
}

/** Which phase is flown: goes on to the next as soon as the guard of the one before holds, or its longest time is up. */
export class PhaseRunner {
  /** Place among `phases`. */
  index = 0;
  phases: readonly Phase[];
  /** When the phase began, s. */
  startS = 0;
  /** Every phase ended as planned. */
  complete = false;
  private changed = false;
  private held = false;

  constructor(
    recipe: Recipe,
    private readonly slips: readonly Slip[],
    private readonly change: ChangeOfPlan | undefined,
    private readonly guards: Guards,
    private readonly body: Body,
    private readonly note: (kind: InPhase, detail: string) => void,
  ) {
    this.phases = recipe.phases;
    note("phase", this.phases[0].id);
    this.held = guards.heldFor(this.phases[0], body.seen, this.slip.lateS) !== null;
  }

  get phase(): Phase {
    return this.phases[this.index];
  }

  /** How the hands stray in the phase. */
  get slip(): Slip {
    return this.changed ? NO_SLIP : (this.slips[this.index] ?? NO_SLIP);
  }

  /** Leaves every phase whose guard holds by now or whose time is up. False once the last has ended. */
  goOn(timeS: number): boolean {
    if (this.change && !this.changed && timeS >= this.change.atS) this.begin(this.change.phases, timeS);
    for (;;) {
      const timedOut = !this.held && timeS - this.startS >= this.phase.maxS + Math.max(0, this.slip.lateS);
      if (!this.held && !timedOut) return true;
      if (timedOut) this.note("phase-timeout", this.phase.id);
      if (this.index === this.phases.length - 1) {
        this.complete = !timedOut;
        return false;
      }
      this.index++;
      this.startS = timeS;
      if (this.phase.mark) this.body.mark();
      this.note("phase", this.phase.id);
      this.look(timeS);
    }
  }

  /** Looks whether the guard of the phase holds at a time: since which share of the last step, or null. */
  look(timeS: number): number | null {
    const { seen } = this.body;
    seen.timeInPhaseS = timeS - this.startS;
    const ago = this.guards.heldFor(this.phase, seen, this.slip.lateS);
    this.held = ago !== null;
    return ago;
  }

  private begin(phases: readonly Phase[], timeS: number): void {
    this.changed = true;
    this.phases = phases;
    this.index = 0;
    this.startS = timeS;
    this.note("gave-up", phases[0].id);
    this.look(timeS);
  }
}
