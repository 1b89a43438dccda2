import { airframePresets } from "../airframe";
import { firstSettings, type Settings } from "../flight";
import { turnedLevel } from "../numbers";
import { CALM_AIR, freezeMargins, indexAt, recipes, solveTrick, startHeightByFreezes } from "../recipes";
import {
  flyLine,
  flyLineWorkedOut,
  joins,
  LINES_STAGE,
  lineFaults,
  lineFreezes,
  lineHeightOf,
  lineLosses,
  lineMends,
  lineStartHeight,
  partOfLine,
  type Line,
  type LineFault,
  type LineItem,
} from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const trick = (recipe: string): LineItem => ({ kind: "trick", recipe });
const lineOf = (entryHeightM: number, ...items: LineItem[]): Line => {
  const [first] = items;
  const start = first.kind === "trick" ? recipes[first.recipe as string].start : ({ kind: "cruise" } as const);
  return { id: "line", label: "Line", start, entryHeightM, headingDeg: 0, items, anchors: [] };
};
const fly = (line: Line) => flyLineWorkedOut(line, five, firstSettings, CALM_AIR);
const faultsOf = (line: Line, limits: Parameters<typeof lineFaults>[2] = {}) => {
  const { flight } = fly(line);
  const wantsM = lineFreezes(line, five, firstSettings, CALM_AIR)?.wantsM ?? null;
  return lineFaults(flight, line.items.length, { wantsM, ...limits });
};
const kinds = (faults: readonly LineFault[]) => faults.map(({ kind, item }) => `${kind} ${item}`);

const rollAndSplit = lineOf(9, trick("roll-pure-left"), trick("split-s-float-left"));

it("is what fly and its own parts say: worked out first, freezes and hands together make the start height", () => {
  const line = lineOf(16, trick("flip-one-move-back"), trick("roll-pure-right"));
  const { line: planned, flight } = fly(line);
  expect(flyLine(planned, five, firstSettings, CALM_AIR).trace.heightM).toEqual(flight.trace.heightM);
  const freezes = lineFreezes(line, five, firstSettings, CALM_AIR)!;
  const hands = { lateS: 0, timingS: 0.05, gain: 0.1, centring: 0.02, windMps: 1, stickNoise: 0.02 };
  const byHands = freezes.packs.map(({ packUsed, planned: high }) => {
    const task = { line, airframe: five, settings: firstSettings, environment: CALM_AIR, hands, seed: 1, packUsed };
    const parts = [...lineLosses({ ...task, planned: high }, 0, 4), ...lineLosses({ ...task, planned: high }, 4, 8)];
    return lineHeightOf(parts, packUsed, five).heightM;
  });
  const whole = lineStartHeight(line, five, firstSettings, CALM_AIR, { hands, runs: 8 })!;
  expect(whole.heightM).toBe(Math.max(freezes.startHeight!.heightM, ...byHands));
});

it("says where it is too low, and every mend that is offered holds when it is flown", () => {
  const low = faultsOf(rollAndSplit).find((fault) => fault.kind === "too-low" && fault.item === 1);
  if (low?.kind !== "too-low") throw new Error("the split-S is too low");
  expect(low.wantsM).toBeGreaterThan(low.hasM);
  const mends = lineMends(rollAndSplit, 1, five, firstSettings, CALM_AIR, { wantsM: low.wantsM });
  expect(mends.length).toBeGreaterThan(0);
  expect(mends.map(({ s }) => s)).toEqual(mends.map(({ s }) => s).sort((a, b) => a - b));
  for (const { joins } of mends) {
    const [first, last] = rollAndSplit.items;
    const mended = { ...rollAndSplit, items: [first, ...joins.map((join) => ({ kind: "join", join }) as const), last] };
    expect(kinds(faultsOf(mended)).filter((fault) => fault.endsWith(` ${mended.items.length - 1}`))).toEqual([]);
  }
  expect(lineMends(rollAndSplit, 0, five, firstSettings, CALM_AIR)).toEqual([]);
}, 60_000);

it("says what goes over the ceiling and out of the room, and sinks under it where that helps", () => {
  const high = lineOf(16, trick("roll-pure-right"), trick("flip-slow-back"));
  expect(kinds(faultsOf(high, { ceilingM: 20, roomM: 20 }))).toEqual(["over-ceiling 1", "over-room null"]);
  expect(faultsOf(high, { ceilingM: 60, roomM: 200 })).toEqual([]);
  const [over] = faultsOf(high, { ceilingM: 20 });
  if (over.kind !== "over-ceiling") throw new Error("the flip goes over");
  const overM = over.highestM - over.ceilingM;
  const mends = lineMends(high, 1, five, firstSettings, CALM_AIR, { ceilingM: 20, overM });
  expect(mends.length).toBeGreaterThan(0);
  for (const { joins } of mends) expect(joins[0]).toMatchObject({ kind: "climb", m: expect.any(Number) });
}, 60_000);

it("holds the whole to its style, at the item and with the figure", () => {
  const line = lineOf(
    16,
    trick("roll-pure-right"),
    { kind: "join", join: { kind: "hover", s: 1 } },
    trick("flip-slow-back"),
  );
  const of = (style: "never-stops" | "float" | "stop-and-return") =>
    faultsOf(line, { style }).flatMap((fault) => (fault.kind === "style" ? [`${fault.fault.kind} ${fault.item}`] : []));
  expect(of("never-stops")).toEqual(
    expect.arrayContaining(["throttle-closed 0", "too-slow 1", "too-slow 2", "throttle-closed 2"]),
  );
  expect(of("float")).toContain("too-fast 0");
  expect(of("stop-and-return")).toEqual(expect.arrayContaining(["ends-away null"]));
});

it("says what is never reached after something broke", () => {
  const into: LineItem[] = [
    trick("roll-pure-right"),
    { kind: "join", join: { kind: "climb", m: -20 } },
    trick("hang-right"),
  ];
  expect(kinds(faultsOf(lineOf(8, ...into)))).toEqual(expect.arrayContaining(["not-ended 1", "not-reached 2"]));
});

it("a line of one trick wants the height that the trick wants by itself, its pack full or nearly empty", () => {
  for (const id of ["flip-slow-back", "gap-knife-left", "split-s-float-left"]) {
    const alone = startHeightByFreezes(
      solveTrick(recipes[id], five, firstSettings, CALM_AIR),
      five,
      firstSettings,
      CALM_AIR,
      freezeMargins(LINES_STAGE),
    )!;
    const { startHeight, packs, wantsM } = lineFreezes(lineOf(16, trick(id)), five, firstSettings, CALM_AIR)!;
    // Flown 150 m up instead of 400: the air is a little denser.
    expect(Math.abs(startHeight!.heightM - alone.heightM)).toBeLessThan(0.35);
    expect(startHeight!.reason).toMatchObject({ kind: "freeze", item: 0 });
    expect(startHeight!.packUsed).toBe(alone.reason.packUsed);
    expect(packs).toHaveLength(2);
    expect(wantsM).toEqual([startHeight!.heightM]);
  }
}, 60_000);

it("what cannot be held on a nearly empty pack is flown on a full one alone, and follows nothing that cannot begin", () => {
  // Enough to hover on a full pack, not on a nearly empty one.
  const weak: Settings = {
    ...firstSettings,
    throttle: { ...firstSettings.throttle, limit: { kind: "clip", fraction: 0.29 } },
  };
  const hovered = lineOf(16, { kind: "join", join: { kind: "hover", s: 1 } });
  expect(lineFreezes({ ...hovered, start: { kind: "hover" } }, five, weak, CALM_AIR)?.packs).toHaveLength(1);
  const none: Settings = { ...weak, throttle: { ...weak.throttle, limit: { kind: "clip", fraction: 0.1 } } };
  const pair = [recipes["roll-pure-left"], recipes["hang-left"]] as const;
  expect(joins(...pair, five, none, CALM_AIR)).toEqual({ kind: "never", why: "first" });
});

it("a part of a line begins as high and headed as it is met, with what stands about where it stood to it", () => {
  const turned = lineOf(
    16,
    trick("roll-pure-right"),
    { kind: "join", join: { kind: "turn", deg: 90 } },
    trick("hang-right"),
  );
  const post = { kind: "pole" as const, alongM: 60, acrossM: 10, heightM: 6, widthM: 0.2 };
  const { line, flight } = fly({ ...turned, anchors: [{ id: "post", obstacle: post }] });
  const part = partOfLine(line, flight, 2, 2);
  const { entry, fromS } = flight.items[2];
  const at = indexAt(flight.trace, fromS);
  const [north, east] = [flight.trace.northM[at], flight.trace.eastM[at]];
  expect(part.items).toHaveLength(1);
  expect(Math.abs(part.entryHeightM! - entry.heightM)).toBeLessThanOrEqual(0.25);
  expect(Math.abs(part.headingDeg - entry.headingDeg)).toBeLessThanOrEqual(2.5);
  const [{ obstacle }] = part.anchors;
  expect(Math.hypot(obstacle.alongM, obstacle.acrossM)).toBeCloseTo(Math.hypot(60 - north, 10 - east), 6);
  // Back in the frame of the whole it stands where it stood.
  const [along, across] = turnedLevel(part.headingDeg, obstacle.alongM, obstacle.acrossM);
  expect([north + along, east + across]).toEqual([expect.closeTo(60, 6), expect.closeTo(10, 6)]);
});
