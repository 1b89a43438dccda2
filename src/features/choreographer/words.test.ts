import { recipes, type Guard, type PhaseNote } from "@/core";
import { guardText, isFatal, noteText, whyItStays } from "./words";

const phase = recipes["flip-slow-back"].phases[2];
const said = (note: PhaseNote, units: "metric" | "imperial" = "metric") =>
  noteText(note, phase, units).replace(/[\u00a0\u202f\u2009]/g, " ");

it("says what each kind of end waits for, in the units chosen", () => {
  const guards: readonly (readonly [Guard, number, RegExp])[] = [
    [{ kind: "time", s: 1 }, 1.5, /^1\.50.s$/],
    [{ kind: "turned", axis: "view", deg: 90 }, 181.6, /^182.?° turned about the view$/],
    [{ kind: "climb", is: "below", mps: 0 }, -1.25, /^a climb of −1\.[23].m\/s$/],
    [{ kind: "height", is: "above", m: 1 }, 4, /^4\.0.m above the entry$/],
    [{ kind: "ground", is: "below", m: 1 }, 3, /^3\.0.m above the ground$/],
    [{ kind: "along", is: "above", m: 1 }, 9, /^9\.0.m along the line$/],
    [{ kind: "ahead", is: "above", mps: 1 }, 7, /^7\.0.m\/s along the line$/],
    [{ kind: "pitch", is: "above", deg: 1 }, 30, /^a pitch of 30.?°$/],
    [{ kind: "heading", is: "above", deg: 1 }, 160, /^160.?° of heading$/],
    [{ kind: "upright", withinDeg: 40 }, 55, /^55.?° from upright$/],
  ];
  for (const [guard, value, words] of guards) expect(guardText(guard, value, "metric")).toMatch(words);
  expect(guardText({ kind: "height", is: "above", m: 1 }, 3.048, "imperial")).toMatch(/^10.ft above the entry$/);
});

it("says of a phase that never ends how near it came, and whether it turned away again", () => {
  const guard: Guard = { kind: "turned", axis: "pitch", deg: 360 };
  const miss = { guard, wanted: 360, nearest: 212, last: 212 };
  const note = { phase: 2, kind: "never-ends", afterS: 4, misses: [miss] } as const;
  expect(said(note)).toMatch(
    /^never finishes: it waits for 360 ?° turned about pitch and comes to 212 ?°\. Given up after 4\.0 s\./,
  );
  expect(said({ ...note, misses: [{ ...miss, last: 100 }] })).toContain("then goes away from it");
});

it("says what was met, what is asked beyond the curve or the motors, and what comes too late", () => {
  const met = (how: object) =>
    said({ phase: 0, kind: "met", met: { timeS: 2, heightM: 0, speedMps: 4, tiltDeg: 50, ...how } as never });
  expect(met({ kind: "crash", into: "wall" })).toMatch(/^flies into the wall\./);
  expect(met({ kind: "crash", into: "ground" })).toMatch(/^hits the ground at .*, 50° off level\./);
  expect(met({ kind: "touchdown", speedMps: 0.4, tiltDeg: 2 })).toMatch(/^touches the ground at .*, 2° off level\./);
  expect(said({ phase: 0, kind: "rate-beyond", axis: "yaw", askedDps: -900, mostDps: 500 })).toMatch(
    /^asks for 900 °\/s about yaw; full stick of this setup gives 500 °\/s/,
  );
  expect(said({ phase: 0, kind: "thrust-beyond", askedG: 9, mostG: 6.2 })).toMatch(/9\.0 g of thrust; .* 6\.2 g/);
  expect(said({ phase: 0, kind: "too-long", mostS: 40 })).toContain("not over after 40 s");
  expect(said({ phase: 0, kind: "not-reached" })).toContain("never starts");
  expect(said({ phase: 0, kind: "ends-at-once", guard: { kind: "climb", is: "above", mps: -1 } })).toContain(
    "(climb speed)",
  );
});

it("tells what stops a trick from what only is not flown as asked", () => {
  expect(isFatal({ phase: 0, kind: "not-reached" })).toBe(true);
  expect(isFatal({ phase: 0, kind: "rate-beyond", axis: "roll", askedDps: 900, mostDps: 700 })).toBe(false);
});

it("says why a phase stays, each reason once", () => {
  expect(whyItStays([], 5)).toBeNull();
  expect(whyItStays([], 1)).toBe("It is the only one.");
  expect(whyItStays(["turn.catchPhase", "freeze.before"], 5)).toBe(
    "It stays: the turn is caught in it, and the bail-out is worked out from it. What it does can be changed.",
  );
  expect(whyItStays(["solveFor.0.aim.phase", "solveFor.1.aim.phase"], 5)).toMatch(/placed by it\. What/);
});
