import fc from "fast-check";
import { levenbergMarquardt } from "ml-levenberg-marquardt";
import { adjust, arcErrorM, bestBaseline, between, courses, inSteps, settingOut, type PlanPoint } from ".";
import { shortestWalk } from "./walk";

const at = (id: string, eastM: number, northM: number) => ({ id, eastM, northM });
const pegs = [at("A", 0, 0), at("B", 4, 0)];

it("sets out by Pythagoras: the 3-4-5 triangle, with its side, its check and its offsets", () => {
  const [first, second] = settingOut([at("1", 0, 3), at("2", 4, 3.001)], { pegs });
  expect(first).toMatchObject({ pole: "1", fromAM: 3, fromBM: 5, side: "left", alongM: 0, acrossM: -3 });
  // A third tape says what the two do not: to the middle of the baseline.
  expect(first).toMatchObject({ checkM: Math.hypot(2, 3), checkTo: "the middle of AB" });
  expect(second).toMatchObject({ pole: "2", fromAM: expect.closeTo(5, 2), fromBM: expect.closeTo(3, 2), checkTo: "1" });
  expect(second.checkM).toBeCloseTo(4, 5);
  // The angle at pole 1 has the tangent 4/3.
  expect(first.meetDeg).toBeCloseTo(53.13, 2);
});

it("says how far a pole is off: never more than the worst of two tapes pulled wrong by the tolerance, and nearly that much", () => {
  fc.assert(
    fc.property(
      fc.double({ min: -30, max: 30, noNaN: true }),
      fc.double({ min: 4, max: 30, noNaN: true }),
      (eastM, northM) => {
        const [{ worstM }] = settingOut([at("1", eastM, northM)], {
          pegs: [at("A", -8, 0), at("B", 8, 0)],
          toleranceM: 0.01,
        });
        const off = [-0.01, 0.01].flatMap((a) =>
          [-0.01, 0.01].map((b) => {
            // Intersection of the two circles, the base 16 m.
            const [fromA, fromB] = [Math.hypot(eastM + 8, northM) + a, Math.hypot(eastM - 8, northM) + b];
            const along = (fromA * fromA - fromB * fromB + 256) / 32;
            return Math.hypot(along - 8 - eastM, Math.sqrt(Math.max(0, fromA * fromA - along * along)) - northM);
          }),
        );
        expect(Math.max(...off) / worstM).toBeGreaterThan(0.9);
        expect(Math.max(...off) / worstM).toBeLessThan(1.1);
      },
    ),
  );
  expect(arcErrorM(90)).toBeCloseTo(0.2 * Math.SQRT2, 12);
  expect(arcErrorM(180)).toBe(Infinity);
});

it("finds a baseline from which every pole of every course comes out within twice the best two tapes can do", () => {
  for (const make of Object.values(courses)) {
    const { poles } = make({ at: { eastM: 30, northM: -12 }, headingDeg: 37 });
    const { worstM, pegs: found } = bestBaseline(poles);
    const set = settingOut(poles, { pegs: found });
    expect(Math.max(...set.map((one) => one.worstM))).toBeCloseTo(worstM, 9);
    expect(worstM).toBeLessThan(2 * 0.2 * Math.SQRT2);
    expect(Math.max(...set.flatMap(({ fromAM, fromBM }) => [fromAM, fromBM]))).toBeLessThanOrEqual(50);
  }
  const corner = [at("", 0, -5), at("", 60, -5), at("", 60, 30), at("", 0, 30)];
  const { pegs: inYard } = bestBaseline(courses["stop-line"]({ at: { eastM: 30, northM: 5 }, headingDeg: 90 }).poles, {
    boundary: corner,
  });
  for (const { northM } of inYard) expect(northM).toBeGreaterThanOrEqual(-5);
});

it("walks past all poles by the shortest way there is, and nearly so where they are many", () => {
  const orders = (all: readonly PlanPoint[]): (readonly PlanPoint[])[] =>
    all.length < 2
      ? [all]
      : all.flatMap((one, i) => orders(all.filter((_, j) => j !== i)).map((rest) => [one, ...rest]));
  const length = (start: PlanPoint, way: readonly PlanPoint[]) =>
    way.reduce((sum, point, i) => sum + between(i === 0 ? start : way[i - 1], point), 0);
  const place = fc.record({ eastM: fc.integer({ min: -40, max: 40 }), northM: fc.integer({ min: -40, max: 40 }) });
  fc.assert(
    fc.property(place, fc.array(place, { minLength: 1, maxLength: 6 }), (start, stops) => {
      const best = Math.min(...orders(stops).map((way) => length(start, way)));
      expect(length(start, shortestWalk(start, stops))).toBeCloseTo(best, 6);
    }),
    { numRuns: 40 },
  );
  // A row of thirty in disorder: nobody turns round.
  const row = Array.from({ length: 30 }, (_, i) => at(String(i), (i * 7) % 30, 0));
  expect(length(at("", -1, 0), shortestWalk(at("", -1, 0), row))).toBeCloseTo(30, 9);
});

it("counts in a coach's own steps, by halves", () => {
  expect(inSteps(9, 0.75)).toBe(12);
  expect(inSteps(9.4, 0.75)).toBe(12.5);
});

describe("what was measured back", () => {
  const square = courses.square().poles;
  const distances = (stands: readonly (PlanPoint & { id: string })[]) =>
    stands.flatMap((a, i) => stands.slice(i + 1).map((b) => ({ from: a.id, to: b.id, m: between(a, b) })));

  it("finds a braced quadrilateral with a pole moved, and says which way to move it back", () => {
    const stands = square.map((pole) => (pole.id === "3" ? { ...pole, eastM: pole.eastM + 0.6 } : pole));
    const { poles, sigmaM, doubtful } = adjust(square, distances(stands));
    const third = poles.find(({ id }) => id === "3")!;
    expect(third.offM).toBeCloseTo(0.6, 6);
    // Pole 2 lies west of it: back toward it.
    expect(third.move).toMatchObject({ toward: "2", away: false });
    expect(third.move!.m).toBeCloseTo(0.6, 1);
    expect(poles.filter(({ id }) => id !== "3").every(({ offM, move }) => offM < 1e-6 && move === null)).toBe(true);
    expect(sigmaM).toBeCloseTo(0, 6);
    expect(doubtful).toBeNull();
  });

  it("agrees with a general-purpose least-squares library where the tapes disagree", () => {
    const off = [0.12, -0.07, 0.05, 0.1, -0.13, 0.04];
    const measured = distances(square).map((one, i) => ({ ...one, m: one.m + off[i] }));
    const { poles } = adjust(square, measured);
    const [a, b] = square;
    const place = (parameters: readonly number[], id: string): PlanPoint =>
      id === a.id
        ? a
        : id === b.id
          ? b
          : { eastM: parameters[id === "3" ? 0 : 2], northM: parameters[id === "3" ? 1 : 3] };
    const { parameterValues } = levenbergMarquardt(
      { x: measured.map((_, i) => i), y: measured.map(({ m }) => m) },
      (parameters) => (i) => between(place(parameters, measured[i].from), place(parameters, measured[i].to)),
      {
        initialValues: [square[2].eastM, square[2].northM, square[3].eastM, square[3].northM],
        damping: 1e-3,
        maxIterations: 500,
        gradientDifference: 1e-6,
        centralDifference: true,
      },
    );
    const found = [poles[2].eastM, poles[2].northM, poles[3].eastM, poles[3].northM];
    found.forEach((value, i) => expect(value).toBeCloseTo(parameterValues[i], 3));
  });

  it("holds the pegs where they are named, points to the tape that was read wrong, and leaves what nobody measured", () => {
    const poles = [...pegs, at("1", 2, 6), at("2", 9, 6), at("3", 5, 12), at("4", 20, 20)];
    const measured = distances(poles.slice(0, 5)).map((one) =>
      one.from === "1" && one.to === "2" ? { ...one, m: one.m + 3 } : one,
    );
    const { poles: found, doubtful } = adjust(poles, measured);
    expect(found.slice(0, 2)).toMatchObject([{ offM: 0 }, { offM: 0 }]);
    expect(doubtful).toMatchObject({ from: "1", to: "2", offM: expect.closeTo(3, 3) });
    expect(found[5]).toMatchObject({ id: "4", offM: 0, unknown: true });
    // One over: nobody can tell which of them it is.
    const few = measured.filter(({ from, to }) => from !== "3" && to !== "3");
    expect(adjust(poles, few)).toMatchObject({ doubtful: null, sigmaM: expect.any(Number) });
  });

  it("names what can't be", () => {
    expect(() => adjust(square, [{ from: "1", to: "9", m: 3 }])).toThrow(/^measured\[0\]\.to is "9"/);
    expect(() => adjust(square, [{ from: "1", to: "2", m: -3 }])).toThrow(/^measured\[0\]\.m is -3/);
    expect(() => settingOut(square, { pegs: [at("A", 0, 0), at("B", 0.5, 0)] })).toThrow(/^pegs are 0.50 m apart/);
  });
});
