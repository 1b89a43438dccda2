import { scaleLinear } from "d3-scale";
import { turnedLevel, type LineItem } from "@/core";
import type { LineDocument, LineSheet } from "@/contract";
import { place, plain, scaleBar } from "@/ui/paper/svg-parts";
import { tokens } from "@/ui/theme/tokens";
import { capital, quantityText, type UnitSystem } from "@/words";
import { trickNumbers } from "./numbered";

const { ink, inkSoft, rule, shoal, buoyText, depths } = tokens.light;
/** Of what is drawn across the page, points. */
export const PAPER_WIDTH = 511;

const svg = (width: number, height: number, inside: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${inside}</svg>`;
const polyline = (points: readonly (readonly [number, number])[], look: string) =>
  `<polyline points="${points.map(([x, y]) => `${place(x)},${place(y)}`).join(" ")}" fill="none" ${look}/>`;
const label = (x: number, y: number, text: string, more = "") =>
  `<text x="${place(x)}" y="${place(y)}" font-family="Words" font-size="8" fill="${ink}" ${more}>${text}</text>`;
const numberMark = (x: number, y: number, number: number) =>
  `<circle cx="${place(x)}" cy="${place(y)}" r="6.5" fill="${ink}"/>${label(x, y + 2.8, String(number), `text-anchor="middle" fill="#fff" style="fill:#fff"`)}`;
const upTo = (timeS: readonly number[], atS: number) => Math.max(1, timeS.filter((s) => s <= atS).length);

/** Height over the way, the tricks by number. */
export function profileSvg(
  asked: readonly LineItem[],
  { samples, items, ceilingM }: LineSheet,
  units: UnitSystem,
): string {
  const HEIGHT = 130;
  const { wayM, heightM, timeS } = samples;
  const topM = Math.max(...heightM, ceilingM !== null && ceilingM < 60 ? ceilingM : 0) * 1.06 + 0.5;
  const x = scaleLinear([0, Math.max(1, wayM.at(-1)!)], [34, PAPER_WIDTH - 4]);
  const y = scaleLinear([0, topM], [HEIGHT - 18, 8]);
  const perUnit = units === "metric" ? 1 : 0.3048;
  const numbers = trickNumbers(asked);
  const grid = scaleLinear([0, topM / perUnit], [0, 1])
    .ticks(4)
    .map((tick) => tick * perUnit)
    .map(
      (m) =>
        `<path d="M34 ${place(y(m))}H${PAPER_WIDTH - 4}" stroke="${rule}" stroke-width="0.5"/>${label(30, y(m) + 3, plain(quantityText(m, "length", units, 0)), 'text-anchor="end"')}`,
    );
  const tricks = items.map(({ fromS, toS }, i) => {
    const number = numbers[i];
    if (number === null) return "";
    const [from, to] = [upTo(timeS, fromS) - 1, upTo(timeS, toS)];
    const own = wayM.slice(from, to).map((m, k) => [x(m), y(heightM[from + k])] as const);
    const area = [[own[0][0], y(0)] as const, ...own, [own[own.length - 1][0], y(0)] as const];
    const points = area.map(([px, py]) => `${place(px)},${place(py)}`).join(" ");
    const middle = 0.5 * (own[0][0] + own[own.length - 1][0]);
    return `<polygon points="${points}" fill="${depths[1 + (number % 2)]}"/>${numberMark(middle, HEIGHT - 8, number)}`;
  });
  const limit =
    ceilingM !== null && ceilingM <= topM
      ? `<path d="M34 ${place(y(ceilingM))}H${PAPER_WIDTH - 4}" stroke="${buoyText}" stroke-dasharray="5 3"/>${label(PAPER_WIDTH - 6, y(ceilingM) - 3, `site limit ${plain(quantityText(ceilingM, "length", units, 0))}`, 'text-anchor="end"')}`
      : "";
  const path = polyline(
    wayM.map((m, i) => [x(m), y(heightM[i])] as const),
    `stroke="${ink}" stroke-width="1.6"`,
  );
  return svg(PAPER_WIDTH, HEIGHT, `${grid.join("")}${tricks.join("")}${path}${limit}`);
}

/** The line from above, north up, with what it is flown at. */
export function planSvg(
  { headingDeg, items: asked, anchors }: LineDocument["line"],
  sheet: LineSheet,
  units: UnitSystem,
): string {
  const [W, H] = [250, 150];
  const { northM, eastM, timeS } = sheet.samples;
  const points = northM.map((along, i) => turnedLevel(headingDeg, along, eastM[i]));
  const stands = anchors.map(({ id, obstacle }) => ({
    id,
    at: turnedLevel(headingDeg, obstacle.alongM, obstacle.acrossM),
  }));
  const all = [...points, ...stands.map(({ at }) => at)];
  const [south, north] = [Math.min(...all.map(([n]) => n)) - 3, Math.max(...all.map(([n]) => n)) + 3];
  const [west, east] = [Math.min(...all.map(([, e]) => e)) - 3, Math.max(...all.map(([, e]) => e)) + 3];
  const scale = Math.min((W - 24) / (east - west), (H - 24) / (north - south));
  const at = ([n, e]: readonly [number, number]) =>
    [W / 2 + scale * (e - 0.5 * (west + east)), H / 2 - scale * (n - 0.5 * (south + north))] as const;
  const numbers = trickNumbers(asked);
  const marks = sheet.items.map(({ fromS, toS }, i) => {
    const number = numbers[i];
    if (number === null) return "";
    const [from, to] = [upTo(timeS, fromS) - 1, upTo(timeS, toS)];
    const [mx, my] = at(points[upTo(timeS, 0.5 * (fromS + toS)) - 1]);
    return `${polyline(points.slice(from, to).map(at), `stroke="${shoal}" stroke-width="3"`)}${numberMark(mx, my, number)}`;
  });
  const things = stands.map(({ id, at: where }) => {
    const [ax, ay] = at(where);
    return `<rect x="${place(ax - 4)}" y="${place(ay - 2)}" width="8" height="4" fill="${ink}"/>${label(ax + 6, ay - 3, id)}`;
  });
  const { m, text } = scaleBar(scale, 70, units);
  const bar = `<path d="M${W - 8} ${H - 8}h${place(-scale * m)}" stroke="${ink}"/>${label(W - 8, H - 11, text, 'text-anchor="end"')}`;
  const compass = `<path d="M12 24V8m-3 4l3 -4l3 4" stroke="${ink}" fill="none"/>${label(12, 33, "N", 'text-anchor="middle"')}`;
  const frame = `<rect x="0.5" y="0.5" width="${W - 1}" height="${H - 1}" fill="none" stroke="${ink}"/>`;
  return svg(
    W,
    H,
    `${frame}${polyline(points.map(at), `stroke="${ink}" stroke-width="1.4"`)}${marks.join("")}${things.join("")}${compass}${bar}`,
  );
}

const STICKS = ["throttle", "roll", "pitch", "yaw"] as const;

/** Each stick as a strip over time, the tricks marked along it. */
export function sticksSvg(asked: readonly LineItem[], { samples, items }: LineSheet): string {
  const ROW = 26;
  const x = scaleLinear([0, samples.timeS.at(-1)!], [50, PAPER_WIDTH - 4]);
  const numbers = trickNumbers(asked);
  const strips = STICKS.map((stick, row) => {
    const top = 4 + row * ROW;
    const low = stick === "throttle" ? 0 : -1;
    const y = scaleLinear([low, 1], [top + ROW - 5, top + 1]);
    const zero = `<path d="M50 ${place(y(0))}H${PAPER_WIDTH - 4}" stroke="${rule}" stroke-width="0.5"/>`;
    const path = polyline(
      samples.timeS.map((s, i) => [x(s), y(samples[stick][i])] as const),
      `stroke="${ink}" stroke-width="1"`,
    );
    return `${zero}${path}${label(2, top + ROW / 2 + 2, capital(stick))}`;
  });
  const bottom = 4 + STICKS.length * ROW;
  const marks = items.map(({ fromS, toS }, i) => {
    const number = numbers[i];
    if (number === null) return "";
    const middle = x(0.5 * (fromS + toS));
    return `<path d="M${place(x(fromS))} 2V${bottom}M${place(x(toS))} 2V${bottom}" stroke="${inkSoft}" stroke-width="0.5" stroke-dasharray="2 2"/>${numberMark(middle, bottom + 7, number)}`;
  });
  return svg(PAPER_WIDTH, bottom + 16, `${marks.join("")}${strips.join("")}`);
}
