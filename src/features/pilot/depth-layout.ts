import { families, findStep, needsOf, partsOf, skillOf, type Route, type Syllabus } from "@/syllabus";
import type { SoundedStep } from "./sounded";

/** One step on the chart: where its mark stands; its name is written to the right of it. */
export interface Sounding {
  readonly one: SoundedStep;
  readonly label: string;
  readonly stage: number;
  readonly x: number;
  readonly y: number;
  /** Width of mark and name together, as they are framed when the step is looked at; clear of the marks of the next column. */
  readonly frameWidth: number;
  /** Parts of the step, told by small marks under its name. */
  readonly parts: readonly SoundedStep[];
}

export interface Link {
  readonly from: string;
  readonly to: string;
  readonly path: string;
}

/** A stage as a band of the chart; the last one reaches to the bottom. */
export interface Band {
  readonly stage: number;
  readonly name: string;
  readonly top: number;
  readonly bottom: number;
  readonly path: string;
}

export interface DepthLayout {
  readonly width: number;
  readonly height: number;
  readonly columns: readonly {
    readonly id: string;
    readonly name: string;
    readonly x: number;
    readonly width: number;
  }[];
  readonly bands: readonly Band[];
  readonly soundings: readonly Sounding[];
  readonly links: readonly Link[];
  /** The depth reached in each column, as one line. */
  readonly contour: string;
}

const HEAD = 34;
const LEFT = 96;
const ROW = 25;
const PAD = 9;
/** Where the mark of a step stands in its column. */
const INSET = 11;
/** The contour bends between two columns, over this much of each: right of the names of the one, left of the marks of the other. */
const BEND = 5;
/** Width of a letter of a name, about, px. */
const LETTER = 5.5;
/** The same of a name that is being learnt, px. */
const BOLD_LETTER = 6.4;

/** Lays out a pilot's steps: a column for each family, a band for each stage, one row for each step of a cell, so that no two ever meet. */
export function depthLayout(
  syllabus: Syllabus,
  steps: readonly SoundedStep[],
  route: Route,
  width: number,
): DepthLayout {
  const standingOf = new Map(steps.map((one) => [one.stepId, one]));
  const whole = steps.flatMap((one) => {
    const step = findStep(syllabus, one.stepId);
    return step && (step.partOf === null || !standingOf.has(step.partOf)) ? [{ one, step }] : [];
  });
  const used = families.filter(({ id }) => whole.some(({ step }) => step.family === id));
  const columnWidth = (width - LEFT) / Math.max(1, used.length);
  const columns = used.map(({ id, name }, i) => ({ id, name, x: LEFT + i * columnWidth, width: columnWidth }));
  const stageOf = new Map(whole.map(({ step }) => [step.id, skillOf(syllabus, step).stage]));

  const soundings: Sounding[] = [];
  const bands: Band[] = [];
  let top = HEAD;
  syllabus.stages.forEach((name, stage) => {
    const own = whole.filter(({ step }) => stageOf.get(step.id) === stage);
    if (own.length === 0) return;
    const cells = columns.map(({ id }) => own.filter(({ step }) => step.family === id));
    const rows = Math.max(...cells.map((cell) => cell.length));
    const height = rows * ROW + 2 * PAD;
    cells.forEach((cell, column) =>
      cell.forEach(({ one, step }, row) => {
        const label = fitted(step.short, columnWidth - INSET - 14);
        soundings.push({
          one,
          label,
          frameWidth: Math.min(label.length * BOLD_LETTER + 28, columnWidth + 2),
          stage,
          x: columns[column].x + INSET,
          y: top + PAD + (row + 0.5) * ROW,
          parts: partsOf(syllabus, step).flatMap(({ id }) => standingOf.get(id) ?? []),
        });
      }),
    );
    bands.push({ stage, name, top, bottom: top + height, path: "" });
    top += height;
  });
  const at = new Map(soundings.map((sounding) => [sounding.one.stepId, sounding]));
  return {
    width,
    height: top + 6,
    columns,
    bands: bands.map((band, i) => ({
      ...band,
      path: bandPath(width, i === 0 ? null : band.top, top, band.stage),
    })),
    soundings,
    links: whole.flatMap(({ step }) =>
      needsOf(syllabus, step, route).flatMap((needed) => {
        const from = at.get(needed.id) ?? at.get(needed.partOf ?? "");
        const to = at.get(step.id);
        return from && to && from !== to ? [{ from: from.one.stepId, to: step.id, path: linkPath(from, to) }] : [];
      }),
    ),
    contour: contourPath(columns, soundings),
  };
}

/** A name cut to a width; the whole of it is read out and shown when looked at. */
function fitted(name: string, width: number): string {
  const most = Math.max(3, Math.floor(width / LETTER));
  return name.length <= most ? name : `${name.slice(0, most - 1)}…`;
}

/** From the wavy upper edge of a band down to the bottom: deeper bands are drawn over it. */
function bandPath(width: number, top: number | null, bottom: number, stage: number): string {
  const y = (x: number) =>
    top === null ? HEAD : top + 3 * Math.sin(x / 70 + 1.9 * stage) + 2 * Math.sin(x / 31 + stage);
  const points = Array.from({ length: 41 }, (_, i) => LEFT + (i * (width - LEFT)) / 40);
  return `M${points.map((x) => `${x.toFixed(1)} ${y(x).toFixed(1)}`).join("L")}L${width} ${bottom}L${LEFT} ${bottom}Z`;
}

function linkPath(from: Sounding, to: Sounding): string {
  if (from.x === to.x) return `M${from.x} ${from.y}L${to.x} ${to.y}`;
  const middle = (from.y + to.y) / 2;
  return `M${from.x} ${from.y}C${from.x} ${middle} ${to.x} ${middle} ${to.x} ${to.y}`;
}

/** Under the deepest signed-off step of each column, flat so that it runs between the rows and through no name; along the surface where none is. */
function contourPath(columns: DepthLayout["columns"], soundings: readonly Sounding[]): string {
  const depths = columns.map(({ x, width }) => {
    const signed = soundings.filter((one) => one.x >= x && one.x < x + width && one.one.state === "signed-off");
    return signed.length > 0 ? Math.max(...signed.map(({ y }) => y)) + ROW / 2 : HEAD;
  });
  return columns
    .map(({ x, width }, i) => {
      const y = depths[i];
      const end = x + width - BEND;
      if (i === 0) return `M${x} ${y}H${end}`;
      return `C${x} ${depths[i - 1]} ${x} ${y} ${x + BEND} ${y}H${i === columns.length - 1 ? x + width : end}`;
    })
    .join("");
}

/** The sounding next to one in a direction: nearest that lies more that way than across. Null at the edge. */
export function neighbour(soundings: readonly Sounding[], from: Sounding, dx: number, dy: number): Sounding | null {
  const ahead = soundings
    .map((one) => {
      const along = dx * (one.x - from.x) + dy * (one.y - from.y);
      const across = Math.abs(dx * (one.y - from.y)) + Math.abs(dy * (one.x - from.x));
      return { one, along, cost: along + 3 * across };
    })
    .filter(({ along }) => along > 1)
    .sort((a, b) => a.cost - b.cost);
  return ahead[0]?.one ?? null;
}
