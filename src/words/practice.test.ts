import type { NextThing } from "@/core";
import { nextThingWords, taskWords } from ".";

it.each<[NextThing, RegExp]>([
  [{ kind: "passed" }, /^Clean\./],
  [{ kind: "answered", reactionS: 0.31 }, /0\.31\ss after the call/],
  [{ kind: "missed-mark", mark: "line" }, /^Flown, but it ends off its line: begin level/],
  [{ kind: "off-height", place: 2, heightM: 0.4, lowestM: 1, highestM: 3 }, /^Mark 2 passed at 0\.4\sm, too low/],
  [{ kind: "did-not-halt", place: 1, speedMps: 3, haltMps: 0.8 }, /^Over mark 1 at 3\.0\sm\/s/],
  [{ kind: "other-turns", turns: 2, wantsTurns: 1 }, /^2 turns instead of one turn/i],
  [{ kind: "crashed", into: "ground", atS: 2, speedMps: 7 }, /^Into the ground at 7\.0\sm\/s: more height first/],
  [{ kind: "stopped-past", deg: 22.4, withinDeg: 15 }, /^Stopped 22° past: centre earlier\.$/],
  [{ kind: "stopped-short", deg: 31, withinDeg: 15 }, /^Stopped 31° short: hold it longer/],
  [{ kind: "throttle-open", share: 0.34 }, /^Throttle at 34\s% upside down: close it/],
  [{ kind: "other-trick", found: "roll", direction: "left" }, /^It came out as roll, left:/],
  [{ kind: "other-trick", found: "unknown", direction: "back" }, /^No trick can be told from it:/],
  [{ kind: "left-circle", heldS: 4.2, wantsS: 20 }, /^Held 4\.2\ss of 20\ss/],
  [{ kind: "off-spot", m: 3.1, withinM: 1.5 }, /^3\.1\sm from the spot/],
  [{ kind: "missed-place", place: 3, nearestM: 4, withinM: 1 }, /^Mark 3 missed by 3\.0\sm/],
])("says the one next thing: %j", (next, words) => {
  expect(nextThingWords(next, "metric")).toMatch(words);
});

it("says what a drill asks for in the units chosen", () => {
  const hold = {
    kind: "hold",
    at: { eastM: 0, northM: 0 },
    radiusM: 2,
    lowestM: 0.5,
    highestM: 3,
    seconds: 30,
    noseWithinDeg: null,
  } as const;
  expect(taskWords({ task: hold }, "imperial")).toMatch(/^Stay within 7\sft for 30\ss\.$/);
  const trick = { kind: "flip", direction: "back", turns: 1 } as const;
  expect(taskWords({ task: { kind: "trick", trick, withinDeg: 15 } }, "metric")).toBe("Fly it, and stop within 15°.");
});
