import {
  airframePresets,
  CALM_AIR,
  createPractice,
  drawCall,
  firstSettings,
  flyFigureLate,
  judgeTry,
  madeUpRadio,
  prepareDrill,
  type PracticeRequest,
  type PreparedDrill,
  type Score,
  type StampedSticks,
} from "@/core";
import { NO_SLIP } from "@/core/recipes/slips";
import { builtInSyllabus, findStep, practisedAs, practisedDirections, skillOf, stepsPractised } from ".";

const { airframe } = airframePresets["five-inch-freestyle"];
const manner = { school: {}, own: [] };

function requestFor(stepId: string, direction: string): PracticeRequest {
  const step = findStep(builtInSyllabus, stepId)!;
  const { selfLevel = false, bankLimitDeg = null } = step.wants ?? {};
  const settings = { ...firstSettings, tiltDeg: 25, modes: { ...firstSettings.modes, selfLevel, bankLimitDeg } };
  return { ...practisedAs(step, direction, manner)!, id: stepId, airframe, settings, environment: CALM_AIR };
}

/** What readings of a made-up radio fly, in frames of a 20th; what lands is let down to the ground. */
function flown(drilled: PreparedDrill, { settings }: PracticeRequest, readings: readonly StampedSticks[]): Score {
  const { drill, environment } = drilled;
  const practice = createPractice(drill, airframe, settings, environment);
  const last = readings[readings.length - 1];
  const held = drill.recipe.ends === "landed" ? 2 : 0;
  let at = 0;
  for (let s = 0.05; s < last.timeS + held; s += 0.05) {
    const now: StampedSticks[] = [];
    while (at < readings.length && readings[at].timeS <= s) now.push(readings[at++]);
    practice.advance(0.05, at < readings.length ? now : [...now, { ...last, timeS: Math.max(s, last.timeS) }]);
  }
  return judgeTry(practice.record(), drilled, airframe, settings).score;
}

/** Flown by hands that are late by so much. */
function flownLate(drilled: PreparedDrill, request: PracticeRequest, lateS: number): Score {
  const { drill, environment } = drilled;
  if (request.kind === "figure")
    return judgeTry(flyFigureLate(request, drilled, lateS), drilled, airframe, request.settings).score;
  const slips = drill.recipe.phases.map(() => ({ ...NO_SLIP, lateS }));
  return flown(drilled, request, madeUpRadio(drill.recipe, airframe, request.settings, environment, slips));
}

const IDLE = Array.from({ length: 500 }, (_, i) => ({ timeS: i / 50, roll: 0, pitch: 0, yaw: 0, throttle: 0 }));
/** What asks for nothing that late hands would miss: they brake, come back or skim a little farther on, or turn with what they see. */
const LATE_IS_WELL = ["pitch-brake", "rewind", "land-pass", "spin-track"];

const every = builtInSyllabus.steps.flatMap((step) =>
  practisedDirections(step, manner)
    .slice(0, 1)
    .map(({ id }) => [step.id, id] as const),
);

it.each(every)("%s is practised: good hands pass, late ones are told so, idle ones fall", (stepId, direction) => {
  const request = requestFor(stepId, direction);
  const prepared = prepareDrill(request);
  const drilled = { ...prepared, drill: drawCall(prepared.drill, 0.999) };
  expect(prepared.ghost.measures.ended?.kind).not.toBe("crash");
  const good = flownLate(drilled, request, 0);
  expect(good).toMatchObject({ passed: true });
  if (drilled.drill.task.kind === "call") {
    // The time from the call to the stick is what the hands were late by.
    const late = flownLate(drilled, request, 0.25);
    expect(late.value! - good.value!).toBeCloseTo(0.25, 1);
  } else if (!LATE_IS_WELL.includes(stepId)) {
    expect([0.12, 0.3, 0.6, 0.9].some((lateS) => !flownLate(drilled, request, lateS).passed)).toBe(true);
  }
  expect(flown(drilled, request, IDLE)).toMatchObject({ passed: false, next: { kind: "crashed", into: "ground" } });
});

it("practises every step of stages 1 to 7 in its order, each way it has, but what is checked, joined or flown as one likes", () => {
  const left = builtInSyllabus.steps.filter(
    (step) =>
      skillOf(builtInSyllabus, step).stage > 0 && practisedDirections(step, manner).length < step.directions.length,
  );
  expect(left.map(({ id }) => id)).toEqual(["los-check", "lines"]);
  const listed = stepsPractised(builtInSyllabus, manner).flatMap(({ steps }) => steps.map(({ id }) => id));
  expect(listed).toEqual(every.map(([id]) => id));
});

it("is mirrored for the other side", () => {
  const [right, left] = ["right", "left"].map((side) => prepareDrill(requestFor("bank-square", side)).ghost.trace);
  const at = right.timeS.length - 200;
  expect(left.eastM[at]).toBeCloseTo(-right.eastM[at], 6);
  expect(left.northM[at]).toBeCloseTo(right.northM[at], 6);
});
