import fc from "fast-check";
import { airframePresets, CALM_AIR, firstSettings, flyLineWorkedOut, recipes, type LineItem } from "@/core";
import { builtInSyllabus } from "@/syllabus";
import {
  documentOf,
  emptyDraft,
  isWholeDraft,
  pairOf,
  takenUp,
  withInserted,
  withItem,
  withMoved,
  withoutItem,
  type LineDraft,
} from "./edits";
import { tilesFor } from "./repertoire";

const trick = (recipe: string): LineItem => ({ kind: "trick", recipe });
const climb: LineItem = { kind: "join", join: { kind: "climb", m: 3 } };
const draft = (...items: LineItem[]): LineDraft => withInserted(emptyDraft(null, null), 0, items);

it("begins as its first trick does by itself, whatever is put in, moved or taken out", () => {
  const items = fc.array(
    fc.constantFrom(trick("flip-slow-back"), trick("orbit-right"), trick("roll-pure-left"), climb),
    {
      minLength: 1,
      maxLength: 6,
    },
  );
  fc.assert(
    fc.property(items, fc.nat(5), fc.nat(5), (all, a, b) => {
      const n = all.length;
      const whole = draft(...all);
      for (const next of [
        whole,
        withMoved(whole, a % n, b % n),
        withItem(whole, a % n, trick("hang-left")),
        withInserted(whole, a % n, [trick("split-s-float-left")]),
        withoutItem(withInserted(whole, 0, [climb]), 0),
      ]) {
        const [first] = next.line.items;
        if (first.kind === "trick") expect(next.line.start).toEqual(recipes[first.recipe as string].start);
        expect(isWholeDraft(JSON.parse(JSON.stringify(next)))).toBe(true);
      }
      expect(withMoved(withMoved(whole, a % n, b % n), b % n, a % n).line.items).toEqual(all);
    }),
    { numRuns: 60 },
  );
});

it("what the device kept of another version is no line", () => {
  const whole = JSON.parse(JSON.stringify(draft(trick("hang-left"), climb))) as LineDraft;
  for (const broken of [
    null,
    {},
    { ...whole, style: "fast" },
    { ...whole, line: { ...whole.line, items: [{ kind: "trick", recipe: "gone" }] } },
    { ...whole, line: { ...whole.line, anchors: undefined } },
  ])
    expect(isWholeDraft(broken)).toBe(false);
});

it("a joint by itself is the two tricks with what is between, begun as high as it is met", () => {
  const whole = draft(trick("flip-one-move-back"), climb, trick("roll-pure-left"), climb, climb, trick("hang-left"));
  const line = { id: "line", label: "Line", ...whole.line };
  const { airframe } = airframePresets["five-inch-freestyle"];
  const flown = flyLineWorkedOut(line, airframe, firstSettings, CALM_AIR);
  const metAtM = flown.flight.items[2].entry.heightM;
  expect(metAtM).toBeGreaterThan(whole.line.entryHeightM! + 2);
  const pair = pairOf(whole, 5, flown)!;
  expect(pair).toMatchObject({
    name: "",
    line: {
      start: recipes["roll-pure-left"].start,
      items: [trick("roll-pure-left"), climb, climb, trick("hang-left")],
    },
  });
  expect(Math.abs(pair.line.entryHeightM! - metAtM)).toBeLessThanOrEqual(0.25);
  expect(pairOf(whole, 0, flown)).toBeNull();
  expect(pairOf(whole, 1, flown)).toBeNull();
});

it("an invented line that is taken up is worked out again, and goes out as a file under its name", () => {
  const invented = {
    ...draft().line,
    id: "x",
    label: "x",
    items: [{ ...trick("hang-left"), parameters: { hangS: 1 } }],
  };
  const taken = takenUp({ ...draft(), name: " Salt crust " }, invented as never);
  expect(taken.line.items).toEqual([trick("hang-left")]);
  expect(documentOf(taken)).toMatchObject({ format: "bathygon-line", version: 1, name: "Salt crust", style: null });
});

it("offers what a pilot has first, then what they are at, then the rest, each direction on its own", () => {
  const manner = { school: {}, own: [] };
  const tiles = tilesFor({ manner, standings: { hang: "signed-off", "roll-pure": "learning" } });
  expect(tiles.slice(0, 4).map(({ name, standing }) => `${name}: ${standing}`)).toEqual([
    "Hang, right: signed-off",
    "Hang, left: signed-off",
    "Pure roll, right: learning",
    "Pure roll, left: learning",
  ]);
  expect(new Set(tiles.map(({ key }) => key)).size).toBe(tiles.length);
  expect(tiles.length).toBeGreaterThan(builtInSyllabus.stages.length);
});
