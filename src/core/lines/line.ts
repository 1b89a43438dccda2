import { DomainError, requireNumber, requireOneOf } from "../numbers";
import { recipes, requireObstacle, withParameters, type Aim, type Obstacle, type Recipe, type Start } from "../recipes";

/** The stage of the first loops, from which on lines are flown. */
export const LINES_STAGE = 6;

/** What is flown between two tricks, by the pilot's eye. Degrees to the right are positive, metres up. */
export type Join =
  | { readonly kind: "on"; readonly m: number }
  | { readonly kind: "climb"; readonly m: number }
  | { readonly kind: "turn"; readonly deg: number }
  | { readonly kind: "speed"; readonly mps: number }
  | { readonly kind: "hover"; readonly s: number }
  | { readonly kind: "wait"; readonly s: number }
  /** Round an anchor, at the distance at which it is met. */
  | { readonly kind: "round"; readonly anchorId: string; readonly deg: number };

const anchorWays = ["over", "under", "through", "round", "past"] as const;
export type AnchorWay = (typeof anchorWays)[number];

export interface TrickItem {
  readonly kind: "trick";
  /** A recipe, or the id of a built-in one. */
  readonly recipe: Recipe | string;
  /** Set by hand; what is left out is worked out from the state that it begins in. */
  readonly parameters?: Readonly<Record<string, number>>;
  /** What it is flown at: in the place of what the recipe brings. */
  readonly anchor?: { readonly id: string; readonly how: AnchorWay };
}
export interface JoinItem {
  readonly kind: "join";
  readonly join: Join;
}
export type LineItem = TrickItem | JoinItem;

export interface Anchor {
  readonly id: string;
  /** Where it stands, m along and across the line of entry. */
  readonly obstacle: Obstacle;
}

/** Tricks and joins flown as one movement. */
export interface Line {
  readonly id: string;
  readonly label: string;
  readonly start: Start;
  /** m above the ground; the environment's where it is not said. */
  readonly entryHeightM?: number | null;
  /** Heading of the line of entry against north, ° to the right. */
  readonly headingDeg: number;
  readonly items: readonly LineItem[];
  readonly anchors: readonly Anchor[];
}

/** Nobody flies more in one movement. Ours. */
const MOST_ITEMS = 24;
const MOST_ANCHORS = 50;

const joinRanges = {
  on: { m: [0.5, 300] },
  climb: { m: [-60, 60] },
  turn: { deg: [-360, 360] },
  speed: { mps: [0, 40] },
  hover: { s: [0.2, 20] },
  wait: { s: [0.1, 20] },
  round: { deg: [-720, 720] },
} as const satisfies Record<Join["kind"], Readonly<Record<string, readonly [number, number]>>>;
const joinKinds = Object.keys(joinRanges) as Join["kind"][];

/** The numbers of a join and what they may be. */
const joinRange = (kind: Join["kind"]): Readonly<Record<string, readonly [number, number]>> => joinRanges[kind];

/** Returns the line when it can be flown at all, else throws a DomainError that names the item and the field. */
export function requireLine(line: Line): Line {
  const items: readonly LineItem[] | undefined = line?.items;
  if (!Array.isArray(items) || items.length === 0 || items.length > MOST_ITEMS)
    throw new DomainError("items", Array.isArray(items) ? items.length : items, `1 to ${MOST_ITEMS} items`, undefined, [
      1,
      MOST_ITEMS,
    ]);
  requireNumber("headingDeg", line.headingDeg, -360, 360);
  if (line.entryHeightM !== undefined && line.entryHeightM !== null)
    requireNumber("entryHeightM", line.entryHeightM, 0.1, 1000);
  if (!Array.isArray(line.anchors) || line.anchors.length > MOST_ANCHORS)
    throw new DomainError("anchors", line.anchors, `up to ${MOST_ANCHORS} anchors`);
  const anchors = new Set(
    line.anchors.map(({ id, obstacle }, i) => (requireObstacle(obstacle, `anchors[${i}].obstacle`), id)),
  );
  items.forEach((item, i) => {
    try {
      requireItem(item, `items[${i}]`, anchors);
    } catch (error) {
      throw namingItem(error, i);
    }
  });
  return line;
}

function requireItem(item: LineItem, name: string, anchors: ReadonlySet<string>): void {
  requireOneOf(`${name}.kind`, item?.kind, ["trick", "join"]);
  const known = (id: string, field: string) => {
    if (!anchors.has(id)) throw new DomainError(`${name}.${field}`, id, [...anchors].join(", ") || "no anchor");
  };
  if (item.kind === "trick") {
    recipeOf(item, name);
    if (item.anchor) {
      requireOneOf(`${name}.anchor.how`, item.anchor.how, anchorWays);
      known(item.anchor.id, "anchor.id");
    }
    return;
  }
  const { join } = item;
  requireOneOf(`${name}.join.kind`, join?.kind, joinKinds);
  for (const [field, [min, max]] of Object.entries(joinRange(join.kind)))
    requireNumber(`${name}.join.${field}`, (join as unknown as Record<string, unknown>)[field], min, max);
  if (join.kind === "round") known(join.anchorId, "join.anchorId");
}

/** The recipe of a trick, with what was set by hand. Throws a DomainError naming the item for an unknown one. */
export function recipeOf({ recipe, parameters = {} }: TrickItem, name = "recipe"): Recipe {
  const found: Recipe | undefined = typeof recipe === "string" ? recipes[recipe] : recipe;
  if (!found?.phases) throw new DomainError(`${name}.recipe`, recipe, "a recipe, or the id of a built-in one");
  return withParameters(found, parameters);
}

/** Values of a recipe's parameters by name. */
export const figuresOf = ({ parameters }: Recipe): Readonly<Record<string, number>> =>
  Object.fromEntries(Object.entries(parameters).map(([name, { value }]) => [name, value]));

/** What a trick works out for where it begins: all but what was set by hand. */
export const soughtOf = ({ solveFor }: Recipe, { parameters = {} }: TrickItem): readonly Aim[] =>
  solveFor.filter(({ param }) => !(param in parameters)).map(({ aim }) => aim);

/** The same error, with the item that it is about. */
export function namingItem(error: unknown, i: number): unknown {
  if (!(error instanceof DomainError) || error.field.startsWith("items[")) return error;
  return new DomainError(
    `items[${i}].${error.field}`,
    error.value,
    error.allowed,
    `item ${i + 1}: ${error.message}`,
    error.range,
  );
}
