import { gridOf } from "./grid";
import type { Tape } from "./tape";

const STEADY_DPS = 30;
const STEADY_S = 3;
const FLYING = 0.05;

/**
 * The throttle of steady flight, as the stick stands: the median over stretches of three seconds and more in which nothing turns faster than 30 °/s, upright, and
 * their share of the time in which the throttle is open. Null where there is no such stretch.
 */
export function cruiseOf(tape: Tape): { readonly throttle: number; readonly share: number } | null {
  const { hz, count, rate, stick, down } = gridOf(tape);
  const steady: number[] = [];
  let [from, flying] = [0, 0];
  for (let i = 0; i <= count; i++) {
    if (i < count && stick.throttle[i] > FLYING) flying++;
    const quiet =
      i < count &&
      stick.throttle[i] > FLYING &&
      down[i] > 0.5 &&
      Math.hypot(rate.roll[i], rate.pitch[i], rate.yaw[i]) < STEADY_DPS;
    if (quiet) continue;
    if (i - from >= STEADY_S * hz) for (let k = from; k < i; k++) steady.push(stick.throttle[k]);
    from = i + 1;
  }
  if (steady.length === 0) return null;
  const throttle = Float32Array.from(steady).sort()[Math.floor(steady.length / 2)];
  return { throttle, share: steady.length / flying };
}
