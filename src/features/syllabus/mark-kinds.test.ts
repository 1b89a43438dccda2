import { requireMark, type PassMark } from "@/core";
import { markKinds, turnedInto } from "./mark-kinds";

const few: PassMark = { kind: "k-of-last", k: 4, n: 5 };
const within: PassMark = { kind: "measured", measure: "missM", within: 1.5, k: 2, n: 3 };
const both: PassMark = { kind: "all", rules: [few, within] };

it.each<[PassMark, PassMark["kind"], PassMark]>([
  [few, "each-direction", { kind: "each-direction", rule: few }],
  [both, "each-direction", { kind: "each-direction", rule: both }],
  [both, "any", { kind: "any", rules: [few, within] }],
  [{ kind: "each-direction", rule: both }, "in-places", { kind: "in-places", places: ["field"], rule: both }],
  [{ kind: "each-direction", rule: both }, "any", { kind: "any", rules: [few, within] }],
  [{ kind: "each-direction", rule: few }, "all", { kind: "all", rules: [few] }],
  [both, "measured", within],
  [{ kind: "each-direction", rule: few }, "run", { kind: "run", k: 4 }],
  [{ kind: "run", k: 3 }, "k-of-last", { kind: "k-of-last", k: 3, n: 3 }],
  [few, "k-of-last", few],
])("%j turned into %s keeps what is inside", (mark, kind, expected) => {
  expect(turnedInto(mark, kind)).toEqual(expected);
});

it("is a mark that can be judged whatever is turned into what", () => {
  const kinds = Object.keys(markKinds) as PassMark["kind"][];
  for (const from of kinds)
    for (const to of kinds) expect(() => requireMark(turnedInto(markKinds[from].fresh, to))).not.toThrow();
});
