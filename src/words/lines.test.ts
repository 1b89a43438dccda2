import { lineStyles, type Join, type LineFault, type StyleFault } from "@/core";
import { tricks } from "@/syllabus";
import {
  headingText,
  joinWords,
  lineFaultWords,
  lineReasonWords,
  lineTryWords,
  styleNames,
  styleWords,
  trickName,
} from ".";

const joins: { readonly [Kind in Join["kind"]]: Extract<Join, { kind: Kind }> } = {
  on: { kind: "on", m: 8 },
  climb: { kind: "climb", m: -3 },
  turn: { kind: "turn", deg: -90 },
  speed: { kind: "speed", mps: 8 },
  hover: { kind: "hover", s: 0.5 },
  wait: { kind: "wait", s: 1 },
  round: { kind: "round", anchorId: "bar", deg: 180 },
};
const ofStyle: { readonly [Kind in StyleFault["kind"]]: Extract<StyleFault, { kind: Kind }> } = {
  "too-slow": { kind: "too-slow", item: 1, mps: 1, limitMps: 2 },
  "gains-too-much": { kind: "gains-too-much", item: 1, m: 9, limitM: 8 },
  "throttle-closed": { kind: "throttle-closed", item: 1 },
  "too-fast": { kind: "too-fast", item: 1, mps: 15, limitMps: 13 },
  "no-hang": { kind: "no-hang" },
  "ends-away": { kind: "ends-away", m: 20, limitM: 6 },
  "ends-moving": { kind: "ends-moving", mps: 4 },
};
const faults: { readonly [Kind in LineFault["kind"]]: Extract<LineFault, { kind: Kind }> } = {
  problem: { kind: "problem", item: 0, problem: { kind: "not-upright" } },
  "not-ended": { kind: "not-ended", item: 0 },
  "not-reached": { kind: "not-reached", item: 2 },
  "past-anchor": { kind: "past-anchor", item: 0 },
  "not-clean": { kind: "not-clean", item: 0, missed: [{ kind: "short" }, { kind: "view" }] },
  "too-low": { kind: "too-low", item: 1, wantsM: 9, hasM: 4 },
  "over-ceiling": { kind: "over-ceiling", item: 1, highestM: 15.7, ceilingM: 12 },
  "over-room": { kind: "over-room", item: null, takesM: 72, roomM: 50 },
  style: { kind: "style", item: null, fault: ofStyle["ends-away"] },
};

it.each(["metric", "imperial"] as const)("every join and every fault has words of its own, in %s", (units) => {
  const said = [
    ...Object.values(joins).map((join) => joinWords(join, units)),
    ...Object.values(faults).map((fault) => lineFaultWords(fault, units)),
    ...Object.values(ofStyle)
      .slice(0, 5)
      .map((fault) => lineFaultWords({ kind: "style", item: null, fault }, units)),
    ...(["new-pairs", "axes", "pauses", "ends-off"] as const).map((kind) => lineReasonWords({ kind, value: 1 }, units)),
  ];
  expect(new Set(said).size).toBe(said.length);
  for (const words of said) expect(words).not.toMatch(/undefined|null|NaN|\[object/);
  expect(joinWords(joins.climb, units)).toMatch(units === "metric" ? /^sink 3.0.m$/ : /^sink 10.ft$/);
});

it("turns are said to their side, sinking is no negative climb, and a fault gives both its figures", () => {
  expect(joinWords({ kind: "turn", deg: 45 }, "metric")).toBe("turn 45° right");
  expect(joinWords(joins.turn, "metric")).toBe("turn 90° left");
  expect(lineFaultWords(faults["too-low"], "metric")).toMatch(/^needs 9.0.m, has 4.0.m$/);
  expect(lineFaultWords(faults["not-clean"], "metric")).toBe(
    "would not count: stops short, takes the view off its path",
  );
});

it("every built-in recipe is called by its trick and direction, each by a name of its own, and a way of somebody's own by its label", () => {
  const ids = tricks.flatMap(({ variants }) => variants.flatMap(({ recipes }) => Object.values(recipes)));
  const names = ids.map(trickName);
  expect(new Set(names).size).toBe(ids.length);
  for (const [i, name] of names.entries()) expect(name).not.toBe(ids[i]);
  expect(trickName("roll-pure-left")).toBe("Pure roll, left");
  expect(trickName("gone-long-ago")).toBe("gone-long-ago");
});

it("a try says the line and where it broke, counted from one", () => {
  const line = { id: "a", version: 1, name: "Windmill hang", tricks: ["hang-left"] };
  expect(lineTryWords({ ...line, brokeAt: null })).toBe("Windmill hang");
  expect(lineTryWords({ ...line, brokeAt: 2 })).toBe("Windmill hang at 3");
  const parts = ["The stop", "The turn"].map((name, i) => ({ id: String(i), name }));
  expect(lineTryWords({ ...line, brokeAt: null, parts, held: ["1"] })).toBe("Windmill hang, held 1 of 2");
});

it("every style is said with its limits, in the units chosen, and headings as three figures", () => {
  for (const style of lineStyles) {
    expect(styleNames[style]).toMatch(/^[A-Z]/);
    expect(styleWords(style, "metric")).toMatch(/\d.m/);
    expect(styleWords(style, "imperial")).toMatch(/\d.ft/);
  }
  expect([0, 90, -90, 359.7, 720].map(headingText)).toEqual(["000°", "090°", "270°", "000°", "000°"]);
});
