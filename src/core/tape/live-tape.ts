import { mean, median } from "../numbers";
import { gyroBias } from "./bias";
import { requiredColumns, tapeColumns } from "./columns";
import { findTricks, type FlownBy } from "./find-tricks";
import { gridOf } from "./grid";
import type { Tape } from "./tape";
import { isSure, type FoundTrick } from "./trick";

/** What became of a line of a live source. */
export type LiveLine = "names" | "row" | "garbage" | "late";

/** A trick that is called while it is flown; `instead` of one that was called before what followed was seen. */
export interface LiveCall {
  readonly trick: FoundTrick;
  readonly instead: FoundTrick | null;
}

/** What a live line did that it should not. */
export interface LiveFaults {
  /** Lines that were no rows, and rows that came late or twice. */
  readonly garbage: number;
  readonly late: number;
  /** Seconds without rows, in all. */
  readonly gapsS: number;
  /** The source began anew, or its clock jumped: its time was taken on from where it was. */
  readonly restarts: number;
  readonly jumps: number;
}

/** The last of what was recorded is searched again and again; a trick near its begin is not trusted: what is level is not known yet. */
const WINDOW_S = 30;
const SETTLING_S = 6;
const CLEAR_S = 1;
/** What has come to rest for so long is over: half a second after its stop it is called. */
const OVER_S = 0.2;
/** What is older was called, or is none. */
const RECENT_S = 4;
const UPRIGHT = 0.45;
const STAYS_S = 2.5;
const WENT_ON_S = 0.15;
/** A stick that moves by so much from where it stood answers a call; nobody does sooner, nor later. Common practice, no source. */
const ANSWERS = 0.08;
const SOONEST_S = 0.1;
const LATEST_S = 2;
const REST_ROWS = 20;
/** Rows further apart are a gap, or the clock jumped. */
const GAP_S = 0.5;
const LATE_S = 0.05;
const FIRST_ROWS = 8192;
/** Of what was recorded first the gyro's bias is taken. */
const BIAS_S = 20;
const LEAST_ROWS = 40;

/**
 * A recording while it is flown: takes the lines of a source as they come, whatever they are, calls each trick once it is over, and has the recording of it as a
 * file at any time. Times go on through restarts and jumps of the source's clock, by when its lines arrived.
 */
export class LiveTape {
  private timeS = new Float64Array(FIRST_ROWS);
  /** When each row arrived, ms by the page's clock. */
  private arrivedMs = new Float64Array(FIRST_ROWS);
  /** Sticks, throttle and gyro, in the order of the open recording. */
  private columns = Array.from({ length: 7 }, () => new Float32Array(FIRST_ROWS));
  private count = 0;
  /** Places of the columns in a line; null before its names were seen. */
  private places: readonly number[] | null = null;
  private readonly lines: string[] = [];
  private source = { lastS: 0, arrivedMs: 0, shiftS: 0 };
  private biasDps: readonly [number, number, number] | null = null;
  private readonly called: FoundTrick[] = [];
  private readonly tally = { garbage: 0, late: 0, gapsS: 0, restarts: 0, jumps: 0 };

  constructor(private readonly by: FlownBy) {}

  get faults(): LiveFaults {
    return { ...this.tally };
  }
  get rows(): number {
    return this.count;
  }
  /** How long it has run, s. */
  get lengthS(): number {
    return this.count === 0 ? 0 : this.timeS[this.count - 1] - this.timeS[0];
  }
  /** Every trick called so far, as it stands now, in the order of time. */
  get tricks(): readonly FoundTrick[] {
    return this.called;
  }
  /** The last row: sticks, throttle and rates; null before the first. */
  get last(): {
    readonly stick: readonly [number, number, number];
    readonly throttle: number;
    readonly gyroDps: readonly [number, number, number];
  } | null {
    if (this.count === 0) return null;
    const [roll, pitch, yaw, throttle, p, q, r] = this.columns.map((column) => column[this.count - 1]);
    return { stick: [roll, pitch, yaw], throttle, gyroDps: [p, q, r] };
  }

  /** Takes a line that arrived at a moment, ms. Never throws: what is no row is counted. */
  take(line: string, arrivedMs: number): LiveLine {
    const fields = line.trim().split(",");
    const places = requiredColumns.map((name) => fields.indexOf(name));
    if (places.every((at) => at >= 0)) {
      // A source that says its names again has begun anew.
      if (this.places) this.tally.restarts++;
      this.places = places;
      return "names";
    }
    const values = this.places?.map((at) => numberOf(fields[at]));
    if (!values || values.some((value, i) => !(value >= RANGES[i][0] && value <= RANGES[i][1]))) {
      this.tally.garbage++;
      return "garbage";
    }
    const atS = this.ownTime(values[0], arrivedMs);
    if (atS === null) {
      this.tally.late++;
      return "late";
    }
    this.keep(atS, values, arrivedMs);
    return "row";
  }

  /** The source's time on our own clock; null for a row that is out of order. */
  private ownTime(sourceS: number, arrivedMs: number): number | null {
    const { lastS, shiftS, arrivedMs: before } = this.source;
    if (this.count === 0) {
      this.source = { lastS: sourceS, arrivedMs, shiftS: -sourceS };
      return 0;
    }
    const stepS = sourceS - lastS;
    if (stepS <= 0 && stepS > -LATE_S) return null;
    const waitedS = (arrivedMs - before) / 1000;
    let shift = shiftS;
    const lastOwnS = this.timeS[this.count - 1];
    if (stepS <= 0 || (stepS > GAP_S && Math.abs(stepS - waitedS) > Math.max(1, 0.3 * stepS))) {
      // Not that much time has gone by: the clock jumped, or began anew.
      this.tally.jumps++;
      shift = lastOwnS + Math.max(this.usualStepS(), waitedS) - sourceS;
    }
    this.source = { lastS: sourceS, arrivedMs, shiftS: shift };
    const atS = sourceS + shift;
    if (atS - lastOwnS > GAP_S) this.tally.gapsS += atS - lastOwnS;
    return atS;
  }

  private usualStepS(): number {
    const from = Math.max(1, this.count - 50);
    const steps = Array.from({ length: this.count - from }, (_, i) => this.timeS[from + i] - this.timeS[from + i - 1]);
    return steps.length > 0 ? median(steps) : 0.01;
  }

  private keep(atS: number, values: readonly number[], arrivedMs: number): void {
    if (this.count === this.timeS.length) {
      this.timeS = grown(this.timeS, new Float64Array(2 * this.count));
      this.arrivedMs = grown(this.arrivedMs, new Float64Array(2 * this.count));
      this.columns = this.columns.map((column) => grown(column, new Float32Array(2 * this.count)));
    }
    this.timeS[this.count] = atS;
    this.arrivedMs[this.count] = arrivedMs;
    for (let i = 0; i < 7; i++) this.columns[i][this.count] = values[i + 1];
    this.count++;
    this.lines.push([atS.toFixed(4), ...values.slice(1)].join(","));
  }

  /**
   * From a call at a moment of the page's clock, ms, to the first stick that answers it, s: by when the rows arrived, the line's own delay included. Null while
   * none has moved, or where one moved too soon to have been an answer.
   */
  reactionS(calledMs: number): number | null {
    let first = this.count;
    while (first > 0 && this.arrivedMs[first - 1] >= calledMs) first--;
    const before = Math.max(0, first - REST_ROWS);
    if (first - before < 2) return null;
    const sticks = this.columns.slice(0, 4);
    const rest = sticks.map((column) => mean(Array.from(column.subarray(before, first))));
    for (let i = first; i < this.count; i++) {
      if (!sticks.some((column, k) => Math.abs(column[i] - rest[k]) > ANSWERS)) continue;
      const seconds = (this.arrivedMs[i] - calledMs) / 1000;
      return seconds >= SOONEST_S && seconds <= LATEST_S ? seconds : null;
    }
    return null;
  }

  /** Tricks that are over and were not called yet; asked again and again while it runs. */
  calls(): LiveCall[] {
    if (this.count < LEAST_ROWS) return [];
    const nowS = this.timeS[this.count - 1];
    const fromS = this.beginOfWindow(nowS - WINDOW_S);
    const trustedS = fromS === this.timeS[0] ? fromS : fromS + SETTLING_S;
    const window = this.windowFrom(fromS);
    const { down, count, hz, startS } = gridOf(window);
    // What ends upside down goes on, unless it stays so.
    const upright = (s: number) => down[Math.min(count - 1, Math.round((s - startS) * hz))] > UPRIGHT;
    const over = ({ toS }: FoundTrick) =>
      nowS - toS >= OVER_S && nowS - toS <= RECENT_S && (upright(nowS) || nowS - toS > STAYS_S);
    return findTricks(window, this.by)
      .filter((trick) => trick.fromS >= trustedS && over(trick))
      .flatMap((trick) => this.takeCall(trick) ?? []);
  }

  /** Not within a trick: a window is taken to begin level. */
  private beginOfWindow(wantedS: number): number {
    let fromS = wantedS;
    for (let i = this.called.length - 1; i >= 0; i--) {
      const { fromS: beganS, toS } = this.called[i];
      if (fromS > beganS - CLEAR_S && fromS < toS + CLEAR_S) fromS = beganS - CLEAR_S;
    }
    return Math.max(this.timeS[0], fromS);
  }

  private takeCall(trick: FoundTrick): LiveCall | null {
    const [known = null] = this.called.filter((one) => one.fromS < trick.toS && one.toS > trick.fromS);
    // What was called stands, unless it went on, or what is found now is surer.
    const wentOn = known && isSure(trick) && trick.toS > known.toS + WENT_ON_S && trick.fromS > known.fromS - WENT_ON_S;
    if (known && !wentOn && trick.confidence < known.confidence) return null;
    const others = this.called.filter((one) => one.fromS >= trick.toS || one.toS <= trick.fromS);
    this.called.splice(0, this.called.length, ...[...others, trick].sort((a, b) => a.fromS - b.fromS));
    const same =
      known && known.kind === trick.kind && known.turns === trick.turns && known.direction === trick.direction;
    return same ? null : { trick, instead: known };
  }

  private windowFrom(fromS: number): Tape {
    let first = this.count - 1;
    while (first > 0 && this.timeS[first - 1] >= fromS) first--;
    const bias = this.bias();
    const [roll, pitch, yaw, throttle, ...gyro] = this.columns.map((column) => column.slice(first, this.count));
    gyro.forEach((values, k) => values.forEach((value, i) => (values[i] = value - bias[k])));
    return this.tapeOf(this.timeS.slice(first, this.count), { roll, pitch, yaw, throttle }, gyro);
  }

  private bias(): readonly [number, number, number] {
    if (this.biasDps) return this.biasDps;
    let end = 0;
    while (end < this.count && this.timeS[end] - this.timeS[0] < BIAS_S) end++;
    const [roll, pitch, yaw, throttle, ...gyro] = this.columns.map((column) => column.slice(0, end));
    const { dps } = gyroBias(this.tapeOf(this.timeS.slice(0, end), { roll, pitch, yaw, throttle }, gyro));
    const found = [dps.roll, dps.pitch, dps.yaw] as const;
    if (end < this.count) this.biasDps = found;
    return found;
  }

  private tapeOf(timeS: Float64Array, stick: Tape["stick"], gyro: readonly Float32Array[]): Tape {
    const steps = Array.from({ length: Math.min(200, timeS.length - 1) }, (_, i) => timeS[i + 1] - timeS[i]);
    return {
      timeS,
      stick,
      gyroDps: { roll: gyro[0], pitch: gyro[1], yaw: gyro[2] },
      ...{ rateDps: null, accelMps2: null, motors: [], batteryV: null, modes: [], warnings: [] },
      gaps: gapsIn(timeS),
      sampleHz: 1 / Math.max(1e-4, median(steps)),
    };
  }

  /** Lines of the recording from a row on, without the line of names. */
  linesFrom(row: number): readonly string[] {
    return this.lines.slice(row);
  }

  /** The recording so far, as a file. */
  text(): string {
    return `${[requiredColumns.join(","), ...this.lines].join("\n")}\n`;
  }
}

const RANGES = requiredColumns.map((name) => tapeColumns[name]);
const numberOf = (field: string | undefined) => (field === undefined || field.trim() === "" ? NaN : Number(field));

function grown<Column extends Float32Array | Float64Array>(values: Column, into: Column): Column {
  into.set(values);
  return into;
}

function gapsIn(timeS: Float64Array): Tape["gaps"] {
  const gaps: { fromS: number; toS: number }[] = [];
  for (let i = 1; i < timeS.length; i++)
    if (timeS[i] - timeS[i - 1] > GAP_S) gaps.push({ fromS: timeS[i - 1], toS: timeS[i] });
  return gaps;
}
