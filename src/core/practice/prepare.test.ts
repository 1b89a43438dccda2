import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import type { Line } from "../lines";
import { CALM_AIR, recipes } from "../recipes";
import { NO_SLIP } from "../recipes/slips";
import { createPractice, judgeTry, madeUpRadio, prepareDrill, type PreparedDrill, type StampedSticks } from ".";

const { airframe } = airframePresets["five-inch-freestyle"];
const settings = { ...firstSettings, tiltDeg: 25 };
const prepared = (id: string, withinDeg: number | null = 15) =>
  prepareDrill({
    ...{ kind: "trick", asks: "trick", recipe: recipes[id], withinDeg },
    ...{ id, airframe, settings, environment: CALM_AIR },
  });

/** What a made-up radio flies of a drill, in frames of a 60th. */
function flown({ drill, environment, ...rest }: PreparedDrill, readings: readonly StampedSticks[]) {
  const practice = createPractice(drill, airframe, settings, environment);
  let [at, clockS] = [0, 0];
  while (at < readings.length) {
    clockS += 1 / 60;
    const now: StampedSticks[] = [];
    while (at < readings.length && readings[at].timeS <= clockS) now.push(readings[at++]);
    practice.advance(1 / 60, now);
  }
  return judgeTry(practice.record(), { drill, environment, ...rest }, airframe, settings).score;
}

it.each([
  ["flip-one-move-back", "flip", "back", 15],
  ["roll-pure-left", "roll", "left", 15],
  // Nobody stops a loop on a mark.
  ["loop-open-power", "loop", "back", null],
] as const)(
  "asks of %s what is found in the model's own flight, and its own hands pass",
  (id, kind, direction, withinDeg) => {
    const drill = prepared(id);
    expect(drill.drill.task).toEqual({ kind: "trick", trick: { kind, direction, turns: 1 }, withinDeg });
    // Begun where the brief begins it, and the ghost comes through.
    expect(drill.ghost.trace.heightM[0]).toBeCloseTo(drill.environment.entryHeightM, 6);
    expect(drill.ghost.measures.ended).toBeNull();
    const good = madeUpRadio(drill.drill.recipe, airframe, settings, drill.environment);
    expect(flown(drill, good)).toMatchObject({ passed: true, next: { kind: "passed" } });
  },
);

it("tells late hands by how much they went past, and hands that never moved that nothing was flown, or what they met", () => {
  const drill = prepared("flip-one-move-back");
  const { recipe } = drill.drill;
  const stop = recipe.phases.findIndex(({ until }) => until.some(({ kind }) => kind === "turned"));
  const slips = recipe.phases.map((_, i) => (i === stop ? { ...NO_SLIP, lateS: 0.12 } : NO_SLIP));
  const late = flown(drill, madeUpRadio(recipe, airframe, settings, drill.environment, slips));
  expect(late).toMatchObject({ passed: false, next: { kind: "stopped-past", withinDeg: 15 } });
  const idle = Array.from({ length: 400 }, (_, i) => ({ timeS: i / 50, roll: 0, pitch: 0, yaw: 0, throttle: 0 }));
  expect(flown(drill, idle).next.kind).toBe("crashed");
});

it("asks of a line its tricks in their order: its own sticks pass, and what breaks off says where", () => {
  const join = { kind: "join", join: { kind: "on", m: 12 } } as const;
  const line: Line = {
    ...{ id: "line", label: "Line", start: { kind: "cruise" }, headingDeg: 90, anchors: [] },
    items: [{ kind: "trick", recipe: "roll-pure-right" }, join, { kind: "trick", recipe: "roll-pure-left" }],
  };
  const environment = { ...CALM_AIR, entryHeightM: 40 };
  const drill = prepareDrill({ kind: "line", line, id: "line", airframe, settings, environment });
  expect(drill.drill.task).toMatchObject({
    kind: "tricks",
    tricks: [
      { kind: "roll", direction: "right" },
      { kind: "roll", direction: "left" },
    ],
  });
  const { trace } = drill.ghost;
  const readings = trace.timeS.map((timeS, i) => ({
    ...{ timeS, roll: trace.stickRoll[i], pitch: trace.stickPitch[i] },
    ...{ yaw: trace.stickYaw[i], throttle: trace.stickThrottle[i] },
  }));
  expect(flown(drill, readings)).toMatchObject({ passed: true, value: 2 });
  const half = readings.slice(0, Math.round(readings.length / 2));
  expect(flown(drill, half)).toMatchObject({ passed: false, next: { kind: "line-broke", at: 2, wants: "roll" } });
});
