import { recipes } from "@/core";
import { ownRecipe, requireVariant, type OwnVariant, type VariantDocument } from ".";

const document: VariantDocument = {
  format: "bathygon-trick-variant",
  version: 1,
  name: "Long punch",
  trick: "roll-pure",
  instead: "usual",
  direction: "right",
  bothWays: true,
  recipe: recipes["roll-pure-right"],
};
const own: OwnVariant = { ...document, id: "own" };

describe("a way of one's own", () => {
  it("is flown in its direction by its own name, and told from every other recipe by its id", () => {
    expect(ownRecipe(own, "right")).toEqual({ ...document.recipe, id: "own-right", label: "Long punch" });
  });

  it("is flown the other way as its mirror image, where that was said", () => {
    const mirrored = ownRecipe(own, "left")!;
    const rolls = mirrored.phases.flatMap(({ roll }) =>
      roll?.kind === "hold" && typeof roll.at === "number" ? [roll.at] : [],
    );
    const asSetDown = document.recipe.phases.flatMap(({ roll }) =>
      roll?.kind === "hold" && typeof roll.at === "number" ? [roll.at] : [],
    );
    expect(rolls).toEqual(asSetDown.map((at) => -at || 0));
    expect(mirrored.label).toBe("Long punch");
    expect(ownRecipe({ ...own, bothWays: false }, "left")).toBeNull();
  });

  it("is flown in no direction that its trick has not", () => {
    expect(ownRecipe(own, "back")).toBeNull();
  });
});

describe("a file with one", () => {
  it("is taken as it is where it can be flown", () => {
    expect(requireVariant(document)).toBe(document);
  });

  const [first, ...rest] = document.recipe.phases;
  it.each<[string, Partial<VariantDocument>, RegExp]>([
    ["a trick nobody flies", { trick: "loop-of-luck" }, /^trick: the model flies no trick "loop-of-luck"$/],
    ["a way the trick has not", { instead: "backwards" }, /^instead: .* is not flown in the way "backwards"$/],
    ["a direction the trick has not", { direction: "up" }, /^direction: .* is not flown "up"$/],
    [
      "a phase that nothing ends",
      { recipe: { ...document.recipe, phases: [{ ...first, until: [] }, ...rest] } },
      /^recipe\.phases\.0\.until: .*nothing ends this phase/,
    ],
    ["no phase at all", { recipe: { ...document.recipe, phases: [] } }, /^recipe\.phases.*at least one phase/],
    [
      "two phases of one name",
      { recipe: { ...document.recipe, phases: [first, { ...first }, ...rest] } },
      /^recipe\.phases\.\d\.id: .*two phases are called/,
    ],
  ])("is refused for %s, naming the field", (_, change, message) => {
    expect(() => requireVariant({ ...document, ...change })).toThrow(message);
  });
});
