import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { requireWhole } from "../numbers";
import { freezeLosses, freezeMargins, highUp, NEARLY_EMPTY, type Environment, type FreezeMargins } from "../recipes";
import { USUAL_STOP_DEG, usualErrors, type PilotErrors } from "../scatter";
import { START_HEIGHT_RUNS, startHeightOf } from "../start-height";
import { flyLegs } from "./fly-line";
import type { Line } from "./line";
import { LINES_STAGE, strayed } from "./scatter-line";

/** Least height to begin a line at, and what decided it. */
export interface LineStartHeight {
  readonly heightM: number;
  readonly packUsed: number;
  readonly lostM: number;
  readonly reason:
    /** Freezing before a phase of an item for the reaction time, then bailing out. */
    | { readonly kind: "freeze"; readonly item: number; readonly before: string }
    /** The fourth-largest height lost of so many scattered flights. */
    | { readonly kind: "scatter"; readonly runs: number };
}

export interface LineStartHeightOptions {
  /** Usual of the stage at which lines begin where they are left out; null leaves the scattered flights out. */
  readonly hands?: PilotErrors | null;
  readonly margins?: FreezeMargins;
  readonly runs?: number;
  readonly seed?: number;
}

/**
 * The minimum start height of a whole line, as of a single trick: the worse of every freeze in every item and of the fourth-largest height lost of
 * scattered flights, on a full pack and on a nearly empty one. Losses count from where the line begins. Null for a line that ends on the ground or breaks.
 */
export function lineStartHeight(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  {
    hands = usualErrors(LINES_STAGE),
    margins = freezeMargins(LINES_STAGE),
    runs = START_HEIGHT_RUNS,
    seed = 1,
  }: LineStartHeightOptions = {},
): LineStartHeight | null {
  requireWhole("runs", runs, 1, 100_000);
  let worst: LineStartHeight | null = null;
  for (const packUsed of aircraft.sag === null ? [0] : [0, NEARLY_EMPTY]) {
    const high: Environment = { ...highUp(environment), packUsed };
    const entryHeightM = high.entryHeightM;
    // Nothing stands so high.
    const lifted = { ...line, entryHeightM };
    const legs = flyLegs(lifted, aircraft, settings, { ...high, obstacles: [] });
    if (legs.length < line.items.length || legs.some(({ recipe }) => recipe.ends === "landed")) return null;
    const planned = legs.map(({ recipe }) => recipe);
    const found: LineStartHeight[] = legs.flatMap(({ recipe, item, environment: there, going }, i) =>
      item.kind === "join"
        ? []
        : freezeLosses(recipe, aircraft, settings, there, margins.reactionS, going).map(({ before, lostM }) => {
            const lost = Math.max(0, entryHeightM - there.entryHeightM + lostM);
            return {
              heightM: lost + margins.marginM,
              packUsed,
              lostM: lost,
              reason: { kind: "freeze", item: i, before },
            };
          }),
    );
    if (hands !== null) {
      const plan = {
        line: lifted,
        airframe: aircraft,
        settings,
        environment: { ...high, obstacles: [] },
        errors: hands,
        stopWithinDeg: USUAL_STOP_DEG,
        seed,
        planned,
      };
      const losses = Array.from({ length: runs }, (_, run) => Math.max(0, entryHeightM - strayed(plan, run).lowestM));
      const { heightM, reason } = startHeightOf(losses, packUsed, aircraft);
      found.push({ heightM, packUsed, lostM: reason.lostM, reason: { kind: "scatter", runs } });
    }
    for (const one of found) if (worst === null || one.heightM > worst.heightM) worst = one;
  }
  return worst;
}
