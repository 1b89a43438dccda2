import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment } from "./environment";
import { flyOutcome } from "./fly";
import type { GoingOn } from "./under-way";
import { FROZEN } from "./way-out";
import type { Recipe } from "./recipe";
import { withSlip } from "./solve";

/** What a freeze costs. */
export interface FreezeLoss {
  /** The phase that the pilot never begins: the hands stay as they were before it. */
  readonly before: string;
  /** Height lost below the entry by the end of the bail-out, m. */
  readonly lostM: number;
}

/**
 * Height lost by a pilot who freezes before one of the phases, hands as they were, for the reaction time, and then bails out: for every phase that is
 * come to. Flown high above the ground, with what slips slipped: a punch that falls short. `recipe` has its figures solved. Flown on from `going` where
 * that is given.
 */
export function freezeLosses(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  high: Environment,
  reactionS: number,
  going?: GoingOn,
): readonly FreezeLoss[] {
  const open = { ...withSlip(recipe), obstacles: [] };
  const { events } = flyOutcome(open, aircraft, settings, high, [], { going });
  return recipe.phases.slice(1).flatMap(({ id }, i): FreezeLoss[] => {
    const due = events.find((event) => event.kind === "phase" && event.detail === id);
    if (!due) return [];
    const frozen: Recipe = { ...open, phases: [...open.phases.slice(0, i + 1), { ...FROZEN, frozen: true }] };
    const { heightLostM } = flyOutcome(frozen, aircraft, settings, high, [], {
      going,
      change: { atS: due.timeS + reactionS, phases: recipe.abort },
    });
    return [{ before: id, lostM: heightLostM }];
  });
}
