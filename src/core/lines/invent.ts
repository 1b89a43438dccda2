import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { DEG_PER_RAD, DomainError, requireNumber, requireOneOf, requireWhole, seededRandom, wrapDeg } from "../numbers";
import { recipes, type Environment, type Recipe } from "../recipes";
import { bridgeOf, changed, changes, idOf, sequences, type Change, type PairTable } from "./candidates";
import { endedClean } from "./clean";
import { flyLine, type LineFlight } from "./fly-line";
import { withFirstWorkedOut } from "./first-trick";
import { joins, type Joint } from "./joins";
import { requireLine, type Join, type Line, type LineItem } from "./line";
import { lineStyles, styleFaults, type LineStyle } from "./styles";
import { scatterLine, type LineScatterOptions } from "./scatter-line";

/** What is asked of lines to be invented. */
export interface Wish {
  /** Ids of built-in recipes, or recipes: what the pilot has signed off or is learning. */
  readonly allowed: readonly (Recipe | string)[];
  /** Tricks in a line. */
  readonly length: number;
  /** Most room along and across the line of entry, m. */
  readonly roomM?: number;
  /** Highest point above the ground, m. */
  readonly ceilingM?: number;
  readonly style?: LineStyle;
  /** Ids of tricks that every line has. */
  readonly mustHave?: readonly string[];
  /** Ids of tricks that are new to the pilot: a line has one of them at most. */
  readonly fresh?: readonly string[];
  /** Lines that the pilot flew, as ids of tricks in order. */
  readonly flown?: readonly (readonly string[])[];
  /** Lines are made of this one instead of from nothing. */
  readonly from?: { readonly line: Line; readonly change: Change };
  readonly seed: number;
  /** Candidates that are looked at. */
  readonly budget: number;
  /** Hands with which proposals are scattered; usual ones if not said. */
  readonly errors?: LineScatterOptions["errors"];
}

/** What a score is made of, each 0 to 1. */
export interface LineScore {
  /** Share clean of scattered flights. */
  readonly odds: number;
  /** How little of it stands still. */
  readonly flow: number;
  /** Different tricks, axes and directions. */
  readonly variety: number;
  /** Pairs and triples of tricks that the pilot has not flown. */
  readonly surprise: number;
  /** How near to its beginning it ends. */
  readonly closes: number;
}

/** Why a line is proposed, in numbers. */
export interface LineReason {
  readonly kind: "new-pairs" | "axes" | "pauses" | "ends-off";
  readonly value: number;
}

/** A line that was flown whole and keeps to what was asked; how likely it is clean has not been counted yet. */
export interface LineProposal {
  readonly line: Line;
  readonly parts: Omit<LineScore, "odds">;
  readonly why: readonly LineReason[];
}

export interface InventedLine extends LineProposal {
  /** 0 to 1. */
  readonly score: number;
  readonly parts: LineScore;
}

/** Parts of the work that is done, for a bar; with the proposals there are so far, the best ranked first. */
export type Progress = (
  done: number,
  of: number,
  stage: "pairs" | "lines" | "odds",
  soFar: readonly LineProposal[],
) => void;

/** Weights of the parts. Ours. */
const weights: LineScore = { odds: 0.35, flow: 0.2, variety: 0.2, surprise: 0.15, closes: 0.1 };
export const BEST_LINES = 10;
/** So many candidates at most are flown whole for the ten. */
const MOST_FLOWN = 60;
const SCATTERED = 20;
const MOST_ALLOWED = 40;
const MOST_LENGTH = 8;
const FAR_M = 40;

/**
 * Lines the pilot has not flown, the best first, at most ten. Every one of them has been flown whole and ends as planned within the room, the ceiling, the style
 * and a pack. What can follow what is worked out first; `budget` candidates are ranked by that, all there are where they are no more; the best are flown and
 * scattered. The same seed gives the same lines. Throws a DomainError naming the field.
 */
export function inventLines(
  wish: Wish,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  progress: Progress = () => undefined,
): { readonly lines: readonly InventedLine[] } {
  const allowed = requireWish(wish);
  const table = wish.from ? [] : pairTable(allowed, aircraft, settings, environment, progress);
  const proposals: LineProposal[] = [];
  for (const candidate of lineCandidates(wish, table)) {
    if (proposals.length >= BEST_LINES) break;
    progress(proposals.length, BEST_LINES, "lines", proposals);
    const made = proposedLine(candidate, wish, aircraft, settings, environment);
    if (made) proposals.push(made);
  }
  const lines = proposals.map((proposal, i) => {
    progress(i, proposals.length, "odds", proposals);
    return withOdds(proposal, wish, aircraft, settings, environment);
  });
  progress(lines.length, lines.length, "odds", proposals);
  return { lines: bestFirst(lines) };
}

/** Lines by their score, the best first. */
export const bestFirst = (lines: readonly InventedLine[]): readonly InventedLine[] =>
  [...lines].sort((a, b) => b.score - a.score || (a.line.id < b.line.id ? -1 : 1));

/** Throws a DomainError naming the field; gives the recipes that are allowed. */
export function requireWish(wish: Wish): readonly Recipe[] {
  const { allowed, length, budget, seed, roomM, ceilingM, style, mustHave = [], from } = wish;
  if (!Array.isArray(allowed) || allowed.length === 0 || allowed.length > MOST_ALLOWED)
    throw new DomainError("allowed", allowed, `1 to ${MOST_ALLOWED} tricks`);
  requireWhole("length", length, 1, MOST_LENGTH);
  requireWhole("budget", budget, 1, 5000);
  requireNumber("seed", seed, 0, 4294967295);
  if (roomM !== undefined) requireNumber("roomM", roomM, 5, 1000);
  if (ceilingM !== undefined) requireNumber("ceilingM", ceilingM, 1, 1000);
  if (style !== undefined) requireOneOf("style", style, lineStyles);
  if (from) {
    requireLine(from.line);
    requireOneOf("from.change", from.change, changes);
  }
  const found = allowed.map((one, i) => {
    const recipe: Recipe | undefined = typeof one === "string" ? recipes[one] : one;
    if (!recipe?.phases) throw new DomainError(`allowed[${i}]`, one, "a recipe, or the id of a built-in one");
    return recipe;
  });
  for (const id of mustHave)
    if (!found.some((recipe) => recipe.id === id)) throw new DomainError("mustHave", id, "tricks that are allowed");
  if (mustHave.length > length) throw new DomainError("mustHave", mustHave.length, `at most the length, ${length}`);
  return found;
}

/** What may be flown, the most promising first, as many as are flown for ten; `table` is what can follow what of those allowed, empty for lines made of another. */
export function lineCandidates(wish: Wish, table: PairTable): readonly Line[] {
  const candidates = wish.from ? changed(wish.from.line, wish.from.change, wish.allowed) : walked(wish, table);
  // Of those that promise as much the lot decides: else all would begin alike.
  const uniform = seededRandom(wish.seed);
  return candidates
    .map((line) => ({ line, promise: promiseOf(line, wish), lot: uniform() }))
    .sort((a, b) => b.promise - a.promise || a.lot - b.lot)
    .slice(0, MOST_FLOWN)
    .map(({ line }, n) => ({ ...line, id: `invented-${wish.seed}-${n + 1}` }));
}

/** Lines from nothing: sequences of what can follow what, with the bridges that they take and the figures that were worked out for the pairs. */
function walked(wish: Wish, table: PairTable): readonly Line[] {
  const allowed = requireWish(wish);
  const place = (id: string) => allowed.findIndex((recipe) => recipe.id === id);
  const wanted = {
    length: wish.length,
    mustHave: (wish.mustHave ?? []).map(place),
    fresh: new Set((wish.fresh ?? []).map(place)),
  };
  return sequences(allowed.length, table, wanted, wish.budget, seededRandom(wish.seed)).map((sequence) => {
    const items = sequence.flatMap((trick, i): readonly LineItem[] => {
      const joint = i === 0 ? null : table[sequence[i - 1]][trick];
      const next = sequence.length > 1 && i === 0 ? table[trick][sequence[1]] : null;
      const parameters = next ? workedOutFor(next)?.from : joint ? workedOutFor(joint)?.to : undefined;
      return [
        ...(joint ? bridgeOf(joint).map((join): LineItem => ({ kind: "join", join })) : []),
        // As it was given: a trick of somebody's own may be called as a built-in one.
        { kind: "trick", recipe: wish.allowed[trick], ...(parameters && { parameters }) },
      ];
    });
    const names = sequence.map((trick) => allowed[trick].id);
    return {
      id: names.join("+"),
      label: names.map((_, i) => allowed[sequence[i]].label).join(", "),
      start: allowed[sequence[0]].start,
      headingDeg: 0,
      anchors: [],
      items,
    };
  });
}

const workedOutFor = (joint: Joint) => (joint.kind === "never" ? undefined : joint.figures);

/** What can follow what, of some tricks. */
function pairTable(
  allowed: readonly Recipe[],
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  progress: Progress = () => undefined,
): PairTable {
  return allowed.map((from, i) =>
    allowed.map((to, k) => {
      progress(i * allowed.length + k, allowed.length ** 2, "pairs", []);
      return joins(from, to, aircraft, settings, environment);
    }),
  );
}

const idsOf = (line: Line): readonly string[] =>
  line.items.flatMap((item) => (item.kind === "trick" ? [idOf(item.recipe)] : []));

/** How good a line promises to be before it is flown: few bridges, different tricks, pairs that are new. */
function promiseOf(line: Line, wish: Wish): number {
  const ids = idsOf(line);
  const bridges = line.items.length - ids.length;
  const different = new Set(ids).size / Math.max(1, ids.length);
  return different + newPairs(ids, wish.flown ?? []) - 0.15 * bridges;
}

/** Share of the pairs and triples of a line that were never flown. */
function newPairs(ids: readonly string[], flown: Wish["flown"] = []): number {
  const runs = (line: readonly string[]) =>
    [2, 3].flatMap((n) =>
      line.slice(0, Math.max(0, line.length - n + 1)).map((_, i) => line.slice(i, i + n).join(" ")),
    );
  const known = new Set(flown.flatMap(runs));
  const own = runs(ids);
  return own.length === 0 ? 0 : own.filter((run) => !known.has(run)).length / own.length;
}

/**
 * A candidate flown whole; null where it does not go or breaks what was asked. Figures that came with it are flown as they are, and worked out anew where
 * they do not go together.
 */
export function proposedLine(
  candidate: Line,
  wish: Wish,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): LineProposal | null {
  const as = (line: Line): LineProposal | null => {
    const out = flownOrNone(line, aircraft, settings, environment);
    const whole = out && wish.style === "stop-and-return" ? withWayHome(line, out) : line;
    const flight = whole === line ? out : flownOrNone(whole, aircraft, settings, environment);
    return flight && holds(flight, wish) ? proposalOf(whole, flight, wish) : null;
  };
  const known = !wish.from && candidate.items.every((item) => item.kind === "join" || item.parameters);
  return (
    (known ? as(candidate) : null) ??
    as(withFirstWorkedOut(wish.from ? candidate : withoutFigures(candidate), aircraft, settings, environment))
  );
}

/** The same line with nothing set by hand. */
const withoutFigures = (line: Line): Line => ({
  ...line,
  items: line.items.map((item) => (item.kind === "trick" ? { ...item, parameters: {} } : item)),
});

function proposalOf(line: Line, { measures }: LineFlight, wish: Wish): LineProposal {
  const ids = idsOf(line);
  const pauseS = measures.pauses.reduce((sum, { s }) => sum + s, 0);
  const fresh = newPairs(ids, wish.flown);
  return {
    line,
    parts: {
      flow: 1 - Math.min(1, (2 * pauseS) / measures.durationS),
      variety: 0.5 * (new Set(ids).size / ids.length) + 0.5 * Math.min(1, measures.turns.length / 4),
      surprise: fresh,
      closes: Math.max(0, 1 - measures.endsOffM / FAR_M),
    },
    why: [
      { kind: "new-pairs", value: fresh },
      { kind: "axes", value: measures.turns.length },
      { kind: "pauses", value: measures.pauses.length },
      { kind: "ends-off", value: measures.endsOffM },
    ],
  };
}

/** A proposal scattered, and what it comes to. */
export function withOdds(
  { line, parts, why }: LineProposal,
  wish: Wish,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): InventedLine {
  const { errors, seed } = wish;
  const scattered = { runs: SCATTERED, seed, errors, singly: false };
  const all: LineScore = {
    ...parts,
    odds: scatterLine(line, aircraft, settings, environment, scattered).clean.value,
  };
  const score = (Object.keys(weights) as (keyof LineScore)[]).reduce((sum, part) => sum + weights[part] * all[part], 0);
  return { line, score, parts: all, why };
}

/** Nearer than this, m, it only stops. */
const AT_HOME_M = 3;

/** The same line, turned back to where it began, flown there and stopped. */
function withWayHome(line: Line, { trace, items }: LineFlight): Line {
  const last = trace.timeS.length - 1;
  const [north, east] = [trace.northM[0] - trace.northM[last], trace.eastM[0] - trace.eastM[last]];
  const awayM = Math.hypot(north, east);
  const deg = wrapDeg(
    DEG_PER_RAD * Math.atan2(east, north) + line.headingDeg - items[items.length - 1].exit.headingDeg,
  );
  const home: readonly Join[] = [
    ...(awayM > AT_HOME_M
      ? ([
          { kind: "hover", s: 0.3 },
          { kind: "turn", deg },
          { kind: "on", m: awayM - AT_HOME_M },
        ] as const)
      : []),
    { kind: "hover", s: 1 },
  ];
  return { ...line, items: [...line.items, ...home.map((join) => ({ kind: "join", join }) as const)] };
}

function flownOrNone(line: Line, aircraft: Airframe, settings: Settings, environment: Environment): LineFlight | null {
  try {
    const flight = flyLine(line, aircraft, settings, environment);
    const clean = flight.items.every(({ problem, recipe, measures }) => !problem && endedClean(recipe, measures));
    return flight.measures.complete && clean ? flight : null;
  } catch (error) {
    // More speed than there is, or more thrust.
    if (error instanceof DomainError) return null;
    throw error;
  }
}

/** Whether a flight keeps to the room, the ceiling, the pack and the style. */
function holds(flight: LineFlight, { roomM, ceilingM, style }: Wish): boolean {
  const { measures } = flight;
  if (roomM !== undefined && Math.max(measures.roomAlongM, measures.roomAcrossM) > roomM) return false;
  if (ceilingM !== undefined && measures.highestM > ceilingM) return false;
  if ((measures.packShare ?? 0) > 1) return false;
  return style === undefined || styleFaults(flight, style).length === 0;
}
