import {
  lineStyles,
  partOfLine,
  requireLine,
  type Join,
  type Line,
  type LineItem,
  type LineStyle,
  type Obstacle,
} from "@/core";
import type { LineCopy, LineDocument, LinePart } from "@/contract";
import { wholeRecipe } from "./repertoire";
import type { FlownLine } from "./line-worker";

/** A line as it is being put together. */
export interface LineDraft {
  readonly name: string;
  readonly style: LineStyle | null;
  readonly siteId: string | null;
  readonly line: LineDocument["line"];
  /** Absent from what earlier versions kept on a device. */
  readonly copy?: LineCopy | null;
}

/** Where what is changed, or begun out of something, waits on the device until it is kept. */
export const draftKey = (lineId: string | null, begunFrom: string | null): string =>
  lineId !== null ? `bathygon-line-${lineId}` : `bathygon-line-new${begunFrom ? `-${begunFrom.slice(0, 80)}` : ""}`;

/** Start height this height where nothing else is known, m. */
const USUAL_HEIGHT_M = 15;

/** A line with nothing in it yet. */
export const emptyDraft = (siteId: string | null, ceilingM: number | null): LineDraft => ({
  name: "",
  style: null,
  siteId,
  line: {
    start: { kind: "cruise" },
    entryHeightM:
      ceilingM === null ? USUAL_HEIGHT_M : Math.min(USUAL_HEIGHT_M, Math.max(2, Math.round(0.6 * ceilingM))),
    headingDeg: 0,
    items: [],
    anchors: [],
  },
});

/** What the device kept may be of another version of the program, or no line at all. */
export function isWholeDraft(kept: unknown): kept is LineDraft {
  try {
    const { name, style, siteId, line } = kept as LineDraft;
    if (line.items.length > 0) requireLine({ id: "kept", label: name, ...line });
    return (
      typeof name === "string" &&
      (style === null || lineStyles.includes(style)) &&
      (siteId === null || typeof siteId === "string") &&
      Array.isArray(line.items) &&
      Array.isArray(line.anchors) &&
      line.start !== undefined
    );
  } catch {
    return false;
  }
}

/** A line begins as its first trick does by itself; one that begins with a join as it did before. */
function withItems(draft: LineDraft, items: readonly LineItem[]): LineDraft {
  const [first] = items;
  const start = first?.kind === "trick" ? wholeRecipe(first.recipe).start : draft.line.start;
  return { ...draft, line: { ...draft.line, start, items } };
}

/** Items put in before the one at a place, or at the end. */
export function withInserted(draft: LineDraft, at: number, items: readonly LineItem[]): LineDraft {
  const { items: old } = draft.line;
  return withItems(draft, [...old.slice(0, at), ...items, ...old.slice(at)]);
}

export const withoutItem = (draft: LineDraft, at: number): LineDraft =>
  withItems(
    draft,
    draft.line.items.filter((_, i) => i !== at),
  );

export function withMoved(draft: LineDraft, from: number, to: number): LineDraft {
  const items = [...draft.line.items];
  const [moved] = items.splice(from, 1);
  items.splice(to, 0, moved);
  return withItems(draft, items);
}

export const withItem = (draft: LineDraft, at: number, item: LineItem): LineDraft =>
  withItems(
    draft,
    draft.line.items.map((one, i) => (i === at ? item : one)),
  );

/** Joins put in before an item. */
export const withJoinsBefore = (draft: LineDraft, at: number, joins: readonly Join[]): LineDraft =>
  withInserted(
    draft,
    at,
    joins.map((join) => ({ kind: "join", join })),
  );

/** Two tricks and what is between them, as a line of its own, as it is met in a flight of the whole; null for what no trick leads into. */
export function pairOf(draft: LineDraft, item: number, { line, flight }: FlownLine): LineDraft | null {
  const { items } = draft.line;
  const before = items
    .slice(0, item)
    .map(({ kind }) => kind)
    .lastIndexOf("trick");
  if (before < 0 || items[item]?.kind !== "trick" || !flight.items[before]) return null;
  const { entryHeightM, headingDeg, anchors } = partOfLine(line, flight, before, item);
  const part = { ...draft.line, entryHeightM, headingDeg, anchors };
  return { ...withItems({ ...draft, line: part }, items.slice(before, item + 1)), name: "", copy: null };
}

export const withAnchors = (draft: LineDraft, anchors: LineDraft["line"]["anchors"]): LineDraft => ({
  ...draft,
  line: { ...draft.line, anchors },
});

/** An invented line taken up: what was worked out for it is worked out again wherever it is begun. */
export function takenUp(draft: LineDraft, { items, anchors, headingDeg }: Line): LineDraft {
  const asTricks = items.map((item): LineItem => {
    if (item.kind === "join") return item;
    const { parameters: _, ...trick } = item;
    return trick;
  });
  // What comes out of a copy is a line of its own, to be named.
  const own = draft.copy ? { ...draft, name: "", copy: null } : draft;
  return withItems({ ...own, line: { ...draft.line, anchors, headingDeg } }, asTricks);
}

/** A join to begin with, of each kind. */
export const usualJoins: Readonly<Record<Join["kind"], (anchorId: string) => Join>> = {
  on: () => ({ kind: "on", m: 10 }),
  climb: () => ({ kind: "climb", m: 5 }),
  turn: () => ({ kind: "turn", deg: 90 }),
  speed: () => ({ kind: "speed", mps: 8 }),
  hover: () => ({ kind: "hover", s: 1 }),
  wait: () => ({ kind: "wait", s: 0.5 }),
  round: (anchorId) => ({ kind: "round", anchorId, deg: 180 }),
};

/** Sizes that something to fly at begins with. Estimates of ours. */
export const usualAnchors: Readonly<Record<"pole" | "bar" | "gap" | "wall" | "tree", Obstacle>> = {
  pole: { kind: "pole", alongM: 30, acrossM: 0, heightM: 6, widthM: 0.2 },
  bar: { kind: "bar", alongM: 30, acrossM: 0, heightM: 2.5, widthM: 4 },
  gap: { kind: "gap", alongM: 30, acrossM: 0, heightM: 6, widthM: 2 },
  wall: { kind: "wall", alongM: 40, acrossM: 0, heightM: 3, widthM: 10 },
  tree: { kind: "tree", alongM: 30, acrossM: 4, heightM: 8, widthM: 5 },
};

/** What goes out as a file, and to be kept. */
export const documentOf = ({ name, style, line, copy }: LineDraft): LineDocument => ({
  format: "bathygon-line",
  version: 1,
  name: name.trim(),
  style,
  line,
  ...(copy && { copy: { ...copy, parts: namedParts(copy.parts) } }),
});

/** A part that nobody has named yet is none. */
const namedParts = (parts: readonly LinePart[]) =>
  parts.map(({ id, name }) => ({ id, name: name.trim() })).filter(({ name }) => name !== "");
