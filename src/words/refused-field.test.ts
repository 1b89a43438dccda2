import {
  DomainError,
  fitAirframe,
  airframePresets,
  requireMark,
  requireMeasurement,
  requireSettings,
  firstSettings,
  requireLine,
} from "@/core";
import { refusedWords } from "./refused-field";

const refusal = (run: () => unknown): Error => {
  try {
    run();
  } catch (error) {
    return error as Error;
  }
  throw new Error("nothing was refused");
};

it.each([
  [() => requireMeasurement({ kind: "weight", massKg: NaN }), "Weight must be between 10 and 25000 g"],
  [() => requireMeasurement({ kind: "weight", massKg: 30 }), "Weight must be between 10 and 25000 g (now 30000 g)"],
  [
    () => requireMeasurement({ kind: "hover", command: 1.4 }),
    "Throttle to the motors must be between 2 and 100 % (now 140 %)",
  ],
  [
    () =>
      requireSettings({
        ...firstSettings,
        rates: { ...firstSettings.rates, pitch: { family: "end-cubic", endDps: 9000, expo: 0 } },
      }),
    /^Pitch end rate must be between \d+ and \d+ °\/s \(now 9000 °\/s\)$/,
  ],
  [
    () => requireMark({ kind: "each-direction", rule: { kind: "k-of-last", k: 5, n: 4 } }),
    "Pass mark, how many clean must be between 1 and 4 (now 5)",
  ],
])("says %s as a coach reads it", (run, words) => {
  expect(refusedWords(refusal(run))).toEqual(words instanceof RegExp ? expect.stringMatching(words) : words);
});

it("says figures in the units chosen, and a sentence of its own by the field's name", () => {
  const heavy = refusal(() => requireMeasurement({ kind: "weight", massKg: 30 }));
  expect(refusedWords(heavy, "imperial")).toBe("Weight must be between 0.35 and 881.85 oz (now 1058.22 oz)");
  const slow = refusal(() =>
    fitAirframe(airframePresets["five-inch-freestyle"].airframe, [{ kind: "run-on", rateDps: 600, deg: 170 }], {
      heightM: 0,
      isaOffsetK: 0,
    }),
  );
  expect(refusedWords(slow)).toMatch(/^Angle turned on is 170; this aircraft runs on/);
  expect(refusedWords(new Error("the worker broke"))).toBe("the worker broke");
  expect(refusedWords(new DomainError("ghostStrengthMps", 3, "", undefined, [1, 2]))).toBe(
    "Ghost strength must be between 1 and 2 m/s (now 3 m/s)",
  );
});

it("of a line says first which of its items it is about", () => {
  const line = (item: unknown) => ({
    ...{ id: "line", label: "Line", start: { kind: "hover" } as const, headingDeg: 0, anchors: [] },
    items: [{ kind: "trick", recipe: "hang-left" }, item] as never,
  });
  const words = (item: unknown) => refusedWords(refusal(() => requireLine(line(item))));
  expect(words({ kind: "trick", recipe: "roll-nowhere" })).toMatch(/^Item 2: Recipe is "roll-nowhere"/);
  expect(words({ kind: "join", join: { kind: "on", m: 10_000 } })).toMatch(
    /^Item 2: Distance must be between 0.5 and 300 m \(now 10000 m\)$/,
  );
});
