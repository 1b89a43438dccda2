import { airframePresets, idealAirframe } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, draftBrief, onPacks, recipes, solveTrick, USUAL_FREEZE } from "../recipes";
import { usualErrors } from "../scatter";
import {
  briefTrick,
  groundHits,
  heightLosses,
  requireStartHeight,
  startHeightKey,
  startHeightOf,
  USUAL_MARGINS,
} from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const settings = { ...firstSettings, tiltDeg: 25 };
const hands = usualErrors(4);
const FRESH_SEED = 977;

// The rest of the tricks, presets and tilts: npm run bench -- safe, -- safe all.
it.each(["flip-one-move-back", "split-s-tight-right", "turn-brake-right"])(
  "%s begun at its minimum start height meets the ground in at most 2 of 100 flights with errors it has not seen",
  (id) => {
    const { minimumStartHeightM, startHeight } = briefTrick(recipes[id], five, settings, CALM_AIR);
    const draft = draftBrief(recipes[id], five, settings, CALM_AIR);
    expect(minimumStartHeightM!).toBeGreaterThanOrEqual(draft.minimumStartHeightM!);
    const environment = { ...CALM_AIR, entryHeightM: minimumStartHeightM! };
    const solved = solveTrick(recipes[id], five, settings, CALM_AIR);
    const task = { solved, airframe: five, settings, environment, hands, seed: FRESH_SEED };
    expect(groundHits(task, startHeight!.reason.packUsed, 300)).toBeLessThanOrEqual(6);
  },
);

it("covers all but three of a thousand, from the worse of a full and a nearly empty pack", () => {
  const losses = Array.from({ length: 1000 }, (_, i) => i / 100);
  expect(startHeightOf(losses, 0.8, five)).toEqual({
    heightM: 9.96 + 0.5 * five.motorDiagonalM,
    reason: { kind: "scatter", runs: 1000, lostM: 9.96, packUsed: 0.8 },
  });
  const packs = (airframe: typeof five, throttle = settings.throttle) =>
    onPacks(solveTrick(recipes["hang-right"], airframe, { ...settings, throttle }, CALM_AIR)).map(
      ({ packUsed }) => packUsed,
    );
  expect(packs(five)).toEqual([0, 0.8]);
  expect(packs(idealAirframe(five))).toEqual([0]);
  // Enough to hover on a full pack, not on a nearly empty one: the full one alone counts, and nothing is refused.
  expect(packs(five, { ...settings.throttle, limit: { kind: "clip", fraction: 0.29 } })).toEqual([0]);
});

it("flies a run the same whatever runs are flown beside it", () => {
  const solved = solveTrick(recipes["roll-level-right"], five, settings, CALM_AIR);
  const task = { solved, airframe: five, settings, environment: CALM_AIR, hands, seed: 5 };
  const whole = heightLosses(task, 0, 0, 6);
  expect([...heightLosses(task, 0, 0, 2), ...heightLosses(task, 0, 2, 6)]).toEqual(whole);
  expect(new Set(whole).size).toBe(6);
});

it("without hands it is the draft's, and a landing that belongs at its own height has none", () => {
  const without = { ...USUAL_MARGINS, hands: null };
  const brief = briefTrick(recipes["flip-one-move-back"], five, settings, CALM_AIR, without);
  expect(brief.startHeight).toEqual(draftBrief(recipes["flip-one-move-back"], five, settings, CALM_AIR).startHeight);
  expect(briefTrick(recipes["land-stop"], five, settings, CALM_AIR).minimumStartHeightM).toBeNull();
});

it("the key is the same for the same inputs, whatever the order of their fields, and another for any other", () => {
  const inputs = {
    recipe: recipes["hang-right"],
    airframe: five,
    settings,
    environment: CALM_AIR,
    hands,
    freeze: USUAL_FREEZE,
  };
  const key = startHeightKey(inputs);
  expect(key).toMatch(/^[0-9a-f]{32}$/);
  const turned = Object.fromEntries(Object.entries(five).reverse()) as typeof five;
  expect(startHeightKey({ ...inputs, airframe: turned })).toBe(key);
  // The mirror image is the same, its side wind mirrored too.
  expect(startHeightKey({ ...inputs, recipe: recipes["hang-left"] })).toBe(key);
  const sideways = (id: string, windEastMps: number) =>
    startHeightKey({ ...inputs, recipe: recipes[id], environment: { ...CALM_AIR, windEastMps } });
  expect(sideways("hang-left", -2)).toBe(sideways("hang-right", 2));
  expect(sideways("hang-left", 2)).not.toBe(sideways("hang-right", 2));
  const others = [
    { ...inputs, recipe: recipes["hang-right"], environment: { ...CALM_AIR, windEastMps: 2 } },
    { ...inputs, airframe: { ...five, massKg: 0.66 } },
    { ...inputs, settings: { ...settings, tiltDeg: 26 } },
    { ...inputs, environment: { ...CALM_AIR, siteElevationM: 100 } },
    { ...inputs, hands: usualErrors(5) },
    { ...inputs, freeze: { ...USUAL_FREEZE, reactionS: 0.6 } },
  ];
  expect(new Set([key, ...others.map(startHeightKey)]).size).toBe(others.length + 1);
});

it("refuses a kept figure by field", () => {
  const good = { heightM: 9, reason: { kind: "freeze", before: "catch", lostM: 7.5, packUsed: 0 } } as const;
  expect(requireStartHeight(good)).toEqual(good);
  expect(() => requireStartHeight({ ...good, heightM: -1 })).toThrow(/^startHeight.heightM is -1; allowed: 0 to 1000$/);
  expect(() => requireStartHeight({ heightM: 9 } as never)).toThrow(/startHeight.reason.lostM is undefined/);
  expect(() => requireStartHeight({ ...good, reason: { ...good.reason, before: "" } })).toThrow(/before is no phase/);
});
