import type { Figure } from "./figures";
import type { Grid } from "./grid";

/** Turned round once more or less, ever the same way, at no less than this. Estimates of ours. */
const ROUND_DEG = 300;
const LEAST_DPS = 12;
const PAUSE_S = 0.6;
const PUNCH = 0.8;
const PUNCH_S = 0.35;

/** Stretches in which the aircraft turns round its circle without a stop, too slowly for a figure. */
export function steadyTurns({ hz, heading, count }: Grid): Figure[] {
  const turns: Figure[] = [];
  let [from, last, side, turned] = [0, 0, 0, 0];
  const close = () => {
    if (Math.abs(turned) >= ROUND_DEG) turns.push({ moves: [], from, to: last + 1 });
    turned = 0;
  };
  for (let i = 0; i < count; i++) {
    const now = Math.abs(heading[i]) < LEAST_DPS ? 0 : Math.sign(heading[i]);
    if (now !== 0 && now !== side) {
      close();
      [from, side] = [i, now];
    }
    if (now === 0 && i - last > PAUSE_S * hz) {
      close();
      [from, side] = [i, 0];
    }
    if (now === 0) continue;
    last = i;
    turned += heading[i] / hz;
  }
  close();
  return turns;
}

/** Stretches at nearly full throttle. */
export function punchesOf({ hz, stick: { throttle }, count }: Grid): Figure[] {
  const punches: Figure[] = [];
  let from = -1;
  for (let i = 0; i <= count; i++) {
    if (i < count && throttle[i] >= PUNCH) {
      if (from < 0) from = i;
      continue;
    }
    if (from >= 0 && i - from >= PUNCH_S * hz) punches.push({ moves: [], from, to: i });
    from = -1;
  }
  return punches;
}
