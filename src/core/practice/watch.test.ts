import { airframePresets } from "../airframe";
import { spanM } from "../gaps";
import { figureOf, type FigureKind } from "./figure";
import { CourseWatch } from "./watch";

const { airframe } = airframePresets["five-inch-freestyle"];

function courseOf(kind: FigureKind) {
  const { task } = figureOf(kind, "right", airframe);
  if (task.kind !== "course") throw new Error(`${kind} asks for ${task.kind}`);
  return task;
}
const moment = (northM: number, eastM: number, headingDeg = 0) => ({
  ...{ timeS: 0, northM, eastM, heightM: 1.5, northMps: 3, eastMps: 0, headingDeg },
});

it("counts a gate only between its own posts, however wide the one before was", () => {
  const ladder = courseOf("gap-ladder");
  const watch = new CourseWatch(ladder);
  // Two spans beside the middle: within the widest, of five, and outside the narrowest, of two.
  for (const { northM } of ladder.at) watch.add(moment(northM, 2 * spanM(airframe)));
  expect(watch.place).toBe(2);
  expect(watch.withinM).toBeCloseTo(1.5 * spanM(airframe), 9);
});

it.each([
  ["eight", 180],
  ["backward-circuit", 0],
] as const)("%s flown the wrong way round does not count, and says so", (kind, headingDeg) => {
  const task = courseOf(kind);
  const [first] = task.at;
  const watch = new CourseWatch(task);
  watch.add({ ...moment(first.northM, first.eastM, headingDeg), heightM: 0.5 * (task.lowestM + task.highestM) });
  expect([watch.place, watch.why?.kind]).toEqual([0, "wrong-way-round"]);
  watch.add({ ...moment(first.northM, first.eastM, 180 - headingDeg), heightM: 0.5 * (task.lowestM + task.highestM) });
  expect(watch.place).toBe(1);
});
