import { recipes } from "@/core";
import { cueFor, currentStep, findStep, skillOf, skills, stepBefore, steps } from ".";

it("every step has unique faults, a cue for each direction, and a recipe for each direction or what to look at instead", () => {
  for (const step of steps) {
    expect(new Set(step.faults.map((fault) => fault.id)).size).toBe(step.faults.length);
    for (const { id } of step.directions) {
      if (Object.keys(step.recipeFor).length === 0) expect(step.lookAt!.length).toBeGreaterThanOrEqual(2);
      else expect(recipes[step.recipeFor[id]]).toBeDefined();
      for (const fault of step.faults) expect(cueFor(fault, id).length).toBeGreaterThan(10);
    }
    expect(step.mark.k).toBeLessThanOrEqual(step.mark.n);
  }
});

it("keeps the keys that records rely on, and the order of the stages", () => {
  expect(skillOf(findStep("flip-slow")!).steps.map((step) => step.id)).toEqual([
    "flip-slow",
    "flip-ease-quarter",
    "flip-one-move",
    "flip-ease-end",
  ]);
  expect(stepBefore(findStep("flip-one-move")!)!.id).toBe("flip-ease-quarter");
  expect(stepBefore(findStep("flip-slow")!)).toBeNull();
  const stages = steps.map((step) => skillOf(step).stage);
  expect(stages).toEqual([...stages].sort((a, b) => a - b));
  expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
});

it("says of every step what to do, what passes and the way out, and of every skill the cautions", () => {
  for (const { steps: own, cautions, roomM } of skills) {
    expect(cautions.join(" ")).toMatch(/observer.*by eye.*disarm.*Local height limits/s);
    expect(roomM).toBeGreaterThanOrEqual(5);
    for (const { drill, clean, wayOut, faults } of own) {
      expect(drill.length).toBeGreaterThanOrEqual(3);
      expect(clean.length).toBeGreaterThan(10);
      expect(wayOut.length).toBeGreaterThan(5);
      expect(faults.length).toBeGreaterThanOrEqual(2);
    }
  }
});

describe("where a pilot is", () => {
  const at = (signed: string[], tried: string[] = []) => currentStep(new Set(signed), new Set(tried))?.id;
  it("is the first step for who is new, the first tried for who has no sign-off, else what follows the furthest sign-off", () => {
    expect(at([])).toBe(steps[0].id);
    expect(at([], ["flip-one-move", "flip-slow"])).toBe("flip-slow");
    expect(at(["flip-slow"], ["loop-open"])).toBe("flip-ease-quarter");
    expect(at(["flip-slow", "flip-one-move"])).toBe("flip-ease-end");
    expect(at([steps[steps.length - 1].id])).toBeUndefined();
  });
});
