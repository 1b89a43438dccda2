import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { DomainError, requireWhole } from "../numbers";
import {
  freezeLosses,
  freezeMargins,
  highUp,
  NEARLY_EMPTY,
  type Environment,
  type FreezeMargins,
  type Recipe,
} from "../recipes";
import { USUAL_STOP_DEG, usualErrors, type PilotErrors } from "../scatter";
import { START_HEIGHT_RUNS, startHeightOf } from "../start-height";
import { withFirstWorkedOut } from "./first-trick";
import { flyLegs, type LineLeg } from "./fly-line";
import { LINES_STAGE, type Line } from "./line";
import { strayed } from "./scatter-line";

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

/** What freezing in a line costs. */
export interface LineFreezes {
  /** Height above the ground that each item wants where it begins, for who freezes in it; null for a join, and for a trick without a freeze. */
  readonly wantsM: readonly (number | null)[];
  /** The worst of all; null for a line in which nobody can freeze. */
  readonly startHeight: LineStartHeight | null;
  /** The line as it is planned on each pack, high up, for `lineLosses`. */
  readonly packs: readonly { readonly packUsed: number; readonly planned: readonly Recipe[] }[];
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
  const freezes = lineFreezes(line, aircraft, settings, environment, margins);
  if (!freezes) return null;
  if (hands === null) return freezes.startHeight;
  const byHands = freezes.packs.map(({ packUsed, planned }) => {
    const task = { line, airframe: aircraft, settings, environment, hands, seed, packUsed, planned };
    return lineHeightOf(lineLosses(task, 0, runs), packUsed, aircraft);
  });
  return byHands.reduce(worseLineHeight, freezes.startHeight);
}

/** What freezing before each phase of each item costs, on a full pack and a nearly empty one. Null for a line that ends on the ground or breaks. */
export function lineFreezes(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { reactionS, marginM }: FreezeMargins = freezeMargins(LINES_STAGE),
): LineFreezes | null {
  let worst: LineStartHeight | null = null;
  const wantsM: (number | null)[] = line.items.map(() => null);
  const packs: { packUsed: number; planned: readonly Recipe[] }[] = [];
  for (const packUsed of aircraft.sag === null ? [0] : [0, NEARLY_EMPTY]) {
    const { lifted, high } = liftedUp(line, environment, packUsed);
    const legs = flownOnPack(lifted, aircraft, settings, high);
    if (!legs) continue;
    if (legs.length < line.items.length || legs.some(({ recipe }) => recipe.ends === "landed")) return null;
    // Nothing is met in the flights that stray from it.
    packs.push({ packUsed, planned: legs.map(({ recipe }) => ({ ...recipe, obstacles: [] })) });
    for (const [item, { recipe, item: asked, environment: there, going }] of legs.entries()) {
      if (asked.kind === "join") continue;
      for (const { before, lostM } of freezeLosses(recipe, aircraft, settings, there, reactionS, going)) {
        wantsM[item] = Math.max(wantsM[item] ?? 0, lostM + marginM);
        const lost = Math.max(0, high.entryHeightM - there.entryHeightM + lostM);
        const reason = { kind: "freeze", item, before } as const;
        worst = worseLineHeight(worst, { heightM: lost + marginM, packUsed, lostM: lost, reason });
      }
    }
  }
  return { wantsM, startHeight: worst, packs };
}

/** A line worked out for a pack, its first trick too; null on a nearly empty one that cannot hold the aircraft any more. */
function flownOnPack(line: Line, aircraft: Airframe, settings: Settings, high: Environment): readonly LineLeg[] | null {
  try {
    return flyLegs(withFirstWorkedOut(line, aircraft, settings, high), aircraft, settings, high);
  } catch (error) {
    // It was flown on a full one before: only the pack is in the way.
    if (error instanceof DomainError && high.packUsed) return null;
    throw error;
  }
}

/** Scattered flights of a line on one pack, as it is planned there. */
export interface LineLossTask {
  readonly line: Line;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
  readonly hands: PilotErrors;
  readonly seed: number;
  readonly packUsed: number;
  readonly planned: readonly Recipe[];
}

/** Height lost from where the line begins to its lowest point, m, in the runs from `from` up to but without `to`, high above the ground. */
export function lineLosses(
  { line, airframe, settings, environment, hands, seed, packUsed, planned }: LineLossTask,
  from: number,
  to: number,
): number[] {
  const { lifted, high } = liftedUp(line, environment, packUsed);
  const plan = {
    line: lifted,
    airframe,
    settings,
    environment: high,
    errors: hands,
    stopWithinDeg: USUAL_STOP_DEG,
    seed,
    planned,
  };
  return Array.from({ length: to - from }, (_, i) => Math.max(0, high.entryHeightM - strayed(plan, from + i).lowestM));
}

/** What the height lost of some scattered flights asks for. */
export function lineHeightOf(losses: readonly number[], packUsed: number, aircraft: Airframe): LineStartHeight {
  const { heightM, reason } = startHeightOf(losses, packUsed, aircraft);
  return { heightM, packUsed, lostM: reason.lostM, reason: { kind: "scatter", runs: losses.length } };
}

/** The higher of two. */
export const worseLineHeight = (one: LineStartHeight | null, other: LineStartHeight): LineStartHeight =>
  one === null || other.heightM > one.heightM ? other : one;

/** High enough for any line, and not too high for what a trick brings along to stand there. */
const HIGH_M = 150;

/** A line as high up that the ground is not met, in the same air. */
function liftedUp(line: Line, environment: Environment, packUsed: number) {
  const high: Environment = { ...highUp(environment), entryHeightM: HIGH_M, packUsed, obstacles: [] };
  return { lifted: { ...line, entryHeightM: HIGH_M }, high };
}
