import { requireNumber } from "../numbers";

/** Where the sticks of a radio stand: roll right, pitch back and yaw right positive −1..1, throttle 0..1. */
export interface Sticks {
  readonly roll: number;
  readonly pitch: number;
  readonly yaw: number;
  readonly throttle: number;
  /** The switch that levels it by itself, whatever the modes of the settings; off if not said. */
  readonly levelled?: boolean;
}
export type StickAxis = Exclude<keyof Sticks, "levelled">;

/** The same at a time of the model, s since the try began. */
export interface StampedSticks extends Sticks {
  readonly timeS: number;
}

/** Throws a DomainError naming the stick that stands where none can. */
export function requireSticks(sticks: Sticks): Sticks {
  for (const axis of ["roll", "pitch", "yaw"] as const) requireNumber(`sticks.${axis}`, sticks?.[axis], -1, 1);
  requireNumber("sticks.throttle", sticks.throttle, 0, 1);
  return sticks;
}

/** Readings that lie behind are let go of once there are so many. */
const MOST_PASSED = 500;

/** The sticks over the time of the model: straight from one reading to the next, the first held from the start. */
export class StickLine {
  private readings: StampedSticks[] = [];
  /** The reading that was used last. */
  private at = 0;

  /** Until when the sticks are known, s. */
  get untilS(): number {
    return this.readings.at(-1)?.timeS ?? 0;
  }

  /** Takes a reading; one of the time of the last takes its place. Readings go on in time. */
  add(reading: StampedSticks): void {
    requireSticks(reading);
    const last = this.readings.at(-1);
    requireNumber("sticks.timeS", reading.timeS, last?.timeS ?? 0, Number.MAX_SAFE_INTEGER);
    if (last?.timeS === reading.timeS) this.readings.pop();
    this.readings.push(reading);
  }

  /** Begins again after a pause: what was read before says nothing of now. */
  restart(): void {
    this.readings = this.readings.slice(-1);
    this.at = 0;
  }

  /** Where the sticks stand at a time that does not go back. */
  read(timeS: number): Sticks {
    const { readings } = this;
    while (this.at + 1 < readings.length && readings[this.at + 1].timeS <= timeS) this.at++;
    if (this.at > MOST_PASSED) {
      readings.splice(0, this.at);
      this.at = 0;
    }
    const from = readings[this.at];
    const to = readings[this.at + 1];
    if (!to || timeS <= from.timeS) return from;
    const share = (timeS - from.timeS) / (to.timeS - from.timeS);
    const between = (a: number, b: number) => (a === b ? a : a + share * (b - a));
    return {
      roll: between(from.roll, to.roll),
      pitch: between(from.pitch, to.pitch),
      yaw: between(from.yaw, to.yaw),
      throttle: between(from.throttle, to.throttle),
      levelled: from.levelled,
    };
  }
}
