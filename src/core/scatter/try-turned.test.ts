import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, recipes } from "../recipes";
import { costOfTurned, tryTurned, usualErrors } from ".";

const { airframe } = airframePresets["five-inch-freestyle"];
const task = (values: object, recipe = "flip-slow-back", frame = airframe) => ({
  plan: {
    recipe: recipes[recipe],
    airframe: frame,
    settings: firstSettings,
    environment: CALM_AIR,
    errors: usualErrors(3),
    stopWithinDeg: 15,
    seed: 1,
  },
  values,
  from: 0,
  to: 20,
});

it("flies the trick learnt afresh with the knobs turned, each run with its own errors whatever they are turned to", () => {
  const [present, again, turned] = [{}, {}, { tilt: 40 }].map((values) => tryTurned(task(values))!);
  expect(present).toHaveLength(20);
  expect(again).toEqual(present);
  expect(turned).toHaveLength(20);
});

it("says what the trick takes with them: a slower turn asks for more time and more height", () => {
  const [fast, slow] = [700, 350].map((rate) => costOfTurned(task({ "end-rate": rate }, "flip-one-move-back"))!);
  expect(slow.durationS).toBeGreaterThan(fast.durationS + 0.2);
  expect(slow.startHeightM!).toBeGreaterThan(fast.startHeightM! + 1);
  expect(costOfTurned(task({}, "land-stop"))!.startHeightM).toBeNull();
  expect(costOfTurned(task({}, "flip-slow-back", { ...airframe, thrustToWeight: 1.05 }))).toBeNull();
});

it("a setting it cannot be flown with is no way to fly it", () => {
  expect(tryTurned(task({}, "flip-slow-back", { ...airframe, thrustToWeight: 1.05 }))).toBeNull();
  expect(() => tryTurned(task({ ease: 9 }, "flip-ease-quarter-back"))).toThrow(/easeStick is 9/);
});
