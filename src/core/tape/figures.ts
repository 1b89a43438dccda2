import type { Grid } from "./grid";
import { tapeAxes, type TapeAxis } from "./tape";

/** One movement: a stretch of turning between two of rest. Places are steps of the grid, angles degrees. */
export interface Move {
  readonly from: number;
  readonly to: number;
  /** Turned about the body axes, and about the vertical. */
  readonly turned: Readonly<Record<TapeAxis | "heading", number>>;
}

/** Movements that belong together: they begin and end the right way up. */
export interface Figure {
  readonly moves: readonly Move[];
  readonly from: number;
  readonly to: number;
}

/** Turning begins above, and is over below for a while. Estimates of ours. */
const ON_DPS = 80;
const OFF_DPS = 40;
const REST_S = 0.06;
/** Two movements nearer than this are one figure also upright: a stop is longer. */
const FLOWING_S = 0.1;
/** Not upright: between two movements the figure goes on. */
const UPRIGHT = 0.45;
/** It does not hang longer than this. */
const LONGEST_HANG_S = 8;

/** A trick among ordinary bends: what turns slower than these shares of its fastest is not of it. */
const QUICK_DPS = 300;
const ON_SHARE = 0.2;
const OFF_SHARE = 0.1;

/** Every figure of a recording, in order. */
export function figuresOf(grid: Grid): Figure[] {
  return joined(grid, movesOf(grid, 0, grid.count, ON_DPS, OFF_DPS)).flatMap((figure) => {
    const { from, to } = figure;
    let peak = 0;
    for (let i = from; i < to; i++) peak = Math.max(peak, sizeAt(grid, i));
    if (peak < QUICK_DPS) return [figure];
    return joined(
      grid,
      movesOf(grid, from, to, Math.max(ON_DPS, ON_SHARE * peak), Math.max(OFF_DPS, OFF_SHARE * peak)),
    );
  });
}

const sizeAt = ({ rate }: Grid, i: number) => Math.hypot(rate.roll[i], rate.pitch[i], rate.yaw[i]);

function joined(grid: Grid, moves: readonly Move[]): Figure[] {
  const figures: Figure[] = [];
  let open: Move[] = [];
  const close = () => {
    if (open.length > 0) figures.push({ moves: open, from: open[0].from, to: open[open.length - 1].to });
    open = [];
  };
  for (const move of moves) {
    const last = open.at(-1);
    if (last && !goesOn(grid, last, move)) close();
    open.push(move);
  }
  close();
  return figures;
}

function goesOn({ hz, down }: Grid, last: Move, next: Move): boolean {
  const restS = (next.from - last.to) / hz;
  if (restS <= FLOWING_S) return true;
  return restS <= LONGEST_HANG_S && down[Math.floor((last.to + next.from) / 2)] < UPRIGHT;
}

function movesOf(grid: Grid, first: number, end: number, onDps: number, offDps: number): Move[] {
  const rest = Math.max(1, Math.round(REST_S * grid.hz));
  const moves: Move[] = [];
  let from = -1;
  let quiet = 0;
  for (let i = first; i < end; i++) {
    const size = sizeAt(grid, i);
    if (from < 0) {
      if (size >= onDps) from = i;
      continue;
    }
    quiet = size < offDps ? quiet + 1 : 0;
    if (quiet >= rest || i === end - 1) {
      moves.push(moveOf(grid, begun(grid, from, moves.at(-1)?.to ?? first), i - quiet + 1));
      from = -1;
      quiet = 0;
    }
  }
  return moves;
}

/** Back from where it turns fast to where it began, or turned least. */
function begun(grid: Grid, from: number, earliest: number): number {
  let i = from;
  while (i > earliest && sizeAt(grid, i - 1) > OFF_DPS / 4 && sizeAt(grid, i - 1) < sizeAt(grid, i)) i--;
  return i;
}

export function moveOf(grid: Grid, from: number, to: number): Move {
  const turned = { roll: 0, pitch: 0, yaw: 0, heading: 0 };
  for (let i = from; i < to; i++) {
    for (const axis of tapeAxes) turned[axis] += grid.rate[axis][i] / grid.hz;
    turned.heading += grid.heading[i] / grid.hz;
  }
  return { from, to, turned };
}

/** The axis that turned most. */
export const mainAxis = ({ turned }: Pick<Move, "turned">): TapeAxis =>
  tapeAxes.reduce((a, b) => (Math.abs(turned[b]) > Math.abs(turned[a]) ? b : a));
