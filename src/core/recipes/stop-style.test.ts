import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, draftBrief, recipes, stoppedAs, type StopStyle } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const settings = { ...firstSettings, tiltDeg: 25 };
const brief = (id: string, style: StopStyle) => draftBrief(stoppedAs(recipes[id], style), five, settings, CALM_AIR);

// What each way of stopping gives: common practice, no source.
it.each(["roll-pure-right", "roll-pure-left", "roll-level-right"])(
  "%s eased takes longer and swings back less",
  (id) => {
    const [snap, end, quarter] = (["snap", "ease-end", "ease-quarter"] as const).map((style) => brief(id, style));
    for (const { problem, flight } of [snap, end, quarter]) {
      expect(problem).toBeNull();
      expect(Math.abs(flight.measures.stopErrorDeg!)).toBeLessThan(1);
    }
    expect(end.flight.measures.turnTimeS!).toBeGreaterThan(snap.flight.measures.turnTimeS!);
    expect(quarter.flight.measures.turnTimeS!).toBeGreaterThan(end.flight.measures.turnTimeS!);
    expect(end.flight.measures.bounceBackDeg!).toBeLessThan(snap.flight.measures.bounceBackDeg!);
  },
);

it("what never quite stops comes round and back to its height, with no stop to measure", () => {
  const { problem, flight } = brief("roll-pure-right", "flow");
  expect(problem).toBeNull();
  expect(flight.measures.stopErrorDeg).toBeNull();
  expect(Math.abs(flight.measures.heightGainedM)).toBeLessThan(0.1);
});

it("what does not turn once round to a mark is left as it is", () => {
  for (const id of ["hang-right", "stop-course", "loop-open-power", "box-tumble-right"])
    expect(stoppedAs(recipes[id], "ease-quarter")).toBe(recipes[id]);
});
