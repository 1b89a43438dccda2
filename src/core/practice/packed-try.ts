import { requireAirframe, type Airframe } from "../airframe";
import { COMMAND_SIZE, requireSettings, type Settings } from "../flight";
import { DomainError } from "../numbers";
import { requireEnvironment, type Environment } from "../recipes";
import { requireTask, type Drill } from "./drill";
import { RATE_STEP, requireRecord, STICK_STEP, THRUST_STEP, type PracticeRecord } from "./record";

/** A try with everything it needs to be flown again and to be judged again. */
export interface KeptTry {
  readonly record: PracticeRecord;
  readonly drill: Drill;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
}

/** What stands before the columns, as JSON: numbers of JSON come back to the last bit. */
type Head = Omit<KeptTry, "record"> & { readonly record: Omit<PracticeRecord, "commands" | "sticks"> };

/** A head is no longer than this, bytes: 64 obstacles and a long recipe are a tenth of it. Ours. */
const LONGEST_HEAD = 400_000;
const COLUMN_STEPS = [RATE_STEP, RATE_STEP, RATE_STEP, THRUST_STEP, STICK_STEP, STICK_STEP, STICK_STEP, STICK_STEP];

/**
 * A try as bytes: the length of its head, the head, then the four commands and the four sticks column by column, each as the change of its change in steps of
 * 2⁻ⁿ, zigzag and in groups of seven bits (as in Protocol Buffers, "Encoding"). Nothing of it is lost. Throws a DomainError for what stands between two steps.
 */
export function packTry({ record, ...rest }: KeptTry): Uint8Array<ArrayBuffer> {
  const { commands, sticks, ...start } = requireRecord(record);
  const head: Head = { ...rest, record: start };
  const text = new TextEncoder().encode(JSON.stringify(head));
  const out = new Bytes();
  out.unsigned(text.length);
  out.all(text);
  COLUMN_STEPS.forEach((step, column) => {
    const [name, from] = column < COMMAND_SIZE ? (["commands", commands] as const) : (["sticks", sticks] as const);
    let [last, change] = [0, 0];
    for (let row = 0; row <= record.steps; row++) {
      const at = row * COMMAND_SIZE + (column % COMMAND_SIZE);
      const whole = from[at] / step;
      if (!Number.isSafeInteger(whole)) throw new DomainError(`record.${name}[${at}]`, from[at], `steps of ${step}`);
      const now = whole - last;
      const second = now - change;
      out.unsigned(second < 0 ? -2 * second - 1 : 2 * second);
      [last, change] = [whole, now];
    }
  });
  return out.taken();
}

/** The try that was packed, to the last bit. Throws a DomainError for bytes that are none. */
export function unpackTry(bytes: Uint8Array): KeptTry {
  const from = new Reading(bytes);
  const head = headOf(from.some(from.unsigned(LONGEST_HEAD)));
  const { steps } = head.record;
  const rows = requireRows(steps, bytes.length);
  const commands = new Float64Array(COMMAND_SIZE * rows);
  const sticks = new Float32Array(COMMAND_SIZE * rows);
  COLUMN_STEPS.forEach((step, column) => {
    const to = column < COMMAND_SIZE ? commands : sticks;
    let [last, change] = [0, 0];
    for (let row = 0; row < rows; row++) {
      const zigzag = from.unsigned(Number.MAX_SAFE_INTEGER);
      change += zigzag % 2 === 1 ? -(zigzag + 1) / 2 : zigzag / 2;
      last += change;
      to[row * COMMAND_SIZE + (column % COMMAND_SIZE)] = last * step;
    }
  });
  from.requireEnd();
  const { record, drill, airframe, settings, environment } = head;
  requireTask(drill?.task);
  requireAirframe(airframe);
  requireSettings(settings);
  requireEnvironment(environment);
  return { record: requireRecord({ ...record, commands, sticks }), drill, airframe, settings, environment };
}

const broken = (what: string): never => {
  throw new DomainError("bytes", what, "a kept try");
};

function headOf(text: Uint8Array): Head {
  let head: unknown;
  try {
    head = JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(text));
  } catch {
    return broken("a head that is no JSON");
  }
  const { record = null } = (head ?? {}) as { readonly record?: unknown };
  return typeof record === "object" && record !== null ? (head as Head) : broken("a head without a record");
}

/** A row takes a byte of each column at the least, so that a head can't ask for more than came with it. */
function requireRows(steps: number, length: number): number {
  const rows = Number.isSafeInteger(steps) && steps >= 0 ? steps + 1 : broken("no number of steps");
  return rows * COLUMN_STEPS.length <= length ? rows : broken("fewer rows than steps");
}

/** Bytes that are added to. */
class Bytes {
  private length = 0;
  private list = new Uint8Array(1 << 14);

  unsigned(value: number): void {
    this.room(8);
    let rest = value;
    while (rest > 127) {
      this.list[this.length++] = (rest % 128) + 128;
      rest = Math.floor(rest / 128);
    }
    this.list[this.length++] = rest;
  }

  all(more: Uint8Array): void {
    this.room(more.length);
    this.list.set(more, this.length);
    this.length += more.length;
  }

  taken(): Uint8Array<ArrayBuffer> {
    return this.list.slice(0, this.length);
  }

  private room(more: number): void {
    if (this.length + more <= this.list.length) return;
    const longer = new Uint8Array(2 * (this.list.length + more));
    longer.set(this.list);
    this.list = longer;
  }
}

/** Bytes read one after the other. */
class Reading {
  private at = 0;

  constructor(private readonly bytes: Uint8Array) {}

  unsigned(most: number): number {
    let [value, place] = [0, 1];
    for (;;) {
      if (this.at >= this.bytes.length) return broken("cut off");
      const byte = this.bytes[this.at++];
      value += (byte % 128) * place;
      if (value > most) return broken("too large a number");
      if (byte < 128) return value;
      place *= 128;
    }
  }

  some(length: number): Uint8Array {
    if (this.at + length > this.bytes.length) return broken("cut off");
    return this.bytes.subarray(this.at, (this.at += length));
  }

  requireEnd(): void {
    if (this.at !== this.bytes.length) broken("more than its rows");
  }
}
