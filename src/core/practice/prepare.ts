import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { flyLine, type Line } from "../lines";
import { draftBrief, fly, recipes, startTrim, type Environment, type Obstacle, type Recipe } from "../recipes";
import type { Drill, Task } from "./drill";
import { figureOf, hoverStart, type Figure, type FigureKind, type Seat } from "./figure";
import { createPractice } from "./practice";
import { madeUpRadio } from "./radio";
import type { PracticeRecord } from "./record";
import type { FoundTrick } from "../tape";
import { measuresOf, replay, type Replayed } from "./replay";
import { jerkOf, scoreTry, type Score } from "./score";
import type { StampedSticks } from "./sticks";
import { WayHands } from "./way-hands";

/** How a drill is flown that the model has a recipe for. */
export interface TrickRequest {
  readonly kind: "trick";
  readonly recipe: Recipe;
  /** Furthest the stop may miss, °; null where nothing is stopped. */
  readonly withinDeg: number | null;
  /** What is asked for where it is no trick that a recording shows. */
  readonly asks: "trick" | "land" | "skim" | "stop-at-call" | "level-at-call";
}

/** One that is flown round marks, or holds a place. */
export interface FigureRequest {
  readonly kind: "figure";
  readonly figure: FigureKind;
  readonly side: "right" | "left";
}

/** A line, flown along its line of entry. */
export interface LineRequest {
  readonly kind: "line";
  readonly line: Line;
}

/** What is asked for to be practised. */
export type PracticeRequest = (TrickRequest | FigureRequest | LineRequest) & {
  readonly id: string;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
};

/** A drill ready to be flown: worked out for the aircraft, where it begins, and the model's own way, which a ghost flies. */
export interface PreparedDrill {
  readonly drill: Drill;
  readonly environment: Environment;
  /** What stands there, the recipe's own things too, m from the start. */
  readonly obstacles: readonly Obstacle[];
  readonly ghost: Replayed;
  /** Where it is watched from by those who watch it from the ground, and whether the camera is looked through first. */
  readonly seat: Seat;
}

const FEED_S = 0.05;
/** Hands of a figure answer so often, s. */
const HANDS_S = 0.02;
/** After the last reading what is to land may come down for so long, s. */
const SETTLES_S = 2;
/** A skim counts from the ground up to here, m: what a pilot calls low. Ours. */
const SKIM_M = 1.5;
/** How near to its spot a landing or a skim is, m, where the recipe has no mark of its own. */
const SPOT_M = 1.5;
/** Nobody stands nearer to a trick than this, m. Common practice, no source. */
const LEAST_ASIDE_M = 12;
/** Made-up hands leave the switch on for so long, s. */
const SWITCHED_S = 1.5;
/** A stick that moved by this from its start has begun, share of full stick. */
const BEGUN = 0.2;

/** A drill of a recipe or of a figure, flown by the model's own hands through the practice loop. Throws a DomainError naming what can't be flown. */
export function prepareDrill(request: PracticeRequest): PreparedDrill {
  switch (request.kind) {
    case "trick":
      return prepareTrick(request);
    case "figure":
      return prepareFigure(request);
    case "line":
      return prepareLine(request);
  }
}

type Whole<Request> = Request & Omit<PracticeRequest, keyof TrickRequest>;

/**
 * A trick as a drill: its figures worked out, begun at the height of its brief. What is found in the model's own flight as in a recording is what a try is
 * asked for.
 */
function prepareTrick({
  id,
  recipe,
  airframe,
  settings,
  environment,
  withinDeg,
  asks,
}: Whole<TrickRequest>): PreparedDrill {
  const { recipe: solved, entryHeightM } = draftBrief(recipe, airframe, settings, environment);
  // The model's own way is flown in an even wind, so that it is the same for everybody.
  const there = { ...environment, entryHeightM };
  const { gusts: _, ...even } = there;
  const readings = madeUpRadio(solved, airframe, settings, even);
  const free: Drill = { id, recipe: solved, task: { kind: "free" } };
  const practice = createPractice(free, airframe, settings, even);
  let at = 0;
  for (let fedS = FEED_S; at < readings.length; fedS += FEED_S) {
    const until = readings.findIndex(({ timeS }) => timeS > fedS);
    const end = until < 0 ? readings.length : until;
    practice.advance(FEED_S, readings.slice(at, end));
    at = end;
  }
  if (solved.ends === "landed") {
    const last = readings[readings.length - 1];
    for (let s = FEED_S; s <= SETTLES_S && !practice.state().ended; s += FEED_S)
      practice.advance(FEED_S, [{ ...last, timeS: last.timeS + s }]);
  }
  const record = practice.record();
  const ghost = replay(record, airframe, settings, even);
  const { object } = startTrim(solved, airframe, settings, even);
  const trick = asks === "trick" ? firstTrick(ghost) : undefined;
  const { durationS } = ghost.measures;
  const drill: Drill = {
    ...free,
    task: taskOf(asks, ghost, object, solved.turn ? withinDeg : null),
    ...(object && { object }),
    ...phasesOf(solved, trick, airframe, settings, even),
    ...(trick && { round: { beforeS: trick.fromS, afterS: Math.max(0, durationS - trick.toS) } }),
  };
  return { drill, environment: there, obstacles: record.obstacles, ghost, seat: besideOf(ghost) };
}

/** A trick is watched from its right side, far enough to see the whole of it. */
function besideOf({ trace: { northM, heightM } }: Replayed): Seat {
  const [from, to] = [Math.min(...northM), Math.max(...northM)];
  const high = Math.max(...heightM) - Math.min(...heightM);
  return { kind: "camera", at: { northM: 0.5 * (from + to), eastM: Math.max(LEAST_ASIDE_M, to - from, high) } };
}

/** In the model's own flight, since its trick or its start: when its object is to be in the picture, and when its circle is even. */
function phasesOf(
  recipe: Recipe,
  trick: FoundTrick | undefined,
  airframe: Airframe,
  settings: Settings,
  environment: Environment,
): Pick<Drill, "inPictureS" | "steady"> {
  const { inPicture, steadyPhase } = recipe;
  if (!inPicture && !steadyPhase) return {};
  const { events, measures } = fly(recipe, airframe, settings, environment);
  const [fromS, toS] = [trick?.fromS ?? 0, trick?.toS ?? measures.durationS];
  const startS = (phase: string | undefined) =>
    events.find((event) => event.kind === "phase" && event.detail === phase)?.timeS ?? measures.durationS;
  const after = recipe.phases.findIndex(({ id }) => id === steadyPhase) + 1;
  return {
    ...(inPicture && { inPictureS: [startS(inPicture.from) - fromS, startS(inPicture.to) - fromS] as const }),
    ...(steadyPhase && {
      steady: {
        afterS: Math.max(0, startS(steadyPhase) - fromS),
        beforeS: Math.max(0, toS - startS(recipe.phases.at(after)?.id)),
      },
    }),
  };
}

const firstTrick = ({ measures: { tricks } }: Replayed) => tricks.find(({ kind }) => kind !== "unknown");

/** The first turn that is surely found in the model's own way, else what is asked for instead; free where nothing is. */
function taskOf(
  asks: TrickRequest["asks"],
  ghost: Replayed,
  object: Drill["object"] | null,
  withinDeg: number | null,
): Task {
  const spot = object ?? { northM: 0, eastM: 0 };
  const at = { northM: spot.northM, eastM: spot.eastM };
  switch (asks) {
    case "land":
      return { kind: "land", at, withinM: SPOT_M };
    case "skim":
      return { kind: "course", at: [at], withinM: SPOT_M, haltMps: null, lowestM: 0, highestM: SKIM_M };
    case "stop-at-call":
    case "level-at-call": {
      const toS = begunS(ghost);
      return { kind: "call", answer: asks === "level-at-call" ? "level" : "stop", fromS: 0.4 * toS, toS, callS: null };
    }
    case "trick": {
      const found = firstTrick(ghost);
      if (!found) return { kind: "free" };
      const { kind, direction, turns } = found;
      return { kind: "trick", trick: { kind, direction, turns }, withinDeg };
    }
  }
}

/** When the model's own hands begin to get out of it: the last moment at which a call leaves the room it has. */
function begunS({ trace }: Replayed): number {
  const begun = trace.timeS.findIndex((_, i) => trace.stickPitch[i] - trace.stickPitch[0] > BEGUN);
  return trace.timeS[begun < 0 ? trace.timeS.length - 1 : begun];
}

/** A figure as a drill: begun in a hover, flown by good hands along its way. */
function prepareFigure({
  id,
  figure: kind,
  side,
  airframe,
  settings,
  environment,
}: Whole<FigureRequest>): PreparedDrill {
  const figure = figureOf(kind, side, airframe);
  const there = { ...environment, entryHeightM: figure.heightM, obstacles: figure.obstacles };
  const { gusts: _, ...even } = there;
  const drill: Drill = { id, recipe: hoverStart(id), task: figure.task };
  const record = flyFigure(drill, figure, airframe, settings, even, 0);
  const ghost = replay(record, airframe, settings, even);
  const { task, jerkShare } = figure;
  const smooth = jerkShare !== undefined && task.kind === "course";
  const asked = smooth ? { ...task, mostJerkDegPerS2: jerkShare * jerkOf(ghost.trace) } : task;
  return {
    drill: { ...drill, task: asked },
    environment: there,
    obstacles: record.obstacles,
    ghost,
    seat: figure.seat,
  };
}

/** A line as a drill: begun as its first trick begins, its tricks asked for in the order in which they are found in the model's own flight. */
function prepareLine({ id, line, airframe, settings, environment }: Whole<LineRequest>): PreparedDrill {
  const entryHeightM = line.entryHeightM ?? environment.entryHeightM;
  const obstacles = line.anchors.map(({ obstacle }) => obstacle);
  const there = { ...environment, entryHeightM, obstacles };
  const { gusts: _, obstacles: __, ...even } = there;
  const { trace, events } = flyLine({ ...line, headingDeg: 0 }, airframe, settings, even);
  const timeS = trace.timeS[trace.timeS.length - 1];
  const measures = { ...measuresOf({ trace, ended: null, timeS }, settings), switched: [] };
  const tricks = measures.tricks
    .filter(({ kind }) => kind !== "unknown")
    .map(({ kind, direction, turns }) => ({ kind, direction, turns }));
  const ghost = { trace, events, measures };
  const first = line.items.find((item) => item.kind === "trick");
  const own = typeof first?.recipe === "string" ? recipes[first.recipe] : first?.recipe;
  const recipe = { ...hoverStart(id), start: line.start, parameters: own?.parameters ?? {} };
  const task: Task = tricks.length > 0 ? { kind: "tricks", tricks } : { kind: "free" };
  return { drill: { id, recipe, task }, environment: there, obstacles, ghost, seat: besideOf(ghost) };
}

/** A figure flown by hands that answer to what was so long ago; they end with the figure, or where they hit something. */
function flyFigure(
  drill: Drill,
  figure: Figure,
  airframe: Airframe,
  settings: Settings,
  environment: Environment,
  delayS: number,
): PracticeRecord {
  const practice = createPractice(drill, airframe, settings, environment);
  const hands = new WayHands(figure, airframe, settings, environment, delayS);
  let state = practice.state();
  while (!hands.done && !state.ended && !state.outOfTime) {
    const levelled = levelledAt(drill.task, state.timeS - delayS);
    const reading: StampedSticks = { timeS: state.timeS + HANDS_S, ...hands.read(state, HANDS_S, levelled) };
    state = practice.advance(HANDS_S, [reading]);
  }
  return practice.record();
}

/** Whether hands have the switch on that levels it: from the call on, for so long, s. Without a call yet as if it came at its latest. */
function levelledAt(task: Task, timeS: number): boolean {
  if (task.kind !== "call" || task.answer !== "switch") return false;
  const callS = task.callS ?? task.toS;
  return timeS >= callS && timeS < callS + SWITCHED_S;
}

/** A prepared figure flown by made-up hands that see place and speed late by so much, s. Throws a DomainError for what is no figure. */
export function flyFigureLate(
  request: Whole<FigureRequest>,
  { drill, environment }: PreparedDrill,
  delayS: number,
): PracticeRecord {
  const { airframe, settings, figure, side } = request;
  return flyFigure(drill, figureOf(figure, side, airframe), airframe, settings, environment, delayS);
}

/** A try flown again, and held against its drill. */
export function judgeTry(
  record: PracticeRecord,
  { drill, environment }: Pick<PreparedDrill, "drill" | "environment">,
  airframe: Airframe,
  settings: Settings,
): { readonly flown: Replayed; readonly score: Score } {
  const flown = replay(record, airframe, settings, environment);
  return { flown, score: scoreTry(drill, flown, settings) };
}
