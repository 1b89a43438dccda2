import fc from "fast-check";
import Papa from "papaparse";
import { readTape, TapeReader, TapeRefused, type TapeProblem } from ".";
import { columnNames } from "./columns";
import { rowsOf } from "./testing/rows";

const names = columnNames.slice(0, 8);
const table = (rows: readonly (readonly (number | string)[])[], header: readonly string[] = names) =>
  [header.join(","), ...rows.map((row) => row.join(",")), ""].join("\n");
const still = (rows: number, change: (i: number) => Partial<Record<number, number | string>> = () => ({})) =>
  Array.from({ length: rows }, (_, i) => [i / 100, 0, 0, 0, 0.3, 0, 0, 0].map((value, k) => change(i)[k] ?? value));
const problemOf = (read: () => unknown): TapeProblem | undefined => {
  try {
    read();
  } catch (error) {
    expect(error).toBeInstanceOf(TapeRefused);
    return (error as TapeRefused).problem;
  }
  return undefined;
};

describe("reads", () => {
  it("what RFC 4180 allows: quotes, line ends of both kinds, other columns in any order, no last line end", () => {
    const header = ['"mode"', "note", ...[...names].reverse(), "battery_v"];
    const rows = still(40).map((row, i) => [
      i < 20 ? '"acro, low"' : "level",
      '"said ""hm"", then\r\nmore"',
      ...[...row].reverse().map((value) => (i % 2 ? `"${value}"` : ` ${value}`)),
      "1.62e1",
    ]);
    const text = `\ufeff${[header.join(","), ...rows.map((row) => row.join(","))].join("\r\n")}`;
    const tape = readTape(text);
    expect(tape.timeS).toHaveLength(40);
    expect(tape.timeS[39]).toBe(0.39);
    expect(tape.stick.throttle[7]).toBeCloseTo(0.3, 7);
    expect(tape.batteryV![3]).toBeCloseTo(16.2, 5);
    expect(tape.modes.map(({ fromRow }) => fromRow)).toEqual([0, 20]);
    expect(tape.modes[1].mode).toBe("level");
    expect(tape.sampleHz).toBeCloseTo(100, 6);
    expect(tape).toMatchObject({ rateDps: null, accelMps2: null, motors: [], gaps: [] });
  });

  it("every number as the language itself does, and as a library for CSV", () => {
    const number = fc.oneof(
      fc.double({ min: -700, max: 700, noNaN: true }),
      fc.integer({ min: -700, max: 700 }),
      fc.constantFrom(0, -0, 1e-7, 0.1, 123.456789012345),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(number, number, number), { minLength: 25, maxLength: 40 }), (gyros) => {
        const text = table(gyros.map((gyro, i) => [i / 250, 0.1, -0.1, 0, 0.5, ...gyro]));
        const tape = readTape(text);
        const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
        gyros.forEach((gyro, i) => {
          const read = [tape.gyroDps.roll[i], tape.gyroDps.pitch[i], tape.gyroDps.yaw[i]];
          expect(read).toEqual(gyro.map((value) => Math.fround(Number(String(value)) + 0)));
          expect(tape.timeS[i]).toBe(Number(data[i].time_s));
        });
      }),
      { numRuns: 60 },
    );
  });

  it("the same in whatever pieces it comes", () => {
    const bytes = new TextEncoder().encode(rowsOf(200, 1, (s) => [Math.sin(s), 0, 0, 0.4, 300 * Math.sin(s), s, -s]));
    const whole = new TapeReader();
    whole.push(bytes);
    const expected = whole.end();
    fc.assert(
      fc.property(fc.array(fc.nat(bytes.length), { maxLength: 12 }), (cuts) => {
        const reader = new TapeReader();
        const ends = [0, ...cuts.sort((a, b) => a - b), bytes.length];
        for (let i = 1; i < ends.length; i++) reader.push(bytes.subarray(ends[i - 1], ends[i]));
        expect(reader.end()).toEqual(expected);
      }),
      { numRuns: 40 },
    );
  });

  it("another program's file through a mapping, with its names, delimiter, units and signs", () => {
    const header = "t[ms];A;E;R;T;gx;gy;gz";
    const rows = Array.from({ length: 60 }, (_, i) => [1000 + 4 * i, 1750, 1250, 1500, "1400,5", 2, -1, 0.5].join(";"));
    const of = (from: string, factor: number, offset = 0) => ({ from, factor, offset });
    const tape = readTape([header, ...rows].join("\n").replaceAll("0.5", "0,5"), {
      time_s: of("t[ms]", 0.001),
      stick_roll: of("A", 1 / 500, -3),
      stick_pitch: of("E", -1 / 500, 3),
      stick_yaw: of("R", 1 / 500, -3),
      throttle: of("T", 1 / 1000, -1),
      gyro_roll_dps: of("gx", 180 / Math.PI),
      gyro_pitch_dps: of("gy", 180 / Math.PI),
      gyro_yaw_dps: of("gz", -180 / Math.PI),
    });
    expect(tape.sampleHz).toBeCloseTo(250, 6);
    expect([tape.stick.roll[5], tape.stick.pitch[5], tape.stick.yaw[5]]).toEqual([0.5, 0.5, 0]);
    expect(tape.stick.throttle[5]).toBeCloseTo(0.4005, 6);
    expect(tape.gyroDps.roll[5]).toBeCloseTo(114.5916, 3);
    expect(tape.gyroDps.yaw[5]).toBeCloseTo(-28.6479, 3);
  });
});

describe("says with its place", () => {
  it.each<[string, () => string, Partial<TapeProblem>]>([
    ["an empty file", () => "", { kind: "empty" }],
    ["a file of line ends", () => "\n\n", { kind: "empty" }],
    ["one row", () => table(still(1)), { kind: "too-few-rows", rows: 1 }],
    ["a text", () => "Dear all,\nthe camp begins on Monday.\n", { kind: "column-missing", column: "time_s" }],
    ["numbers without names", () => "0,0,0,0,0,0,0,0\n", { kind: "no-names" }],
    ["binary", () => "\u0000\u0001\u0002time_s", { kind: "not-text" }],
    ["a column twice", () => table(still(30), ["time_s", "time_s", ...names.slice(2)]), { kind: "column-missing" }],
    [
      "a column twice beside all others",
      () =>
        table(
          still(30).map((row) => [...row, 1]),
          [...names, "throttle"],
        ),
      { kind: "column-twice", column: "throttle" },
    ],
    [
      "a row too short",
      () => table([...still(30), [0.4, 0, 0]]),
      { kind: "ragged-row", row: 32, columns: 3, expected: 8 },
    ],
    [
      "a word",
      () => table(still(30, (i) => (i === 6 ? { 6: "NaN" } : {}))),
      { kind: "not-a-number", row: 8, column: "gyro_pitch_dps", text: "NaN" },
    ],
    [
      "nothing",
      () => table(still(30, (i) => (i === 6 ? { 4: "" } : {}))),
      { kind: "not-a-number", row: 8, column: "throttle", text: "" },
    ],
    [
      "two points",
      () => table(still(30, (i) => (i === 6 ? { 4: "0.3.1" } : {}))),
      { kind: "not-a-number", row: 8, column: "throttle" },
    ],
    ...(["0.3 1", '0"."3'] as const).map((text): [string, () => string, Partial<TapeProblem>] => [
      `something within a number: ${text}`,
      () => table(still(30, (i) => (i === 6 ? { 4: text } : {}))),
      { kind: "not-a-number", row: 8, column: "throttle" },
    ]),
    ["a formula", () => table(still(30, (i) => (i === 6 ? { 4: "=1+1" } : {}))), { kind: "not-a-number", row: 8 }],
    [
      "swapped columns",
      () => table(still(30, (i) => ({ 1: 300, 5: i }))),
      { kind: "out-of-range", row: 2, column: "stick_roll", value: 300 },
    ],
    ["time backward", () => table(still(60).reverse()), { kind: "out-of-order", rows: 59, row: 3 }],
    ["one row a second", () => table(still(30, (i) => ({ 0: i }))), { kind: "sample-rate", hz: 1 }],
    ["a quote that is not closed", () => `${table(still(30))}"0.31,0,0,0,0,0,0,0`, { kind: "quote-open" }],
  ])("%s", (_, text, problem) => {
    expect(problemOf(() => readTape(text()))).toMatchObject(problem);
  });

  it("bytes that are no text", () => {
    expect(problemOf(() => new TapeReader().push(Uint8Array.of(255, 254, 10)))).toEqual({ kind: "not-text" });
  });
});

describe("warns of", () => {
  const kinds = (text: string) => readTape(text).warnings;

  it("gaps, rows that repeat a time or go back, which are left out and counted", () => {
    const rows = still(300).filter((_, i) => i < 100 || i > 140);
    const text = table([...rows.slice(0, 50), rows[49], rows[40], ...rows.slice(50)]);
    const tape = readTape(text);
    expect(tape.timeS).toHaveLength(rows.length);
    expect(tape.gaps).toHaveLength(1);
    expect(tape.gaps[0].toS - tape.gaps[0].fromS).toBeCloseTo(0.42, 9);
    expect(tape.warnings).toEqual(
      expect.arrayContaining([
        { kind: "time-repeated", rows: 1, row: 52 },
        { kind: "time-backward", rows: 1, row: 53 },
        expect.objectContaining({ kind: "gaps", count: 1, atS: 0.99 }),
      ]),
    );
  });

  it("a gyro that jumps, one that stands at its end, one that is silent, and one against its stick", () => {
    const turned = (s: number) => 400 * Math.sin(4 * s);
    const text = rowsOf(500, 6, (s) => [
      Math.sin(4 * s),
      -Math.sin(4 * s),
      0,
      0.4,
      Math.max(-300, Math.min(300, turned(s))),
      s > 2.001 && s < 2.003 ? 2500 : turned(s),
      0,
    ]);
    const found = kinds(text);
    const has = (part: object) => expect(found).toContainEqual(expect.objectContaining(part));
    has({ kind: "clipped", axis: "roll", atDps: 300 });
    has({ kind: "jump", axis: "pitch", count: 2 });
    has({ kind: "sign", axis: "pitch" });
    has({ kind: "silent", what: "gyro", axis: "yaw" });
    has({ kind: "silent", what: "stick", axis: "yaw" });
    expect(found.filter(({ kind }) => kind === "sign")).toHaveLength(1);
  });

  it("nothing where nothing is odd", () => {
    const moved = (s: number) => 0.4 * Math.sin(3 * s + Math.sin(s));
    expect(
      kinds(
        rowsOf(250, 5, (s) => [
          moved(s),
          moved(s + 1),
          moved(s + 2),
          0.4,
          300 * moved(s),
          280 * moved(s + 1),
          200 * moved(s + 2),
        ]),
      ),
    ).toEqual([]);
  });
});
