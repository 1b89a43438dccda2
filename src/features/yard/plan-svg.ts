import { mean, planShapes, type PlannedCourse, type PlanPoint, type SitePlan } from "@/core";
import { place, scaleBar } from "@/ui/paper/svg-parts";
import { tokens } from "@/ui/theme/tokens";
import type { UnitSystem } from "@/words";
import { flownCourse } from "./edits";

const { ink, rule, shoal, buoyText, ochre, ochreText, depths } = tokens.light;
/** Of the drawing, points. */
export const PLAN_WIDTH = 511;
const PLAN_HEIGHT = 330;
const EDGE = 26;

const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (sign) => `&${{ "&": "amp", "<": "lt", ">": "gt", '"': "quot" }[sign]};`);

/** A plan with one of its courses, to scale, north as on the screen. Names are escaped. */
export function planSvg({ features, northDeg }: SitePlan, course: PlannedCourse, units: UnitSystem): string {
  const pegs = course.pegs ?? [];
  const all: readonly PlanPoint[] = [...features.flatMap(({ points }) => points), ...course.poles, ...pegs];
  const [east, north] = [all.map(({ eastM }) => eastM), all.map(({ northM }) => northM)];
  const [west, south] = [Math.min(...east), Math.min(...north)];
  const [width, height] = [Math.max(10, Math.max(...east) - west), Math.max(10, Math.max(...north) - south)];
  const scale = Math.min((PLAN_WIDTH - 2 * EDGE) / width, (PLAN_HEIGHT - 2 * EDGE) / height);
  const at = ({ eastM, northM }: PlanPoint) =>
    [
      place(PLAN_WIDTH / 2 + scale * (eastM - west - width / 2)),
      place(PLAN_HEIGHT / 2 - scale * (northM - south - height / 2)),
    ] as const;
  const path = (points: readonly PlanPoint[]) => points.map((point) => at(point).join(",")).join(" ");
  const label = (point: PlanPoint, text: string, down = 12) => {
    const [x, y] = at(point);
    return text === ""
      ? ""
      : `<text x="${x}" y="${y + down}" font-family="Words" font-size="8" fill="${ink}" text-anchor="middle">${escaped(text)}</text>`;
  };
  const looks: Readonly<Record<string, string>> = {
    boundary: `fill="none" stroke="${ink}" stroke-width="1.4" stroke-dasharray="6 4"`,
    "no-go": `fill="none" stroke="${buoyText}" stroke-width="1.2"`,
    ground: `fill="none" stroke="${rule}" stroke-width="0.8"`,
    water: `fill="${depths[2]}" stroke="${depths[5]}" stroke-width="0.8"`,
    building: `fill="${rule}" stroke="${ink}"`,
    people: `stroke="${ink}" stroke-width="2"`,
    road: `stroke="${ink}" stroke-width="1.6" stroke-dasharray="2 4"`,
  };
  const things = features.map(({ kind, points, ground, name }) => {
    const look = looks[ground === "water" ? "water" : kind] ?? `stroke="${ink}" stroke-width="2"`;
    const middle = { eastM: mean(points.map((p) => p.eastM)), northM: mean(points.map((p) => p.northM)) };
    if (planShapes[kind] === "area") return `<polygon points="${path(points)}" ${look}/>${label(middle, name, 3)}`;
    if (planShapes[kind] === "line")
      return `<polyline points="${path(points)}" fill="none" ${look}/>${label(middle, name)}`;
    const [x, y] = at(points[0]);
    return `<circle cx="${x}" cy="${y}" r="2.6" fill="${ink}"/>${label(points[0], name || (kind === "stand" || kind === "landing" ? kind : ""))}`;
  });
  const poles = new Map(course.poles.map((pole) => [pole.id, pole]));
  const legs = flownCourse(course).legs.map(
    ({ from, to }) =>
      `<polyline points="${path([poles.get(from)!, poles.get(to)!])}" fill="none" stroke="${shoal}" stroke-width="1.6"/>`,
  );
  const marks = course.poles.map((pole) => {
    const [x, y] = at(pole);
    return `<circle cx="${x}" cy="${y}" r="7" fill="#fff" stroke="${ink}" stroke-width="1.2"/>${label(pole, pole.id, 2.8)}`;
  });
  const base = pegs.map((peg, i) => {
    const [x, y] = at(peg);
    return `<rect x="${x - 4}" y="${y - 4}" width="8" height="8" fill="${ochre}" stroke="${ink}"/>${label(peg, i === 0 ? "A" : "B", 14)}`;
  });
  const line =
    pegs.length === 2 ? `<polyline points="${path(pegs)}" stroke="${ochreText}" stroke-width="1.6" fill="none"/>` : "";
  const { m, text } = scaleBar(scale, 90, units);
  const bar = `<path d="M${PLAN_WIDTH - 12} ${PLAN_HEIGHT - 10}h${place(-scale * m)}" stroke="${ink}" stroke-width="1.4"/><text x="${PLAN_WIDTH - 12}" y="${PLAN_HEIGHT - 14}" font-family="Words" font-size="8" fill="${ink}" text-anchor="end">${text}</text>`;
  const compass = `<g transform="rotate(${-northDeg} 20 24)"><path d="M20 34V12m-4 6l4 -6l4 6" stroke="${ink}" fill="none"/></g><text x="20" y="46" font-family="Words" font-size="8" fill="${ink}" text-anchor="middle">N</text>`;
  const frame = `<rect x="0.5" y="0.5" width="${PLAN_WIDTH - 1}" height="${PLAN_HEIGHT - 1}" fill="none" stroke="${ink}"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${PLAN_WIDTH} ${PLAN_HEIGHT}">${things.join("")}${frame}${line}${legs.join("")}${base.join("")}${marks.join("")}${compass}${bar}</svg>`;
}
