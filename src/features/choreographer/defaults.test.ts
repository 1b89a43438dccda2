import { CALM_AIR, airframePresets, firstSettings, fly, recipeFaults, recipes, type Guard, type Recipe } from "@/core";
import { requireVariantFile } from "@/server/files";
import { longPunch } from "@/server/testing/long-punch";
import { firstGuard, firstStick, firstThrottle } from "./defaults";
import { guardWords, stickWords, throttleWords, type ThrottleChoice } from "./words";

/** A trick with one phase changed, in the middle, where everything may stand. */
const withPhase = (change: Partial<Recipe["phases"][number]>): Recipe => {
  const recipe = recipes["flip-slow-back"];
  return { ...recipe, phases: recipe.phases.map((phase, i) => (i === 1 ? { ...phase, ...change } : phase)) };
};
const flies = (recipe: Recipe) =>
  fly(recipe, airframePresets["five-inch-freestyle"].airframe, firstSettings, { ...CALM_AIR, entryHeightM: 60 });

/** A file with it is one that this program reads again. */
const asFile = (recipe: Recipe) => requireVariantFile(JSON.parse(JSON.stringify({ ...longPunch, recipe })));

describe("what a part of a phase is when its kind has just been chosen can stand in a trick and be flown", () => {
  it.each(Object.keys(stickWords) as (keyof typeof stickWords)[])("a stick %s", (kind) => {
    const recipe = withPhase({ pitch: firstStick(kind) });
    expect(firstStick(kind).kind).toBe(kind);
    expect(recipeFaults(recipe)).toEqual([]);
    expect(asFile(recipe).recipe.phases[1].pitch).toEqual(firstStick(kind));
  });

  it.each(Object.keys(throttleWords) as ThrottleChoice[])("a throttle %s", (choice) => {
    const recipe = withPhase({ throttle: firstThrottle(choice) });
    // What is led down onto an object wants one, and says so where the trick has none.
    const wants = choice === "spot" ? [expect.objectContaining({ field: "phases.1", phase: 1 })] : [];
    expect(recipeFaults(recipe)).toEqual(wants);
    if (choice === "spot") expect(() => asFile(recipe)).toThrow(/the trick has none/);
    else expect(asFile(recipe).recipe.phases[1].throttle).toEqual(firstThrottle(choice));
  });

  it.each(Object.keys(guardWords) as Guard["kind"][])("an end by %s", (kind) => {
    const recipe = withPhase({ until: [firstGuard(kind)] });
    expect(recipeFaults(recipe)).toEqual([]);
    expect(asFile(recipe).recipe.phases[1].until).toEqual([firstGuard(kind)]);
    expect(flies(recipe).trace.timeS.length).toBeGreaterThan(10);
  });
});
