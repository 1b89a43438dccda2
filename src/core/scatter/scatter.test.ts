import { jStat } from "jstat";
import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { draftBrief, CALM_AIR, fly, recipes } from "../recipes";
import {
  compareRuns,
  NO_ERRORS,
  drawRun,
  fitOwnErrors,
  LEAST_MEASURED,
  measuredEnough,
  measuredIn,
  measuredOn,
  quantileOf,
  scatter,
  scatterRuns,
  summarise,
  usualErrors,
  type MeasuredValues,
  type PilotErrors,
  type ScatterPlan,
  type ScatterRun,
} from ".";

const { airframe } = airframePresets["five-inch-freestyle"];
const plans = new Map<string, ScatterPlan>();
function planFor(id: string, errors: Partial<PilotErrors>, more: Partial<ScatterPlan> = {}): ScatterPlan {
  let plan = plans.get(id);
  if (!plan) {
    const brief = draftBrief(recipes[id], airframe, firstSettings, CALM_AIR);
    plan = {
      recipe: brief.recipe,
      airframe,
      settings: firstSettings,
      environment: { ...CALM_AIR, entryHeightM: brief.entryHeightM },
      errors: NO_ERRORS,
      stopWithinDeg: 15,
      seed: 7,
    };
    plans.set(id, plan);
  }
  return { ...plan, errors: { ...NO_ERRORS, ...errors }, ...more };
}
const flip = "flip-slow-back";

it.each([flip, "roll-pure-left", "loop-over-power", "orbit-right"])(
  "%s without errors is the single flight, to the last bit",
  (id) => {
    const plan = planFor(id, {});
    const { measures, trace } = fly(plan.recipe, airframe, firstSettings, plan.environment);
    for (const run of scatterRuns(plan, 0, 3)) {
      expect(run.stopErrorDeg).toBe(measures.stopErrorDeg);
      expect(run.lowestM).toBe(measures.lowestM);
      expect(run.path!.at(-1)).toEqual([trace.northM.at(-1), trace.eastM.at(-1), trace.heightM.at(-1)]);
    }
  },
);

it("stops as wide as rate times timing error, and as often clean as the normal law says", () => {
  const timingS = 0.03;
  const plan = planFor(flip, { timingS });
  const alone = fly(plan.recipe, airframe, firstSettings, plan.environment);
  // The rate at which this trick is stopped, read off the flight at the instant the stick is centred.
  const stop = alone.events.find((event) => event.kind === "phase" && event.detail === plan.recipe.turn!.stopPhase)!;
  const rateDps = Math.abs(alone.trace.pitchDps[Math.round(stop.timeS / alone.trace.sampleS)]);
  const runs = scatterRuns(plan, 0, 400);
  const { stop: spread, clean: within15 } = summarise(runs);
  const share = (stopWithinDeg: number) =>
    runs.filter(({ stopErrorDeg }) => Math.abs(stopErrorDeg!) <= stopWithinDeg).length / runs.length;
  expect(within15.value).toBe(share(15));
  expect(Math.abs(spread!.sdDeg / (rateDps * timingS) - 1)).toBeLessThan(0.1);
  const bias = alone.measures.stopErrorDeg!;
  for (const stopWithinDeg of [4, 8, 15]) {
    const expected =
      jStat.normal.cdf((stopWithinDeg - bias) / (rateDps * timingS), 0, 1) -
      jStat.normal.cdf((-stopWithinDeg - bias) / (rateDps * timingS), 0, 1);
    // Four standard errors of 400 runs at the most, and the stick takes a moment to come back.
    expect(Math.abs(share(stopWithinDeg) - expected)).toBeLessThan(0.06);
  }
});

it("is the same whatever runs are flown beside, and another with another seed", () => {
  const plan = planFor(flip, usualErrors(2));
  const whole = scatterRuns(plan, 0, 12);
  expect([...scatterRuns(plan, 0, 5), ...scatterRuns(plan, 5, 12)]).toEqual(whole);
  expect(scatterRuns({ ...plan, seed: 8 }, 0, 12)).not.toEqual(whole);
});

it("goes clean less often the larger the errors, and says what went wrong, every run once", () => {
  const share = (stage: number) => summarise(scatterRuns(planFor(flip, usualErrors(stage)), 0, 120));
  const [beginner, advanced] = [share(0), share(7)];
  expect(beginner.clean.value).toBeLessThan(advanced.clean.value);
  const failed = beginner.failures.reduce((sum, { count }) => sum + count, 0);
  expect(failed).toBe(Math.round(120 * (1 - beginner.clean.value)));
  expect(beginner.failures.map(({ kind }) => kind)).toEqual(expect.arrayContaining(["short", "past"]));
  expect(beginner.lowest.value).toBeLessThanOrEqual(advanced.lowest.value);
});

it("counts meeting the ground as what went wrong where it is begun too low", () => {
  const plan = planFor(flip, usualErrors(3));
  const low = { ...plan, environment: { ...plan.environment, entryHeightM: 1.2 } };
  expect(summarise(scatterRuns(low, 0, 30)).failures[0].kind).toBe("ground");
});

it("a drawn quantile has the interval of the binomial law (jstat)", () => {
  const n = 200;
  const values = Array.from({ length: n }, (_, i) => i);
  for (const share of [0.05, 0.1, 0.5]) {
    const { value, low, high } = quantileOf(values, share);
    expect(value).toBe(share * n - 1);
    // The chance that the quantile lies between the two is that of the count below it.
    const covered = jStat.binomial.cdf(high - 1, n, share) - jStat.binomial.cdf(low, n, share);
    expect(covered).toBeGreaterThan(0.94);
    expect(covered).toBeLessThan(0.985);
  }
});

describe("two ways flown with the same errors", () => {
  const runs = (pattern: string): ScatterRun[] =>
    [...pattern].map((letter) => ({
      failure: letter === "c" ? null : { kind: "short", detail: "" },
      stopErrorDeg: 0,
      lowestM: 1,
      path: null,
    }));

  it("are compared run by run", () => {
    const compared = compareRuns(runs("cccccccc--"), runs("ccccc-----"));
    expect(compared).toMatchObject({ value: 0.3, onlyFirst: 3, onlySecond: 0 });
    expect(compared.low).toBeLessThan(0.3);
    expect(compareRuns(runs("cc--"), runs("cc--"))).toMatchObject({ value: 0, onlyFirst: 0, onlySecond: 0 });
    expect(() => compareRuns(runs("c"), runs("cc"))).toThrow(/pair up/);
  });

  it("have an interval that covers the true difference as often as it says", () => {
    // Coverage by simulation: pairs with known chances, a seeded source.
    let state = 12345;
    const uniform = () => (state = (state * 48271) % 2147483647) / 2147483647;
    const truth = 0.15;
    let covered = 0;
    const rounds = 400;
    for (let round = 0; round < rounds; round++) {
      const pairs = Array.from({ length: 80 }, () => {
        const u = uniform();
        return u < 0.4 ? "cc" : u < 0.65 ? "c-" : u < 0.75 ? "-c" : "--";
      });
      const { low, high } = compareRuns(runs(pairs.map(([a]) => a).join("")), runs(pairs.map(([, b]) => b).join("")));
      if (low <= truth && truth <= high) covered++;
    }
    expect(covered / rounds).toBeGreaterThan(0.92);
    expect(covered / rounds).toBeLessThan(0.985);
  });
});

describe("by the four things a flight is made of", () => {
  const { recipe, environment } = planFor(flip, {});
  it("says of as many runs as asked for what they say together, the same for the same seed", () => {
    const errors = { timingS: 0.04, windMps: 1 };
    const { flights, ...summary } = scatter(recipe, airframe, firstSettings, environment, {
      errors,
      runs: 40,
      seed: 7,
    });
    expect(flights).toEqual(scatterRuns(planFor(flip, errors), 0, 40));
    expect(summary).toEqual(summarise(flights));
    expect(scatter(recipe, airframe, firstSettings, environment, { runs: 3 }).flights).toEqual(
      scatterRuns(planFor(flip, usualErrors(4), { seed: 1 }), 0, 3),
    );
  });
  it("without errors is one flight over and over", () => {
    const still = scatter(recipe, airframe, firstSettings, environment, { errors: {}, runs: 5 });
    const { measures } = fly(recipe, airframe, firstSettings, environment);
    expect(still).toMatchObject({ runs: 5, clean: { value: 1 }, failures: [], lowest: { value: measures.lowestM } });
    expect(still.stop).toMatchObject({ meanDeg: measures.stopErrorDeg, sdDeg: 0 });
  });
  it.each([
    [{ runs: 0 }, "runs is 0"],
    [{ runs: 2.5 }, "runs is 2.5"],
    [{ seed: -1 }, "seed is -1"],
    [{ risk: 0.9 }, "risk is 0.9"],
    [{ stopWithinDeg: Number.NaN }, "stopWithinDeg is NaN"],
    [{ errors: { lateS: 1 } }, "errors.lateS is 1"],
  ])("refuses %j by name", (options, message) => {
    expect(() => scatter(recipe, airframe, firstSettings, environment, { runs: 1, ...options })).toThrow(message);
  });
});

it("refuses errors out of their range by name", () => {
  expect(() => scatterRuns(planFor(flip, { timingS: 2 }), 0, 1)).toThrow("errors.timingS");
});

describe("a pilot's own hands", () => {
  const usual = usualErrors(4);
  /** Half of the runs that the product takes: its bounds are wide enough for that. */
  const FITTED_BY = 60;
  const fit = (id: string, measured: MeasuredValues) => {
    const { errors: _, ...plan } = planFor(id, {});
    return fitOwnErrors(plan, usual, measured, FITTED_BY)?.errors ?? null;
  };
  /** What would be measured on a hundred attempts of somebody whose hands stray like this. */
  const attemptsOf = (id: string, errors: Partial<PilotErrors>, n = 100): MeasuredValues => {
    const plan = planFor(id, errors, { seed: 99 });
    const measures = Array.from({ length: n }, (_, run) => {
      const { slips, environment } = drawRun(plan, run);
      return fly(plan.recipe, airframe, firstSettings, environment, undefined, slips).measures;
    });
    return {
      stopErrorDeg: measures.flatMap(({ stopErrorDeg }) => stopErrorDeg ?? []),
      heightLostM: measures.map(({ heightLostM }) => heightLostM),
    };
  };

  it("are told from the spread of measured stops: of one who is late by more, the timing", () => {
    const seen = attemptsOf(flip, { ...usual, timingS: 2 * usual.timingS });
    const { timingS } = fit(flip, { stopErrorDeg: seen.stopErrorDeg })!;
    expect(timingS).toBeGreaterThan(1.6 * usual.timingS);
    expect(timingS).toBeLessThan(2.5 * usual.timingS);
    // The wind is left to the day, whatever it was.
    const steady = fit(flip, attemptsOf(flip, { ...usual, timingS: 0.3 * usual.timingS, windMps: 4 }))!;
    expect(steady.timingS).toBeLessThan(0.7 * usual.timingS);
    expect(steady.windMps).toBe(usual.windMps);
  });

  it("have an interval about each error that holds what they are, wide where nothing tells", () => {
    const { errors: _, ...plan } = planFor(flip, {});
    const truth = { ...usual, timingS: 1.6 * usual.timingS, lateS: 0.015 };
    const own = fitOwnErrors(plan, usual, attemptsOf(flip, truth, 40), FITTED_BY)!;
    for (const name of ["timingS", "gain", "centring", "stickNoise", "lateS"] as const) {
      expect(own.low[name]).toBeLessThanOrEqual(truth[name]);
      expect(own.high[name]).toBeGreaterThanOrEqual(truth[name]);
    }
    // Stops tell of the timing, hardly of the thumbs' rest.
    expect(own.high.timingS / own.low.timingS).toBeLessThan(2.5);
    expect(own.high.centring / usual.centring).toBeGreaterThan(1.5);
  });

  it("that stray as is usual stay as usual, and scatter in the model as they were measured", () => {
    const seen = attemptsOf(flip, usual);
    const own = fit(flip, seen)!;
    expect(own.timingS / usual.timingS).toBeGreaterThan(0.7);
    expect(own.timingS / usual.timingS).toBeLessThan(1.4);
    const again = scatterRuns(planFor(flip, own), 0, 100).flatMap(({ stopErrorDeg }) => stopErrorDeg ?? []);
    const ratio = jStat.stdev(again, true) / jStat.stdev([...seen.stopErrorDeg!], true);
    expect(ratio).toBeGreaterThan(0.75);
    expect(ratio).toBeLessThan(1.35);
  });

  it("that are early on the whole are found to be", () => {
    const lateS = -0.03;
    const { stopErrorDeg } = attemptsOf(flip, { ...usual, lateS }, 40);
    const own = fit(flip, { stopErrorDeg })!;
    // Forty stops tell their mean to their spread over √40, the model's to theirs over the root of its runs; twice both together.
    const spreadDeg = jStat.stdev([...stopErrorDeg!], true);
    const lateDeg = scatterRuns(planFor(flip, { lateS: 0.03 }), 0, 1)[0].stopErrorDeg!;
    const uncertainS = (2 * spreadDeg * Math.sqrt(1 / 40 + 1 / FITTED_BY)) / (lateDeg / 0.03);
    expect(Math.abs(own.lateS - lateS)).toBeLessThan(uncertainS);
    expect(own.timingS / usual.timingS).toBeGreaterThan(0.6);
    expect(own.timingS / usual.timingS).toBeLessThan(1.5);
  });

  it("a habit of being late moves the stop by the rate it is stopped at, and costs clean runs", () => {
    const late = scatterRuns(planFor(flip, { lateS: 0.02 }), 0, 1)[0].stopErrorDeg!;
    const early = scatterRuns(planFor(flip, { lateS: -0.02 }), 0, 1)[0].stopErrorDeg!;
    const onTime = scatterRuns(planFor(flip, {}), 0, 1)[0].stopErrorDeg!;
    expect(Math.abs((late + early) / 2 - onTime)).toBeLessThan(1);
    expect(late).toBeGreaterThan(onTime + 2);
    const share = (lateS: number) => summarise(scatterRuns(planFor(flip, { ...usual, lateS }), 0, 80)).clean.value;
    expect(share(0.08)).toBeLessThan(share(0));
  });

  it("are told by the direction flown where enough was measured in it, else by all", () => {
    const stops = (direction: string, values: readonly number[]) =>
      values.map((stopErrorDeg) => ({ direction, measured: { stopErrorDeg } }));
    const left = Array.from({ length: LEAST_MEASURED }, (_, i) => 9 + (i % 4));
    const measured = measuredOn([...stops("left", left), ...stops("right", [-2, 3]), { direction: "left" }]);
    expect(measuredIn(measured, "left").stopErrorDeg).toEqual(left);
    expect(measuredIn(measured, "right").stopErrorDeg).toEqual([...left, -2, 3]);
    expect(measuredEnough(measuredIn(measured, "right"))).toEqual(["stopErrorDeg"]);
  });

  it("are not told from a handful, nor from what never varied", () => {
    expect(fit(flip, { stopErrorDeg: Array.from({ length: 19 }, (_, i) => i - 9) })).toBeNull();
    expect(fit(flip, { viewOffPathDeg: new Array<number>(20).fill(3) })).toBeNull();
  });
});
