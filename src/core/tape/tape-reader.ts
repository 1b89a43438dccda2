import { columnNames, MODE_COLUMN, requiredColumns, tapeColumns, type TapeColumn, type TapeMapping } from "./columns";
import { splitRow } from "./csv";
import { inspected } from "./inspect";
import { TapeRefused } from "./problem";
import type { Tape } from "./tape";

/** Rows of an hour and a half at 4,000 Hz would be a mistake. */
const MOST_ROWS = 20_000_000;
const LONGEST_NAMES = 65_536;
const SHOWN_OF_FIELD = 48;
const [QUOTE, NEWLINE, RETURN, SPACE, TAB] = [34, 10, 13, 32, 9];
const [PLUS, COMMA, MINUS, POINT, ZERO, NINE] = [43, 44, 45, 46, 48, 57];
const EXPONENTS = [69, 101];
/** Powers of ten that a double holds exactly. */
const TENTHS = Array.from({ length: 23 }, (_, n) => 10 ** n);

/** What of a file's column is kept: a number in its place, the mode, or nothing. */
interface Kept {
  readonly name: string;
  readonly column: TapeColumn | null;
  readonly isMode: boolean;
  readonly factor: number;
  readonly offset: number;
}

/**
 * Reads a recording piece by piece: `push` its bytes in order, then `end`. Throws TapeRefused with the row and column for what cannot be read.
 * Numbers are added up from their bytes and divided by a power of ten, which gives the nearest double while a number has no more than 15 digits.
 */
export class TapeReader {
  private readonly columns = new Map<TapeColumn, Float32Array>();
  /** The same by their place in the file. */
  private into: (Float32Array | undefined)[] = [];
  private timeS = new Float64Array(4096);
  private kept: readonly Kept[] | null = null;
  private readonly names: number[] = [];
  private delimiter = COMMA;
  private decimalComma = false;
  /** Rows kept, and lines read with the line of names. */
  private count = 0;
  private line = 1;
  private readonly modes: { fromRow: number; mode: string }[] = [];
  private readonly late = { repeated: { rows: 0, row: 0 }, backward: { rows: 0, row: 0 } };
  // The field at hand.
  private at = 0;
  private quoted = false;
  private mantissa = 0;
  private digits = 0;
  private decimals = -1;
  private negative = false;
  private odd = false;
  /** Digits after which there is a space or a quotation mark: a number has none within it. */
  private brokenAt = 0;
  private readonly shown = new Uint8Array(SHOWN_OF_FIELD);
  private length = 0;

  constructor(private readonly mapping: TapeMapping | null = null) {}

  /** Rows kept so far. */
  get rows(): number {
    return this.count;
  }

  push(bytes: Uint8Array): void {
    let i = 0;
    while (this.kept === null && i < bytes.length) i = this.readNames(bytes, i);
    const { delimiter, shown } = this;
    // Digits are most of it: theirs are kept in numbers of this function, and put back for whatever else comes.
    let { mantissa, digits, decimals, length } = this;
    for (; i < bytes.length; i++) {
      const c = bytes[i];
      if (c >= ZERO && c <= NINE) {
        if (length < SHOWN_OF_FIELD) shown[length] = c;
        length++;
        digits++;
        mantissa = 10 * mantissa + (c - ZERO);
        if (decimals >= 0) decimals++;
        continue;
      }
      if (c === POINT && decimals < 0) {
        if (length < SHOWN_OF_FIELD) shown[length] = c;
        length++;
        decimals = 0;
        continue;
      }
      this.mantissa = mantissa;
      this.digits = digits;
      this.decimals = decimals;
      this.length = length;
      if (c === delimiter && !this.quoted) this.endField();
      else if (c === NEWLINE && !this.quoted) this.endRow();
      else if (c === QUOTE) {
        this.quoted = !this.quoted;
        this.brokenAt = length;
      } else this.takeOther(c);
      ({ mantissa, digits, decimals, length } = this);
    }
    this.mantissa = mantissa;
    this.digits = digits;
    this.decimals = decimals;
    this.length = length;
  }

  end(): Tape {
    if (this.kept === null) {
      if (this.names.length === 0) throw new TapeRefused({ kind: "empty" });
      this.beginRows();
    }
    if (this.quoted) throw new TapeRefused({ kind: "quote-open" });
    if (this.at > 0 || this.length > 0) this.endRow();
    const { count, columns } = this;
    const timeS = this.timeS.slice(0, count);
    const found = new Map([...columns].map(([name, values]) => [name, values.slice(0, count)] as const));
    columns.clear();
    return inspected({ timeS, columns: found, modes: this.modes, late: this.late });
  }

  /** Reads on in the line of names; returns where it stopped. */
  private readNames(bytes: Uint8Array, from: number): number {
    for (let i = from; i < bytes.length; i++) {
      const c = bytes[i];
      if (c === 0 || this.names.length > LONGEST_NAMES) throw new TapeRefused({ kind: "not-text" });
      if (c === NEWLINE) {
        this.beginRows();
        return i + 1;
      }
      this.names.push(c);
    }
    return bytes.length;
  }

  private beginRows(): void {
    let text: string;
    try {
      text = new TextDecoder("utf-8", { fatal: true }).decode(Uint8Array.from(this.names));
    } catch {
      throw new TapeRefused({ kind: "not-text" });
    }
    const { names, delimiter } = splitRow(text);
    if (names.every((name) => name === "")) throw new TapeRefused({ kind: "empty" });
    if (names.every((name) => name !== "" && Number.isFinite(Number(name))))
      throw new TapeRefused({ kind: "no-names" });
    this.delimiter = delimiter.charCodeAt(0);
    this.decimalComma = delimiter !== ",";
    this.kept = keptOf(names, this.mapping);
    for (const { column } of this.kept)
      if (column && column !== "time_s") this.columns.set(column, new Float32Array(this.timeS.length));
    this.placeColumns();
    this.line = 2;
  }

  private placeColumns(): void {
    this.into = this.kept!.map(({ column }) => column && this.columns.get(column)).map((one) => one ?? undefined);
  }

  /** Whatever is no digit, quote, delimiter or end of the line. */
  private takeOther(c: number): void {
    if ((c === SPACE || c === TAB || c === RETURN) && !this.quoted) {
      this.brokenAt ||= this.length;
      return;
    }
    if (this.length < SHOWN_OF_FIELD) this.shown[this.length] = c;
    this.length++;
    if (c === MINUS && this.length === 1) this.negative = true;
    else if (c === COMMA && this.decimalComma && this.decimals < 0) this.decimals = 0;
    else if (!(c === PLUS && this.length === 1)) this.odd = true;
  }

  private text(): string {
    return new TextDecoder().decode(this.shown.subarray(0, Math.min(this.length, SHOWN_OF_FIELD)));
  }

  private endField(): void {
    const kept = this.kept![this.at];
    if (kept !== undefined && (kept.column || kept.isMode)) this.keep(kept);
    this.at++;
    this.mantissa = 0;
    this.digits = 0;
    this.decimals = -1;
    this.negative = false;
    this.odd = false;
    this.brokenAt = 0;
    this.length = 0;
  }

  private keep({ name, column, isMode, factor, offset }: Kept): void {
    if (isMode) return this.keepMode(this.text());
    const value = factor * this.number(name) + offset;
    const [min, max] = tapeColumns[column!];
    // The other way round it would let NaN through.
    if (!(value >= min && value <= max))
      throw new TapeRefused({ kind: "out-of-range", row: this.line, column: name, value, range: [min, max] });
    if (column === "time_s") this.timeS[this.count] = value;
    else this.into[this.at]![this.count] = value;
  }

  private number(column: string): number {
    const broken = this.brokenAt > 0 && this.brokenAt < this.length;
    if (broken) this.odd = true;
    let size: number;
    if (!this.odd && this.digits > 0 && this.digits <= 15)
      size = this.decimals > 0 ? this.mantissa / TENTHS[this.decimals] : this.mantissa;
    else {
      const text = this.text();
      const plain = this.decimalComma ? text.replace(",", ".") : text;
      const exponent = EXPONENTS.some((e) => this.shown.subarray(0, this.length).includes(e));
      const read =
        this.digits > 0 && this.length <= SHOWN_OF_FIELD && (!this.odd || (exponent && !broken)) ? Number(plain) : NaN;
      if (!Number.isFinite(read)) throw new TapeRefused({ kind: "not-a-number", row: this.line, column, text });
      return read;
    }
    return this.negative ? -size : size;
  }

  private keepMode(mode: string): void {
    if (this.modes.at(-1)?.mode !== mode) this.modes.push({ fromRow: this.count, mode });
  }

  private endRow(): void {
    if (this.at === 0 && this.length === 0) {
      // An empty line says nothing.
      this.line++;
      return;
    }
    this.endField();
    const expected = this.kept!.length;
    if (this.at !== expected) throw new TapeRefused({ kind: "ragged-row", row: this.line, columns: this.at, expected });
    this.at = 0;
    this.keepInOrder();
    this.line++;
  }

  /** A row that is not later than the one before is left out and counted. */
  private keepInOrder(): void {
    const { count, timeS } = this;
    if (count > 0 && timeS[count] <= timeS[count - 1]) {
      const late = timeS[count] === timeS[count - 1] ? this.late.repeated : this.late.backward;
      if (late.rows++ === 0) late.row = this.line;
      if (this.modes.at(-1)?.fromRow === count) this.modes.at(-1)!.fromRow = count;
      return;
    }
    if (++this.count >= MOST_ROWS) throw new TapeRefused({ kind: "too-many-rows", most: MOST_ROWS });
    if (this.count === timeS.length) this.grow();
  }

  private grow(): void {
    const size = 2 * this.timeS.length;
    const timeS = new Float64Array(size);
    timeS.set(this.timeS);
    this.timeS = timeS;
    for (const [name, values] of this.columns) {
      const grown = new Float32Array(size);
      grown.set(values);
      this.columns.set(name, grown);
    }
    this.placeColumns();
  }
}

/** What becomes of each column of a file; throws TapeRefused for one that is lacking, or there twice. */
function keptOf(names: readonly string[], mapping: TapeMapping | null): readonly Kept[] {
  const twice = names.find((name, i) => name !== "" && names.indexOf(name) < i);
  const sources = new Map<string, { column: TapeColumn; factor: number; offset: number }>();
  for (const column of columnNames) {
    const source = mapping ? mapping[column] : { from: column, factor: 1, offset: 0 };
    if (source && names.includes(source.from)) sources.set(source.from, { column, ...source });
    else if (requiredColumns.includes(column))
      throw new TapeRefused({ kind: "column-missing", column: source?.from ?? column });
  }
  if (twice !== undefined && sources.has(twice)) throw new TapeRefused({ kind: "column-twice", column: twice });
  return names.map((name) => {
    const source = sources.get(name);
    return {
      name,
      column: source?.column ?? null,
      isMode: name === MODE_COLUMN,
      factor: source?.factor ?? 1,
      offset: source?.offset ?? 0,
    };
  });
}

/** A recording out of its whole text: see TapeReader. */
export function readTape(text: string, mapping: TapeMapping | null = null): Tape {
  const reader = new TapeReader(mapping);
  const encoder = new TextEncoder();
  const PIECE = 1 << 20;
  for (let from = 0; from < text.length; from += PIECE) reader.push(encoder.encode(text.slice(from, from + PIECE)));
  return reader.end();
}
