import { recipes } from "@/core";
import { cueFor, findStep, skillOf, stepBefore, steps } from ".";

it("every step has unique faults, a cue for each direction and a recipe that exists for each direction", () => {
  for (const step of steps) {
    expect(new Set(step.faults.map((fault) => fault.id)).size).toBe(step.faults.length);
    for (const { id } of step.directions) {
      expect(recipes[step.recipeFor[id]]).toBeDefined();
      for (const fault of step.faults) expect(cueFor(fault, id).length).toBeGreaterThan(10);
    }
    expect(step.mark.k).toBeLessThanOrEqual(step.mark.n);
  }
});

it("keeps the keys and the order that records rely on", () => {
  expect(steps.map((step) => step.id)).toEqual(["flip-slow", "flip-ease-quarter", "flip-one-move", "flip-ease-end"]);
  expect(stepBefore(findStep("flip-one-move")!)!.id).toBe("flip-ease-quarter");
  expect(stepBefore(findStep("flip-slow")!)).toBeNull();
  expect(skillOf(findStep("flip-slow")!).id).toBe("flip");
});
