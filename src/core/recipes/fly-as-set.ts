import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Problem } from "./problem";
import { draftBrief, whyNot } from "./brief";
import type { StartHeight } from "./start-height";
import type { Environment } from "./environment";
import { fly, type Flight } from "./fly";
import { resolve, withParameters, type Recipe } from "./recipe";
import { marginsBySpeed, wayOut, type SpeedMargin, type WayOut } from "./way-out";

/** What somebody set for a trick; null lets the program work it out. */
export interface TrickRequest {
  readonly recipe: Recipe;
  /** Every parameter by hand, or null for solved ones. */
  readonly values: Readonly<Record<string, number>> | null;
  readonly entryHeightM: number | null;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
}

/** A trick flown as it was set. */
export interface FlownTrick {
  readonly recipe: Recipe;
  readonly flight: Flight;
  readonly entryHeightM: number;
  /** By the freezes alone; null where a parameter or the height was set by hand. */
  readonly startHeight: StartHeight | null;
  readonly wayOut: WayOut | null;
  /** What stands in the way, in words. */
  readonly problem: Problem | null;
  /** By how much the highest point breaks the local ceiling, m; null when it does not, or none is known. */
  readonly overCeilingM: number | null;
  /** Approach speed against the time to react, for a trick that flies at something. */
  readonly bySpeed: readonly SpeedMargin[] | null;
}

/** Flies a trick as it was set: by hand where somebody set something, worked out where not. Throws a DomainError for what cannot be begun. */
export function flyAsSet({ recipe, values, entryHeightM, airframe, settings, environment }: TrickRequest): FlownTrick {
  const brief = values === null ? draftBrief(recipe, airframe, settings, environment) : null;
  const set = brief ? brief.recipe : withParameters(recipe, values ?? {});
  const own = set.entryHeightM === undefined ? undefined : resolve(set, set.entryHeightM);
  const height = entryHeightM ?? brief?.entryHeightM ?? own ?? environment.entryHeightM;
  const there = { ...environment, entryHeightM: height };
  const asBriefed = brief !== null && height === brief.entryHeightM;
  const flight = asBriefed ? brief.flight : fly(set, airframe, settings, there);
  const { peakM } = flight.measures;
  const ceilingM = environment.ceilingM ?? null;
  return {
    recipe: set,
    flight,
    entryHeightM: height,
    startHeight: brief?.startHeight ?? null,
    wayOut: asBriefed ? brief.wayOut : wayOut(set, airframe, settings, there),
    problem: asBriefed ? brief.problem : whyNot(set, flight),
    bySpeed: marginsBySpeed(set, airframe, settings, there),
    overCeilingM: ceilingM !== null && peakM > ceilingM ? peakM - ceilingM : null,
  };
}
