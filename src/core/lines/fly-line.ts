import { requireAirframe, type Airframe } from "../airframe";
import { toEuler } from "../attitude";
import { requireSettings, STATE, type Settings } from "../flight";
import { wrapDeg } from "../numbers";
import {
  emptyTrace,
  flyOn,
  frameAhead,
  requireEnvironment,
  solveInTurn,
  type Environment,
  type FlightEvent,
  type FlownOn,
  type GoingOn,
  type Problem,
  type Recipe,
  type Slip,
  type Trace,
  type UnderWay,
} from "../recipes";
import { anchorKept } from "./anchors";
import { trimUnderWay } from "./begun";
import type { FlownItem, LineState } from "./flown-item";
import { joinRecipe } from "./join-recipe";
import { namingItem, recipeOf, requireLine, soughtOf, type Line, type LineItem } from "./line";
import { measureLine, type LineMeasures } from "./line-measures";
import { append, BEGINNING, environmentAt, obstacleAt, placeAhead, type Place } from "./placed";

export interface LineFlight {
  /** Along the line of entry of the whole. Phases are counted through all items. */
  readonly trace: Trace;
  readonly events: readonly FlightEvent[];
  /** Up to the one that met the ground or what stands about. */
  readonly items: readonly FlownItem[];
  readonly measures: LineMeasures;
}

/** What is flown: an item's recipe along its line of entry, and where that lies. */
export interface LineLeg {
  readonly item: LineItem;
  readonly place: Place;
  readonly flown: FlownOn;
  readonly recipe: Recipe;
  readonly problem: Problem | null;
  readonly environment: Environment;
  /** What it was flown on from; undefined for what begins the line as by itself. */
  readonly going: GoingOn | undefined;
}

/** How the hands stray in each phase of each item, and what the pilot planned: nothing is worked out anew where the recipes are given. */
export interface LineOptions {
  readonly slips?: readonly (readonly Slip[])[];
  readonly planned?: readonly (Recipe | undefined)[];
}

/** Where the rest of a line is taken up: a flight under way, and where it stands in the line. */
export interface TakenUp {
  readonly before: UnderWay;
  readonly place: Place;
  /** Place of the item that is flown next. */
  readonly item: number;
}

/**
 * Flies a line as one movement: position, velocity, attitude, rates, rotors, sticks, what the eye has seen and the charge of the pack go on from item to
 * item. A trick that begins the line as it begins by itself is the same flight as `fly`, to the last bit; one that is flown out of something else has what it
 * works out worked out again from there, unless it was set by hand. Throws a DomainError that names the item and the field.
 */
export function flyLine(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  options: LineOptions = {},
): LineFlight {
  const legs = flyLegs(line, aircraft, settings, environment, options);
  const trace = emptyTrace(legs[0].flown.trace.sampleS);
  const events: FlightEvent[] = [];
  const items: FlownItem[] = [];
  let phases = 0;
  for (const { item, place, flown, recipe, problem } of legs) {
    append(trace, flown.trace, place, phases);
    events.push(
      ...flown.events.map((event) => (place.fromS === 0 ? event : { ...event, timeS: place.fromS + event.timeS })),
    );
    phases += recipe.phases.length;
    const headingDeg = line.headingDeg + place.headingDeg;
    const last = flown.trace.timeS.length - 1;
    const anchor = item.kind === "trick" ? line.anchors.find(({ id }) => id === item.anchor?.id) : undefined;
    const kept =
      item.kind === "trick" && item.anchor && anchor
        ? anchorKept(item.anchor.how, obstacleAt(anchor.obstacle, place), flown.trace)
        : null;
    items.push({
      fromS: place.fromS,
      toS: place.fromS + flown.trace.timeS[last],
      entry: stateIn(flown.trace, 0, headingDeg),
      exit: stateIn(flown.trace, last, headingDeg),
      complete: flown.measures.complete && kept !== false,
      measures: flown.measures,
      recipe,
      problem,
      anchorKept: kept,
    });
  }
  const charge = (leg: LineLeg) => leg.flown.end.body.state[STATE.packUsed];
  const packShare = aircraft.sag === null ? null : charge(legs[legs.length - 1]) - (environment.packUsed ?? 0);
  return { trace, events, items, measures: measureLine(line.items, items, trace, packShare) };
}

/** The items of a line one after the other, from the first or from where it is taken up, to the first that meets something. */
export function flyLegs(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { slips = [], planned, takenUp }: LineOptions & { readonly takenUp?: TakenUp } = {},
): readonly LineLeg[] {
  requireLine(line);
  requireAirframe(aircraft);
  requireSettings(settings);
  const whole = wholeEnvironment(line, environment);
  const legs: LineLeg[] = [];
  let place = takenUp?.place ?? BEGINNING;
  let before: UnderWay | null = takenUp?.before ?? null;
  for (const [i, item] of line.items.entries()) {
    if (takenUp && i < takenUp.item) continue;
    try {
      before ??= begunElsewhere(line, item, aircraft, settings, environmentAt(whole, line.headingDeg, place));
      const leg = flyItem(
        { line, item, place, before, slips: slips[i], planned: planned?.[i] },
        aircraft,
        settings,
        whole,
      );
      legs.push(leg);
      if (leg.flown.measures.crashed || leg.flown.events.some(({ kind }) => kind === "touchdown")) break;
      const { timeS } = leg.flown.trace;
      place = placeAhead(place, frameAhead(leg.flown.end), timeS[timeS.length - 1]);
      before = leg.flown.end;
    } catch (error) {
      throw namingItem(error, i);
    }
  }
  return legs;
}

/** Where and in what air the whole is flown; a ceiling is held against the whole, not against where an item begins. */
function wholeEnvironment(line: Line, environment: Environment): Environment {
  const entryHeightM = line.entryHeightM ?? environment.entryHeightM;
  requireEnvironment({ ...environment, entryHeightM, ceilingM: null });
  const anchors = line.anchors.map(({ obstacle }) => obstacle);
  return {
    ...environment,
    entryHeightM,
    ceilingM: null,
    ...(anchors.length > 0 && { obstacles: [...anchors, ...(environment.obstacles ?? [])] }),
  };
}

interface ItemToFly {
  readonly line: Line;
  readonly item: LineItem;
  readonly place: Place;
  readonly before: UnderWay | null;
  readonly slips?: readonly Slip[];
  readonly planned?: Recipe;
}

function flyItem(
  { line, item, place, before, slips, planned }: ItemToFly,
  aircraft: Airframe,
  settings: Settings,
  whole: Environment,
): LineLeg {
  const seen = environmentAt(whole, line.headingDeg, place);
  const heightM = before ? before.body.heightM : seen.entryHeightM;
  const there: Environment = {
    ...seen,
    // Nothing is counted from below the ground.
    entryHeightM: Math.max(0.1, heightM),
    ...(before && aircraft.sag && { packUsed: before.body.state[STATE.packUsed] }),
  };
  const going: GoingOn | undefined = before
    ? { from: before, frame: frameAhead(before), entryHeightM: heightM }
    : undefined;
  const asked = planned ?? askedOf(line, item, place, before, aircraft, settings, there);
  const sought = planned || item.kind === "join" ? [] : soughtOf(asked, item);
  const { recipe, problem } = going
    ? solveInTurn(asked, sought, aircraft, settings, there, going)
    : { recipe: asked, problem: null };
  return {
    item,
    place,
    recipe,
    problem,
    environment: there,
    going,
    flown: flyOn(recipe, aircraft, settings, there, { going, slips }),
  };
}

/** The recipe that an item asks for where it begins. */
function askedOf(
  line: Line,
  item: LineItem,
  place: Place,
  before: UnderWay | null,
  aircraft: Airframe,
  settings: Settings,
  there: Environment,
): Recipe {
  if (item.kind === "trick") {
    const own = recipeOf(item);
    // Only what is begun as by itself brings the wind that it asks for.
    const flown: Recipe = before ? { ...own, sideWindMps: undefined } : own;
    return item.anchor ? { ...flown, obstacles: [] } : flown;
  }
  const { join } = item;
  const anchor = join.kind === "round" ? line.anchors.find(({ id }) => id === join.anchorId) : undefined;
  const { vNorth, vEast } = STATE;
  const speedMps = before ? Math.hypot(before.body.state[vNorth], before.body.state[vEast]) : 0;
  const air = { heightM: there.siteElevationM, isaOffsetK: there.isaOffsetK };
  return joinRecipe(
    join,
    {
      speedMps,
      windAlongMps: there.windNorthMps,
      windAcrossMps: there.windEastMps,
      ...(anchor && { anchor: obstacleAt(anchor.obstacle, place) }),
    },
    aircraft,
    settings,
    air,
  );
}

/**
 * What a line begins with that does not begin as its first item does by itself: the trim of its own start, under way. Null where the first item is
 * begun as by itself.
 */
function begunElsewhere(
  line: Line,
  item: LineItem,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): UnderWay | null {
  const own = item.kind === "trick" ? recipeOf(item) : null;
  if (own && JSON.stringify(own.start) === JSON.stringify(line.start)) return null;
  return trimUnderWay({ start: line.start, parameters: own?.parameters ?? {} }, aircraft, settings, environment);
}

function stateIn(trace: Trace, i: number, headingDeg: number): LineState {
  const { yawDeg, pitchDeg, rollDeg } = toEuler({ w: trace.qw[i], x: trace.qx[i], y: trace.qy[i], z: trace.qz[i] });
  return {
    heightM: trace.heightM[i],
    speedMps: Math.hypot(trace.vNorthMps[i], trace.vEastMps[i], trace.climbMps[i]),
    climbMps: trace.climbMps[i],
    headingDeg: wrapDeg(yawDeg + headingDeg),
    pitchDeg,
    bankDeg: rollDeg,
    throttle: trace.stickThrottle[i],
  };
}
