import { firstSettings } from "../flight";
import { airframePresets } from "../airframe";
import {
  draftBrief,
  CALM_AIR,
  fly,
  highestPointM,
  mirrored,
  recipes,
  resolve,
  solve,
  USUAL_FREEZE,
  withParameters,
  withSlip,
} from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const brief = draftBrief(recipes["flip-one-move-back"], five, firstSettings, CALM_AIR);

it("holds together: it begins at the lowest entry rounded up, stops on the mark and ends where it began", () => {
  expect(brief.problem).toBeNull();
  expect(brief.entryHeightM).toBeGreaterThanOrEqual(brief.minimumStartHeightM!);
  expect(brief.entryHeightM - brief.minimumStartHeightM!).toBeLessThan(0.5);
  expect(brief.flight.measures.entryHeightM).toBe(brief.entryHeightM);
  expect(Math.abs(brief.flight.measures.stopErrorDeg!)).toBeLessThan(1.5);
  expect(Math.abs(brief.flight.measures.heightGainedM)).toBeLessThan(0.1);
  expect(brief.simplyCentred!.stopErrorDeg!).toBeGreaterThan(15);
  expect(brief.margins).toEqual(USUAL_FREEZE);
});

it("has the highest point that a site is asked about, the same on the other side; none for a trick that does not go", () => {
  const peakM = highestPointM(recipes["flip-one-move-back"], five, firstSettings, CALM_AIR)!;
  expect(peakM).toBe(brief.flight.measures.peakM);
  expect(peakM).toBeGreaterThan(brief.entryHeightM);
  const [left, right] = ["left", "right"].map((side) =>
    highestPointM(recipes[`roll-pure-${side}`], five, firstSettings, CALM_AIR),
  );
  expect(left).toBeCloseTo(right!, 6);
  const stiff = { ...firstSettings, modes: { ...firstSettings.modes, selfLevel: true } };
  expect(highestPointM(recipes["flip-one-move-back"], five, stiff, CALM_AIR)).toBeNull();
});

it("has hang time enough for the turn, and a way out that ends after the catch was due", () => {
  expect(brief.hangTimeS!).toBeGreaterThan(brief.flight.measures.turnTimeS!);
  expect(brief.wayOut!.lastAfterCatchS).toBeGreaterThan(USUAL_FREEZE.reactionS);
  expect(brief.wayOut!.lastHeightM).toBeGreaterThan(0);
  expect(brief.wayOut!.lastHeightM).toBeLessThan(brief.entryHeightM);
});

it("asks for more height with more margin, a slower reaction, thinner air or less thrust", () => {
  const lowest = (margins = USUAL_FREEZE, airframe = five, environment = CALM_AIR, settings = firstSettings) =>
    draftBrief(recipes["flip-slow-back"], airframe, settings, environment, margins).minimumStartHeightM!;
  const usual = lowest();
  expect(lowest({ marginM: 3.5, reactionS: 0.5 }) - usual).toBeCloseTo(2, 1);
  expect(lowest({ marginM: 1.5, reactionS: 0.9 })).toBeGreaterThan(usual + 1);
  expect(lowest(USUAL_FREEZE, { ...five, thrustToWeight: 3 })).toBeGreaterThan(usual + 0.5);
  const limited = {
    ...firstSettings,
    throttle: { ...firstSettings.throttle, limit: { kind: "scale", fraction: 0.6 } as const },
  };
  expect(lowest(USUAL_FREEZE, five, CALM_AIR, limited)).toBeGreaterThan(usual + 0.5);
});

it("is the same for the same input", () => {
  expect(draftBrief(recipes["flip-one-move-back"], five, firstSettings, CALM_AIR)).toEqual(brief);
});

it("says that nothing can be solved for a recipe without that parameter", () => {
  const bare = { ...recipes["flip-slow-back"], solveFor: [] };
  expect(solve(bare, { kind: "stop-on-mark" }, five, firstSettings, CALM_AIR)).toMatchObject({
    answer: null,
    problem: { kind: "no-parameter", aim: "stop-on-mark" },
  });
});

it("resolves parameters with factor and offset, slips them within their range, and mirrors twice into itself", () => {
  const recipe = withParameters(recipes["flip-slow-back"], { punchS: 0.06 });
  expect(resolve(recipe, { param: "punchS", times: -2, plus: 1 })).toBeCloseTo(0.88, 12);
  expect(() => resolve(recipe, { param: "none" })).toThrow(/none is no parameter/);
  expect(withSlip(recipe).parameters.punchS.value).toBe(recipe.parameters.punchS.min);
  const back = mirrored(mirrored(recipe, ["pitch"], "x", "x"), ["pitch"], recipe.id, recipe.label);
  expect(fly(back, five, firstSettings, CALM_AIR).trace).toEqual(fly(recipe, five, firstSettings, CALM_AIR).trace);
});

it("a sideways wind carries the trick along and does not change its turn", () => {
  const windy = fly(brief.recipe, five, firstSettings, { ...CALM_AIR, windEastMps: 5 }).measures;
  // From holding a place, ever faster: some metres in the two seconds and a half.
  expect(windy.sideDriftM).toBeGreaterThan(1);
  expect(windy.stopErrorDeg).toBeCloseTo(fly(brief.recipe, five, firstSettings, CALM_AIR).measures.stopErrorDeg!, 0);
});
