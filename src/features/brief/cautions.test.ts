import { airframePresets, draftBrief, CALM_AIR, firstSettings, recipes } from "@/core";
import { builtInSyllabus, findStep, settingsToBegin } from "@/syllabus";
import { odo, plank } from "@/ui/testing/made-up";
import { cautionsFor } from "./cautions";

const airframe = airframePresets["five-inch-freestyle"].airframe;
const aircraft = plank();

it("a brief says what stands against the step with these settings", () => {
  const step = findStep(builtInSyllabus, "flip-slow")!;
  expect(cautionsFor(step, 4, aircraft, firstSettings)).toEqual([]);
  const { modes } = firstSettings;
  const with_ = (change: object) => cautionsFor(step, 4, aircraft, { ...firstSettings, ...change }).join(" ");
  expect(with_({ modes: { ...modes, idleAuthority: false } })).toContain("will not turn");
  expect(with_({ modes: { ...modes, bankLimitDeg: 30 } })).toContain("bank limit of 30°");
  expect(with_({ modes: { ...modes, selfLevel: true } })).toContain("Self-level is on");
  const slow = { family: "end-cubic", endDps: 300, expo: 0.4 };
  expect(with_({ rates: { ...firstSettings.rates, pitch: slow } })).toContain("ends at 300 °/s");
  expect(cautionsFor(step, 4, { ...aircraft, flightState: "repaired" }, firstSettings)[0]).toContain("by eye first");
});

it("a brief of an aircraft that may not turn over says so and still has a picture", () => {
  const held = { ...firstSettings, modes: { ...firstSettings.modes, bankLimitDeg: 30 } };
  const { problem, minimumStartHeightM, flight } = draftBrief(recipes["flip-slow-back"], airframe, held, CALM_AIR);
  expect(problem).toEqual({ kind: "aim-not-met", aim: "stop-on-mark" });
  expect(minimumStartHeightM).toBeNull();
  expect(flight.trace.timeS.length).toBeGreaterThan(10);
});

it("checks what the step is about and what is usual at its stage, and never warns of what the stage proposes", () => {
  const at = (id: string, stage: number, change: object = {}) =>
    cautionsFor(findStep(builtInSyllabus, id)!, stage, aircraft, { ...firstSettings, ...change });
  const { modes } = firstSettings;
  expect(at("limit-30", 2, { modes: { ...modes, bankLimitDeg: 60 } })).toEqual([
    "The bank limit is 60°; this step is about 30°.",
  ]);
  expect(at("limit-off", 2)).toEqual([]);
  expect(at("level-hover", 2)).toEqual(["Self-level is off: this step is flown with it."]);
  expect(at("bail-wall", 2, { tiltDeg: 30 })).toEqual([
    "The camera is tilted 30°: above 20° you lose sight of what you lean away from.",
  ]);
  expect(at("los-hover", 1)).toEqual([
    "It turns at up to 667 °/s; by eye about 300 is usual. Lower the end rates first.",
  ]);
  const school = { tilt: "by-stage", route: "eyes-first" } as const;
  for (const [id, stage] of [
    ["los-hover", 1],
    ["fp-hover", 2],
    ["gap-wide", 3],
    ["flip-slow", 4],
  ] as const)
    expect(at(id, stage, settingsToBegin(firstSettings, airframe, stage, school, odo))).toEqual([]);
});
