import fc from "fast-check";
import { CALM_AIR, airframePresets, draftBrief, firstSettings, recipes } from "@/core";
import {
  builtInSyllabus as builtIn,
  cueFor,
  currentStep,
  findStep,
  findTrick,
  needsInCircle,
  needsOf,
  opensOf,
  ownRecipe,
  partsOf,
  pathOf,
  recipeOf,
  requireSchool,
  requireSyllabus,
  routes,
  schoolQuestions,
  skillOf,
  stepBefore,
  stepsOfCourse,
  syllabusChanges,
  type OwnVariant,
  type School,
  type Step,
  type SyllabusDocument,
} from ".";

const step = (id: string) => findStep(builtIn, id)!;

it("has the steps that the courses of the yard serve", () => {
  for (const id of Object.values(stepsOfCourse).flat()) expect([id, findStep(builtIn, id)?.id]).toEqual([id, id]);
});

/** The built-in document with one step changed. */
function changed(id: string, change: Partial<Step>): SyllabusDocument {
  return {
    ...builtIn.document,
    skills: builtIn.skills.map((skill) => ({
      ...skill,
      steps: skill.steps.map((one) => (one.id === id ? { ...one, ...change } : one)),
    })),
  };
}

it("the built-in syllabus passes the check that a coach's own has to pass", () => {
  expect(requireSyllabus(builtIn.document)).toBe(builtIn.document);
  for (const { name, short, settings } of builtIn.steps) {
    expect([name, short.length <= 16]).toEqual([name, true]);
    expect(settings.length).toBeGreaterThan(5);
  }
});

it("every step has a cue for each fault and direction, and a recipe for each direction or what to look at instead", () => {
  for (const one of builtIn.steps) {
    for (const { id } of one.directions) {
      if (!one.flownAs) expect(one.lookAt.length).toBeGreaterThanOrEqual(2);
      else expect(recipeOf(one, id, { school: {}, own: [] })).not.toBeNull();
      for (const fault of one.faults) expect(cueFor(fault, id).length).toBeGreaterThan(10);
    }
  }
});

it("says of every step what to do, what passes and the way out, and of every skill the cautions", () => {
  for (const { steps: own, cautions, roomM } of builtIn.skills) {
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

it.each([
  ["flip-slow", 15],
  ["flip-one-move", 15],
  ["flip-ease-end", 8],
  ["roll-pure", 10],
  ["roll-level", 10],
])("%s is clean when it stops within %d° (common practice, no source)", (id, deg) => {
  expect(step(id).stopWithinDeg).toBe(deg);
});

it.each([
  ["turn-brake", "eight-course"],
  ["orbit-back", "orbit"],
])("%s waits for %s (common practice, no source)", (id, before) => {
  const reached = new Set<string>([id]);
  for (const one of reached) for (const need of needsOf(builtIn, step(one), "eyes-first")) reached.add(need.id);
  expect(reached).toContain(before);
});

it("keeps the keys that records rely on", () => {
  expect(skillOf(builtIn, step("flip-slow")).steps.map(({ id }) => id)).toEqual([
    "flip-slow",
    "flip-ease-quarter",
    "flip-one-move",
    "flip-ease-end",
  ]);
  expect(stepBefore(builtIn, step("flip-one-move"), "eyes-first")!.id).toBe("flip-ease-quarter");
  expect(stepBefore(builtIn, step("flip-slow"), "eyes-first")).toBeNull();
});

describe("routes and needs", () => {
  it("every route is a whole way: what a step needs is on it and comes before it", () => {
    for (const route of routes) {
      const path = pathOf(builtIn, route);
      const order = new Map(path.map(({ id }, i) => [id, i]));
      for (const one of path.filter(({ id }) => id !== "sticks")) {
        const needs = needsOf(builtIn, one, route);
        expect([route, one.id, needs.length]).not.toEqual([route, one.id, 0]);
        for (const need of needs) expect([one.id, order.get(need.id)! < order.get(one.id)!]).toEqual([one.id, true]);
      }
    }
  });

  it("differ where practitioners do, and join later", () => {
    const ids = (route: (typeof routes)[number]) => pathOf(builtIn, route).map(({ id }) => id);
    expect(ids("eyes-first")).toEqual(expect.arrayContaining(["los-nose-in", "los-circles"]));
    expect(ids("self-level")).toEqual(expect.arrayContaining(["level-hover", "level-turn"]));
    expect(ids("bank-limit")).toEqual(expect.arrayContaining(["limit-30", "limit-off"]));
    expect(ids("rate-mode")).toEqual(expect.arrayContaining(["sim-hours", "los-check"]));
    for (const route of routes) expect(ids(route)).toEqual(expect.arrayContaining(["los-check", "flip-slow", "helix"]));
    expect(ids("self-level")).not.toContain("limit-30");
    expect(needsOf(builtIn, step("flip-slow"), "bank-limit").map(({ id }) => id)).toContain("limit-off");
    expect(needsOf(builtIn, step("flip-slow"), "eyes-first").map(({ id }) => id)).not.toContain("limit-off");
    expect(opensOf(builtIn, step("hang"), "eyes-first").map(({ id }) => id)).toEqual(
      expect.arrayContaining(["look-back", "split-s", "loop-open"]),
    );
  });

  it("a pilot is at the first step when new, at the open step flown lately, else at what follows the furthest sign-off", () => {
    const at = (signed: string[], flownOnDay: Record<string, number> = {}) =>
      currentStep(
        builtIn,
        "eyes-first",
        new Set(signed),
        new Map(Object.entries(flownOnDay).map(([id, day]) => [id, day * 86_400_000])),
      )?.id;
    expect(at([])).toBe("sticks");
    expect(at([], { "flip-one-move": 3, "flip-slow": 5 })).toBe("flip-slow");
    // Flown alongside, after something later was signed off.
    expect(at(["roll-pure"], { "flip-ease-end": 40, "roll-pure": 38 })).toBe("flip-ease-end");
    // Tried once, long ago.
    expect(at(["flip-slow"], { "gap-knife": 1, "flip-slow": 90 })).toBe("flip-ease-quarter");
    expect(at(["flip-slow", "flip-one-move"])).toBe("flip-ease-end");
    // What lies beside the way is nobody's next step.
    expect(at(["los-check"])).toBe("fp-hover");
    expect(at([builtIn.steps.at(-1)!.id])).toBeUndefined();
  });

  it("finds a circle wherever it is, and none in an order", () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), fc.integer({ min: 0, max: 1e6 }), (count, seed) => {
        // Each step needs some before it: no circle. Then the first needs the last: one.
        const steps = Array.from({ length: count }, (_, i) => ({
          id: `s${i}`,
          needs: i === 0 ? [] : [`s${i - 1}`, ...((seed >> (i % 20)) % 2 ? [`s${seed % i}`] : [])],
        }));
        expect(needsInCircle(steps)).toBeNull();
        const circle = needsInCircle([{ ...steps[0], needs: [`s${count - 1}`] }, ...steps.slice(1)])!;
        circle.forEach((id, i) => {
          const needs = id === "s0" ? [`s${count - 1}`] : steps.find((one) => one.id === id)!.needs;
          expect(needs).toContain(circle[(i + 1) % circle.length]);
        });
      }),
    );
  });

  it("a chain as long as a file may be is no trouble", () => {
    const long = Array.from({ length: 20_000 }, (_, i) => ({ id: `s${i}`, needs: i > 0 ? [`s${i - 1}`] : ["s19999"] }));
    expect(needsInCircle(long)!.length).toBe(20_000);
  });
});

describe("what a coach may not make of it", () => {
  it.each<[string, Partial<Step>, RegExp]>([
    ["sticks", { needs: ["flip-slow"] }, /in a circle: Stick modes needs Slow flip needs .* needs Stick modes/],
    ["hang", { needs: ["hang"] }, /needs itself/],
    ["hang", { needs: ["moon-walk"] }, /needs "moon-walk", which is not in the syllabus/],
    ["hang", { id: "look-back" }, /The step "look-back" is in there twice/],
    ["hang", { mark: { kind: "k-of-last", k: 9, n: 4 } }, /: its pass mark cannot be judged\.$/],
    ["hang", { flownAs: { trick: "no-trick" } }, /not one that the model flies/],
    ["hang", { flownAs: { trick: "flip-slow" } }, /Slow flip is not flown "right"/],
    ["spin-inverted", { flownAs: { trick: "spin-inverted", set: { spinDeg: 4000 } } }, / is out of range\.$/],
    ["spin-inverted", { flownAs: { trick: "spin-inverted", set: { __proto__x: 1 } } }, /is no figure of/],
    ["hang", { family: "magic" as never }, /column of the chart/],
  ])("%s: %j", (id, change, message) => {
    expect(() => requireSyllabus(changed(id, change))).toThrow(message);
  });
});

it("finds what is different between two versions", () => {
  const changes = syllabusChanges(
    builtIn.document,
    changed("flip-slow", { mark: { kind: "run", k: 5 }, wayOut: "Up.", needs: ["stop-course"] }),
  );
  expect(changes).toEqual([
    { kind: "step-mark", step: "Slow flip", was: builtIn.stepById.get("flip-slow")!.mark, is: { kind: "run", k: 5 } },
    { kind: "step-needs", step: "Slow flip" },
    { kind: "step-fields", step: "Slow flip", fields: ["wayOut"] },
  ]);
  expect(syllabusChanges(builtIn.document, builtIn.document)).toEqual([]);
});

describe("schools", () => {
  it("decide how a step is flown where it does not say so itself", () => {
    const recipe = (id: string, school = {}) => recipeOf(step(id), step(id).directions[0].id, { school, own: [] })!.id;
    expect(recipe("loop-open")).toBe("loop-open-power");
    expect(recipe("loop-open", { loop: "float" })).toBe("loop-open-float");
    expect(recipe("segments-180-180")).toContain("segments-180-180");
    expect(recipeOf(step("spin-inverted-90"), "left", { school: { spin: "roll" }, own: [] })!.id).toBe(
      "spin-inverted-roll-left",
    );
  });

  it("name tricks and ways that there are, steps that there are, and refuse what there is not", () => {
    for (const { sides, steps } of schoolQuestions) {
      for (const id of steps) expect([id, findStep(builtIn, id)?.id]).toEqual([id, id]);
      for (const { flies = {}, gains } of sides) {
        expect(gains.length).toBeGreaterThan(15);
        for (const [trick, way] of Object.entries(flies))
          expect(findTrick(trick)!.variants.map(({ id }) => id)).toContain(way);
      }
    }
    expect(() => requireSchool({ loop: "sideways" })).toThrow(/school.loop has no such side/);
    expect(() => requireSchool({ hair: "long" })).toThrow(/school.hair is no question/);
  });
});

it("the upside-down spin goes round by the quarters its parts say, and comes out upright", () => {
  const parts = [...partsOf(builtIn, step("spin-inverted")), step("spin-inverted")];
  const { airframe } = airframePresets["five-inch-freestyle"];
  const turned = parts.map((part) => {
    const { problem, flight } = draftBrief(
      recipeOf(part, "right", { school: {}, own: [] })!,
      airframe,
      firstSettings,
      CALM_AIR,
    );
    expect([part.id, problem]).toEqual([part.id, null]);
    return Math.abs(flight.measures.headingChangeDeg!);
  });
  expect(parts.map(({ flownAs }) => flownAs!.set!.spinDeg)).toEqual([90, 180, 270, 360]);
  // Out the way it came in: the yaw remains, turned over once more by the pitch in and out; whole turns are read as none.
  turned.forEach((deg, i) => {
    const wanted = [90, 180, 90, 0][i];
    expect(Math.min(Math.abs(deg - wanted), Math.abs(deg - (360 - wanted)))).toBeLessThan(20);
  });
});

describe("a way of a coach's own", () => {
  const own = (change: Partial<OwnVariant> = {}): OwnVariant => ({
    id: "own",
    name: "Mine",
    trick: "loop-open",
    instead: "power",
    direction: "right",
    bothWays: true,
    recipe: recipes["loop-open-power"],
    ...change,
  });
  const loop = step("loop-open");
  const [only] = loop.directions.map(({ id }) => id);

  it("takes the place of the way it was made from, whatever the school, and of no other", () => {
    const mine = own({ direction: only });
    const flown = (school: School) => recipeOf(loop, only, { school, own: [mine] })!.id;
    expect(flown({ loop: "power" })).toBe(`own-${only}`);
    expect(flown({ loop: "float" })).toBe("loop-open-float");
    expect(recipeOf(step("loop-over"), only, { school: {}, own: [mine] })!.id).not.toContain("own");
  });

  it("keeps the figures that a step sets, where it has them", () => {
    const part = step("spin-inverted-90");
    const [{ id: direction }] = part.directions;
    const mine = own({
      trick: "spin-inverted",
      instead: "pitch",
      direction,
      recipe: recipes[`spin-inverted-pitch-${direction}`],
    });
    const recipe = recipeOf(part, direction, { school: {}, own: [mine] })!;
    expect(recipe.label).toBe("Mine");
    for (const [name, value] of Object.entries(part.flownAs!.set!)) expect(recipe.parameters[name].value).toBe(value);
  });

  it("is flown the other way as its mirror image only where it is meant to be", () => {
    const flip = own({ trick: "flip-slow", instead: "usual", direction: "back", recipe: recipes["flip-slow-back"] });
    expect(ownRecipe(flip, "front")!.phases).toEqual(recipes["flip-slow-front"].phases);
    expect(ownRecipe(flip, "left")).toBeNull();
    expect(ownRecipe({ ...flip, bothWays: false }, "front")).toBeNull();
  });
});
