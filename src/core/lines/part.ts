import { indexAt } from "../recipes";
import { wrapDeg } from "../numbers";
import type { LineFlight } from "./fly-line";
import type { Line } from "./line";
import { obstacleAt } from "./placed";

/** To half a metre and to 5°: nobody begins closer than that. */
const roundTo = (value: number, step: number) => step * Math.round(value / step);

/**
 * Some items of a line as a line of its own, begun as high and headed as they are met in a flight of the whole, which must have come so far; what they are
 * flown at stands where it stood to them.
 */
export function partOfLine(line: Line, { trace, items }: LineFlight, from: number, to: number): Line {
  const { fromS, entry } = items[from];
  const sample = indexAt(trace, fromS);
  const headingDeg = roundTo(entry.headingDeg, 5);
  const place = {
    northM: trace.northM[sample],
    eastM: trace.eastM[sample],
    headingDeg: wrapDeg(headingDeg - line.headingDeg),
    fromS: 0,
  };
  return {
    ...line,
    entryHeightM: roundTo(entry.heightM, 0.5),
    headingDeg,
    items: line.items.slice(from, to + 1),
    anchors: line.anchors.map(({ id, obstacle }) => ({ id, obstacle: obstacleAt(obstacle, place) })),
  };
}
