import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { DomainError } from "../numbers";
import { CALM_AIR, recipes } from "../recipes";
import { flyLine, inventLines, joins, type Line, type Wish } from ".";
import { changed, sequences } from "./candidates";

const five = airframePresets["five-inch-freestyle"].airframe;
const high = { ...CALM_AIR, entryHeightM: 25 };
const kinds = ["roll-level-right", "yaw-snap-left", "flip-slow-back", "loop-open-power"];
const invent = (wish: Partial<Wish>) =>
  inventLines({ allowed: kinds, length: 2, seed: 1, budget: 64, errors: {}, ...wish }, five, firstSettings, high).lines;
const tricksOf = (line: Line) =>
  line.items.flatMap((item) =>
    item.kind === "trick" ? [typeof item.recipe === "string" ? item.recipe : item.recipe.id] : [],
  );

it("of three tricks of four kinds finds what an enumeration finds: all that can follow one another, with what they must have", () => {
  const table = kinds.map((a) => kinds.map((b) => joins(recipes[a], recipes[b], five, firstSettings, high)));
  const every: number[][] = [];
  for (let a = 0; a < 4; a++)
    for (let b = 0; b < 4; b++)
      for (let c = 0; c < 4; c++) {
        const follows = table[a][b].kind !== "never" && table[b][c].kind !== "never";
        const fresh = [a, b, c].filter((one) => one === 2).length;
        if (follows && [a, b, c].includes(3) && fresh <= 1) every.push([a, b, c]);
      }
  const wanted = { length: 3, mustHave: [3], fresh: new Set([2]) };
  const all = sequences(4, table, wanted, 64, () => NaN);
  expect(new Set(all.map(String))).toEqual(new Set(every.map(String)));
  expect(every.length).toBeGreaterThan(15);
  // Fewer than there are: drawn by lot, each once, none that an enumeration does not have.
  let draw = 0;
  const some = sequences(4, table, wanted, 12, () => ((draw = (draw * 69069 + 1) % 4294967296), draw / 4294967296));
  expect(some).toHaveLength(12);
  expect(new Set(some.map(String)).size).toBe(12);
  for (const one of some) expect(every.map(String)).toContain(String(one));
}, 60_000);

it("proposes only what was flown whole and keeps to room, ceiling and style, the same for the same seed", () => {
  const asked = { allowed: ["roll-level-right", "flip-slow-back"], roomM: 70, ceilingM: 34 };
  const lines = invent(asked);
  expect(lines.length).toBeGreaterThan(1);
  for (const { line, parts, score } of lines) {
    const { measures } = flyLine(line, five, firstSettings, high);
    expect(measures.complete).toBe(true);
    expect(measures.highestM).toBeLessThanOrEqual(34);
    expect(Math.max(measures.roomAlongM, measures.roomAcrossM)).toBeLessThanOrEqual(70);
    expect(parts.odds).toBe(1);
    expect(score).toBeGreaterThan(0);
  }
  expect(lines.map(({ score }) => score)).toEqual([...lines.map(({ score }) => score)].sort((a, b) => b - a));
  expect(invent(asked)).toEqual(lines);
  // What the pilot flew already surprises nobody.
  const pairs = kinds.flatMap((a) => kinds.map((b) => [a, b]));
  expect(invent({ ...asked, flown: pairs }).every(({ parts }) => parts.surprise === 0)).toBe(true);
  expect(invent({ allowed: kinds.slice(2, 3), ceilingM: 25.5 })).toEqual([]);
  for (const { line } of invent({ style: "stop-and-return", allowed: kinds.slice(0, 1) })) {
    const { measures, items } = flyLine(line, five, firstSettings, high);
    expect(measures.endsOffM).toBeLessThan(6);
    expect(items.at(-1)!.exit.speedMps).toBeLessThan(1);
  }
}, 120_000);

describe("makes one line of another", () => {
  const line: Line = {
    id: "home",
    label: "Home",
    start: { kind: "cruise" },
    headingDeg: 0,
    anchors: [],
    items: [
      { kind: "trick", recipe: "roll-level-right" },
      { kind: "join", join: { kind: "turn", deg: 90 } },
      { kind: "trick", recipe: "yaw-snap-left" },
    ],
  };

  it("with one thing changed it differs in one thing, and with another end in the end", () => {
    const ones = changed(line, "one-thing", kinds);
    expect(ones.length).toBeGreaterThan(6);
    for (const { items } of ones)
      expect(items.filter((item, i) => JSON.stringify(item) !== JSON.stringify(line.items[i]))).toHaveLength(1);
    expect(changed({ ...line, items: line.items.slice(1, 2) }, "other-end", kinds)).toEqual([]);
    // A trick of somebody's own stays theirs, also where it is called as a built-in one.
    const own = { ...recipes["flip-slow-back"], label: "My flip" };
    expect(changed(line, "other-end", [own])[0].items.at(-1)).toEqual({ kind: "trick", recipe: own });
    for (const { items } of changed(line, "other-end", kinds))
      expect(items.slice(0, 2)).toEqual(line.items.slice(0, 2));
  });

  it("mirrored, and the same trick low and high", () => {
    const [other, both] = changed(line, "mirrored", kinds);
    expect(tricksOf(other)).toEqual(["roll-level-left", "yaw-snap-right"]);
    expect(tricksOf(both)).toEqual(["roll-level-right", "yaw-snap-left", "roll-level-left", "yaw-snap-right"]);
    for (const low of changed(line, "low-and-high", kinds)) {
      const names = tricksOf(low);
      expect(names.some((name, i) => name === names[i + 1])).toBe(true);
    }
    const proposed = invent({ from: { line, change: "mirrored" } });
    expect(proposed.length).toBeGreaterThan(0);
  }, 60_000);
});

it.each<[string, Partial<Wish>, string]>([
  ["nothing allowed", { allowed: [] }, "allowed"],
  ["an unknown trick", { allowed: ["nobody-knows"] }, "allowed[0]"],
  ["a length of no tricks", { length: 0 }, "length"],
  ["no number for a seed", { seed: NaN }, "seed"],
  ["must have what is not allowed", { mustHave: ["rewind"] }, "mustHave"],
  ["an unknown style", { style: "loud" as never }, "style"],
])("refuses %s", (_, wish, field) => {
  let refused: unknown = null;
  try {
    invent(wish);
  } catch (error) {
    refused = error;
  }
  expect(refused).toBeInstanceOf(DomainError);
  expect((refused as DomainError).field).toBe(field);
});
