import { DomainError, requireNumber, requireWhole } from "../numbers";
import { COMMAND_SIZE, STATE_SIZE } from "../flight";
import { LONGEST_TRY_S, requireObstacle, STEP_S, type Obstacle } from "../recipes";

/**
 * Steps in which commanded rates (rad/s), thrust and sticks are given: far below what hands or a radio tell apart, and whole in binary, so that a record is
 * short and nothing of it is lost.
 */
export const RATE_STEP = 2 ** -16;
export const THRUST_STEP = 2 ** -20;
export const STICK_STEP = 2 ** -15;

/** The nearest whole number of steps; nought without a sign. */
export const inSteps = (value: number, step: number): number => Math.round(value / step) * step + 0;

/** A try as it is kept: with the aircraft, the settings and the air it flies again to the last bit. */
export interface PracticeRecord {
  readonly version: 1;
  readonly drillId: string;
  readonly stepS: number;
  /** The state vector it began with. */
  readonly start: readonly number[];
  readonly obstacles: readonly Obstacle[];
  /** Steps flown. */
  readonly steps: number;
  /** Commanded body rates (rad/s) and thrust fraction, in their steps, at the start and at the end of every step: 4 × (steps + 1) numbers. */
  readonly commands: Float64Array;
  /** Roll, pitch, yaw and throttle at the same times, for what is told from the sticks. */
  readonly sticks: Float32Array;
  /** When the switch that levels it was thrown, s; left out where it never was. */
  readonly switched?: readonly Switched[];
}

/** The switch that levels it, thrown. */
export interface Switched {
  readonly timeS: number;
  readonly on: boolean;
}

/** Throws a DomainError naming what of a record can't be. */
export function requireRecord(record: PracticeRecord): PracticeRecord {
  if (record?.version !== 1) throw new DomainError("record.version", record?.version, "1");
  requireNumber("record.stepS", record.stepS, STEP_S, STEP_S);
  requireWhole("record.steps", record.steps, 0, Math.round(LONGEST_TRY_S / STEP_S));
  const numbers = (name: "start" | "commands" | "sticks", length: number) => {
    const list = record[name];
    if (list?.length !== length) throw new DomainError(`record.${name}`, list?.length, `${length} numbers`);
    for (let i = 0; i < length; i++)
      if (!Number.isFinite(list[i])) throw new DomainError(`record.${name}[${i}]`, list[i], "a finite number");
  };
  numbers("start", STATE_SIZE);
  numbers("commands", COMMAND_SIZE * (record.steps + 1));
  numbers("sticks", COMMAND_SIZE * (record.steps + 1));
  record.switched?.forEach(({ timeS }, i) => requireNumber(`record.switched[${i}].timeS`, timeS, 0, LONGEST_TRY_S));
  record.obstacles.forEach((one, i) => requireObstacle(one, `record.obstacles[${i}]`));
  return record;
}

/** Numbers that are added to one row at a time. */
export class Rows<List extends Float64Array | Float32Array> {
  private rows = 0;

  constructor(
    private list: List,
    private readonly make: (length: number) => List,
    private readonly width: number,
  ) {}

  add(row: ArrayLike<number>): void {
    if ((this.rows + 1) * this.width > this.list.length) {
      const longer = this.make(2 * this.list.length);
      longer.set(this.list);
      this.list = longer;
    }
    this.list.set(row, this.rows * this.width);
    this.rows++;
  }

  /** The first so many rows, of their own. */
  take(rows: number): List {
    return this.list.slice(0, rows * this.width) as List;
  }
}
