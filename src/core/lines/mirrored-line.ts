import { mirrored, recipes, type Recipe } from "../recipes";
import { recipeOf, type Join, type Line, type LineItem } from "./line";

/** The line to the other side: left for right in every trick, turn, anchor and heading. */
export function mirroredLine(line: Line): Line {
  return {
    ...line,
    headingDeg: minus(line.headingDeg),
    items: line.items.map(mirroredItem),
    anchors: line.anchors.map(({ id, obstacle }) => ({
      id,
      obstacle: {
        ...obstacle,
        acrossM: minus(obstacle.acrossM),
        ...(obstacle.turnedDeg !== undefined && { turnedDeg: minus(obstacle.turnedDeg) }),
      },
    })),
    start: mirroredTrick({ ...EMPTY, start: line.start }).start,
  };
}

const minus = (value: number) => (value === 0 ? 0 : -value);
const EMPTY = { id: "", label: "", parameters: {}, phases: [], turn: null, solveFor: [], abort: [], slip: {} } as const;

function mirroredItem(item: LineItem): LineItem {
  if (item.kind === "join") return { ...item, join: mirroredJoin(item.join) };
  if (typeof item.recipe !== "string") return { ...item, recipe: mirroredTrick(item.recipe) };
  const other = item.recipe.replace(/-(right|left)$/, (_, side) => (side === "right" ? "-left" : "-right"));
  return { ...item, recipe: other in recipes ? other : mirroredTrick(recipeOf({ ...item, parameters: {} })) };
}

function mirroredJoin(join: Join): Join {
  return join.kind === "turn" || join.kind === "round" ? { ...join, deg: minus(join.deg) } : join;
}

const mirroredTrick = (recipe: Recipe) => mirrored(recipe, ["roll", "yaw"], recipe.id, recipe.label);
