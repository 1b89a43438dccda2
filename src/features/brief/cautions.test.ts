import { airframePresets, draftBrief, CALM_AIR, firstSettings, recipes } from "@/core";
import { builtInSyllabus, findStep } from "@/syllabus";
import { plank } from "@/ui/testing/made-up";
import { cautionsFor } from "./cautions";

const airframe = airframePresets["five-inch-freestyle"].airframe;
const aircraft = plank();

it("a brief says what stands against the step with these settings", () => {
  const step = findStep(builtInSyllabus, "flip-slow")!;
  expect(cautionsFor(step, aircraft, firstSettings)).toEqual([]);
  const { modes } = firstSettings;
  const with_ = (change: object) => cautionsFor(step, aircraft, { ...firstSettings, ...change }).join(" ");
  expect(with_({ modes: { ...modes, idleAuthority: false } })).toContain("will not turn");
  expect(with_({ modes: { ...modes, bankLimitDeg: 30 } })).toContain("bank limit of 30°");
  expect(with_({ modes: { ...modes, selfLevel: true } })).toContain("Self-level is on");
  const slow = { family: "end-cubic", endDps: 300, expo: 0.4 };
  expect(with_({ rates: { ...firstSettings.rates, pitch: slow } })).toContain("ends at 300 °/s");
  expect(cautionsFor(step, { ...aircraft, flightState: "repaired" }, firstSettings)[0]).toContain("by eye first");
});

it("a brief of an aircraft that may not turn over says so and still has a picture", () => {
  const held = { ...firstSettings, modes: { ...firstSettings.modes, bankLimitDeg: 30 } };
  const { problem, minimumStartHeightM, flight } = draftBrief(recipes["flip-slow-back"], airframe, held, CALM_AIR);
  expect(problem).toEqual({ kind: "aim-not-met", aim: "stop-on-mark" });
  expect(minimumStartHeightM).toBeNull();
  expect(flight.trace.timeS.length).toBeGreaterThan(10);
});
