import { compareRuns, recipes, usualErrors, type ScatterRun, summarise } from "@/core";
import { errorsOf } from "./error-fields";
import {
  comparedInWords,
  failuresInWords,
  habitWords,
  markInWords,
  readinessOf,
  shareWords,
  TELLING_ATTEMPTS,
} from "./words";

const run = (failure: ScatterRun["failure"] = null): ScatterRun => ({
  failure,
  stopErrorDeg: 0,
  lowestM: 3,
  path: null,
});
const many = (count: number, failure: ScatterRun["failure"] = null) =>
  Array.from({ length: count }, () => run(failure));

it("says how often it goes clean with the interval, and what went wrong with how often", () => {
  const runs = [
    ...many(80),
    ...many(12, { kind: "past" }),
    ...many(6, { kind: "stuck", phase: "Centre it" }),
    ...many(2, { kind: "obstacle", obstacle: "wall" }),
  ];
  const summary = summarise(runs);
  expect(shareWords(summary.clean)).toMatch(/^80\s% \(71 to 87\s%\)$/);
  expect(failuresInWords(summary)).toBe(
    'overshoots 12\u202f%, "Centre it" never finishes 6\u202f%, flies into the wall 2\u202f%',
  );
});

it("tells the heading that a parameter of the trick asks for by its figure", () => {
  const { marks, parameters } = recipes["spin-inverted-pitch-left"];
  expect(marks!.map((mark) => markInWords(mark, parameters, "metric"))[0]).toBe("turned by 180° to within 20°");
});

it("never says of what did happen that it happens in no run", () => {
  expect(failuresInWords(summarise([...many(999), ...many(1, { kind: "past" })]))).toBe("overshoots under 1\u202f%");
  expect(failuresInWords(summarise(many(3, { kind: "past" })))).toBe("overshoots 100\u202f%");
});

it("tells a difference only where the interval leaves no doubt", () => {
  const worse = [...many(50), ...many(50, { kind: "short" })];
  expect(comparedInWords(compareRuns(many(100), worse), "setup 1")).toMatch(
    /^Clean 50 points more often than setup 1 \(\d+ to \d+ points\), with the same errors\.$/,
  );
  expect(comparedInWords(compareRuns(worse, many(100)), "setup 1")).toMatch(/^Clean 50 points less often than setup 1/);
  expect(comparedInWords(compareRuns(worse, worse), "setup 1")).toMatch(/^No difference to setup 1/);
});

it("says how late or early hands are on the whole, and nothing of those that are on time", () => {
  expect(habitWords({ lateS: 0.0352 })).toBe(", 35 ms late on the whole");
  expect(habitWords({ lateS: -0.012 })).toBe(", 12 ms early on the whole");
  expect(habitWords({ lateS: 0.0004 })).toBe("");
  expect(habitWords(null)).toBe("");
});

describe("ready or not", () => {
  const modelled = { value: 0.8, low: 0.74, high: 0.85 };
  const flown = (value: number, attempts = 30) => ({ value, low: value - 0.1, high: value + 0.1, attempts });
  it("holds nothing against a handful of attempts", () => {
    expect(readinessOf(modelled, flown(0.1, TELLING_ATTEMPTS - 1), null).kind).toBe("few");
    expect(readinessOf(modelled, flown(0, 0), null).sentence).toContain("Not flown yet");
  });
  it("says where the two disagree and what to look at", () => {
    expect(readinessOf(modelled, flown(0.78), null)).toMatchObject({ kind: "agree" });
    expect(readinessOf(modelled, flown(0.3), "dropped").sentence).toMatch(
      /timing .* the aircraft's numbers .* the fault seen most, "dropped"\.$/,
    );
    expect(readinessOf({ value: 0.4, low: 0.33, high: 0.47 }, flown(0.9), null).kind).toBe("better");
  });
});

it("takes the hands of the stage, the pilot's own once they are worked out, or what is typed within its range", () => {
  const usual = usualErrors(3);
  const own = { ...usual, timingS: 0.02 };
  expect(errorsOf("stage", 3, own, {}, "metric").errors).toEqual(usual);
  expect(errorsOf("own", 3, own, {}, "metric").errors).toEqual(own);
  expect(errorsOf("own", 3, null, {}, "metric").errors).toBeNull();
  expect(errorsOf("typed", 3, null, { timingS: "30", gain: "12,5" }, "metric").errors).toEqual({
    ...usual,
    timingS: 0.03,
    gain: 0.125,
  });
  expect(errorsOf("typed", 3, null, { lateS: "-40" }, "metric").errors).toEqual({ ...usual, lateS: -0.04 });
  // Wind is typed in the unit chosen.
  expect(errorsOf("typed", 3, null, { windMps: "10" }, "imperial").errors!.windMps).toBeCloseTo(3.048, 9);
  const wrong = errorsOf("typed", 3, null, { timingS: "900", windMps: "" }, "metric");
  expect(wrong.errors).toBeNull();
  expect([...wrong.wrong]).toEqual(["timingS", "windMps"]);
});
