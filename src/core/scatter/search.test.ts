import { firstSettings } from "../flight";
import { seededRandom } from "../numbers";
import { rateDps } from "../rates";
import { recipes } from "../recipes";
import { knobsOf, searchKnobs, triesOf, turnKnobs, type SearchKnob, type Try } from ".";

/** Runs with a chance of being clean that is largest at a planted place; the same run has the same luck everywhere. */
const planted =
  (best: Readonly<Record<string, readonly [at: number, width: number]>>): Try =>
  (values, from, to) => {
    const chance = Object.entries(best).reduce(
      (product, [id, [at, width]]) => product * Math.exp(-(((values[id] - at) / width) ** 2)),
      0.95,
    );
    return Promise.resolve([Array.from({ length: to - from }, (_, n) => seededRandom(from + n + 1)() < chance)]);
  };
const knobs: SearchKnob[] = [
  { id: "rate", value: 900, min: 300, max: 1200 },
  { id: "tilt", value: 20, min: 10, max: 50 },
];

it("finds a planted optimum, and is sure that it beats the present", async () => {
  let tried = 0;
  const found = await searchKnobs(knobs, [1], planted({ rate: [620, 200], tilt: [36, 12] }), () => tried++);
  expect(Math.abs(found.values.rate - 620)).toBeLessThan(90);
  expect(Math.abs(found.values.tilt - 36)).toBeLessThan(6);
  expect(found.better).toBe(true);
  expect(found.proposed[0]).toBeGreaterThan(found.present[0]);
  expect(found.gain.low).toBeGreaterThan(0);
  expect(found.points.filter(({ knob }) => knob === "rate")).toHaveLength(10);
  expect(tried).toBe(triesOf(2));
});

it("says so when nothing beats the present setup", async () => {
  const there = await searchKnobs(
    [{ id: "rate", value: 620, min: 300, max: 1200 }],
    [1],
    planted({ rate: [620, 200] }),
  );
  expect(there.better).toBe(false);
});

it("calls knobs without any effect better no more often than its confidence allows", async () => {
  // Clean six times in ten wherever the knobs stand, with other luck at every place, as turned settings shuffle what errors do.
  let called = 0;
  for (let search = 0; search < 300; search++) {
    const byLuck: Try = ({ rate, tilt }, from, to) => {
      const place = Math.round(1e3 * rate + 7919 * tilt);
      const luck = (run: number) => seededRandom((search * 1_000_003 + place * 31 + run * 2_654_435) >>> 0)();
      return Promise.resolve([Array.from({ length: to - from }, (_, n) => luck(from + n) < 0.6)]);
    };
    if ((await searchKnobs(knobs, [1], byLuck)).better) called++;
  }
  // One side of a 95 % interval: 7.5 of 300 expected, 15 and more once in a hundred.
  expect(called).toBeLessThan(15);
});

it("climbs a narrow ridge on which neither knob alone gains anything", async () => {
  const ridge: Try = ({ rate, tilt }, from, to) => {
    const along = (rate - 900) / 225 + (tilt - 30) / 10;
    const across = (rate - 900) / 225 - (tilt - 30) / 10;
    const chance = 0.9 * Math.exp(-((across / 0.3) ** 2) - ((along - 1.2) / 2) ** 2);
    return Promise.resolve([Array.from({ length: to - from }, (_, n) => seededRandom(from + n + 1)() < chance)]);
  };
  const start = [
    { ...knobs[0], value: 900 - 225 },
    { ...knobs[1], value: 20 },
  ];
  const { values, better } = await searchKnobs(start, [1], ridge);
  expect(better).toBe(true);
  expect(values.rate).toBeGreaterThan(start[0].value);
  expect(values.tilt).toBeGreaterThan(start[1].value);
});

it("weighs steps together: what helps one and ruins another is not proposed", async () => {
  const two: Try = async (values, from, to) => [
    (await planted({ rate: [600, 250] })(values, from, to))[0],
    // Cannot be flown at all below 800.
    values.rate < 800 ? null : Array.from({ length: to - from }, () => true),
  ];
  const alone = await searchKnobs([knobs[0]], [1, 0], two);
  const together = await searchKnobs([knobs[0]], [1, 2], two);
  expect(alone.values.rate).toBeLessThan(800);
  expect(together.values.rate).toBeGreaterThanOrEqual(800);
});

it("stays within the coach's bounds, and refuses bounds the wrong way round", async () => {
  const bound = { id: "rate", value: 900, min: 800, max: 1000 };
  const { values, points, atBounds } = await searchKnobs([bound], [1], planted({ rate: [500, 300] }));
  expect(values.rate).toBe(800);
  expect(atBounds).toEqual(["rate"]);
  for (const { value } of points) expect(value >= 800 && value <= 1000).toBe(true);
  await expect(searchKnobs([{ ...bound, max: 1 }], [1], planted({}))).rejects.toThrow(/bounds of rate/);
  await expect(searchKnobs([bound], [0], planted({}))).rejects.toThrow(/no step is weighed/);
});

it("turns what a setup and a recipe have, and leaves the rest alone", () => {
  const recipe = recipes["flip-ease-quarter-back"];
  const known = knobsOf(firstSettings, recipe);
  expect(known.map(({ id }) => id)).toContain("ease");
  expect(knobsOf(firstSettings, recipes["flip-slow-back"]).map(({ id }) => id)).not.toContain("ease");
  const turned = turnKnobs({ settings: firstSettings, recipe }, { "end-rate": 555, tilt: 33, ease: 0.5 });
  expect(rateDps(turned.settings.rates.pitch, 1)).toBeCloseTo(555, 6);
  expect(turned.settings.rates.roll).toEqual(firstSettings.rates.roll);
  expect(turned.settings.tiltDeg).toBe(33);
  expect(turned.recipe.parameters.easeStick.value).toBe(0.5);
  expect(turnKnobs({ settings: firstSettings, recipe }, {})).toEqual({ settings: firstSettings, recipe });
  // A limit can be turned where there is one.
  const scaled = {
    ...firstSettings,
    throttle: { ...firstSettings.throttle, limit: { kind: "scale", fraction: 0.7 } },
  } as const;
  expect(known.map(({ id }) => id)).not.toContain("throttle-limit");
  expect(knobsOf(scaled, recipe).find(({ id }) => id === "throttle-limit")).toMatchObject({ value: 0.7, min: 0.25 });
  expect(turnKnobs({ settings: scaled, recipe }, { "throttle-limit": 0.9 }).settings.throttle.limit).toEqual({
    kind: "scale",
    fraction: 0.9,
  });
  for (const { id, value } of known) {
    const same = turnKnobs({ settings: firstSettings, recipe }, { [id]: value });
    expect(knobsOf(same.settings, same.recipe).find((one) => one.id === id)!.value).toBeCloseTo(value, 6);
  }
});
