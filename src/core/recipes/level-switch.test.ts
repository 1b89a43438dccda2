import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, draftBrief, fly, levelledBySwitch, recipes } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const settings = { ...firstSettings, tiltDeg: 25 };

it.each(["flip-one-move-back", "flip-slow-front", "roll-level-left", "roll-pure-right"])(
  "%s given up by the switch, from anywhere in the turn, ends upright and climbing",
  (id) => {
    const { recipe } = draftBrief(levelledBySwitch(recipes[id]), five, settings, CALM_AIR);
    const high = { ...CALM_AIR, entryHeightM: 40 };
    const begins = fly(recipe, five, settings, high).events.find(
      (event) => event.kind === "phase" && event.detail === "turn",
    )!;
    for (const laterS of [0.1, 0.25, 0.4]) {
      const { events, trace } = fly(recipe, five, settings, high, {
        atS: begins.timeS + laterS,
        phases: recipe.abort,
      });
      expect(events.map(({ kind }) => kind)).not.toContain("crash");
      const { heightM, qx, qy } = trace;
      const last = heightM.length - 1;
      // Cosine of the angle between its up and the vertical.
      expect(1 - 2 * (qx[last] ** 2 + qy[last] ** 2)).toBeGreaterThan(Math.cos((42 * Math.PI) / 180));
      expect(heightM[last]).toBeGreaterThan(heightM[last - 1]);
    }
  },
);

it("asks for less height than turning on, in a turn that is slow", () => {
  const [on, levelled] = [recipes["flip-slow-back"], levelledBySwitch(recipes["flip-slow-back"])].map((recipe) =>
    draftBrief(recipe, five, settings, CALM_AIR),
  );
  expect(levelled.entryHeightM).toBeLessThan(on.entryHeightM);
  // The trick itself is the same.
  expect(levelled.flight.measures.turnTimeS).toBe(on.flight.measures.turnTimeS);
});

it("leaves alone what turns nothing over", () => {
  for (const id of ["stop-course", "loop-open-power"]) expect(levelledBySwitch(recipes[id])).toBe(recipes[id]);
});
