import { renderHook, act, waitFor } from "@testing-library/react";
import { airframePresets, firstSettings, STANDARD_DAY, startHeightKey, type StartHeight } from "@/core";
import { builtInSyllabus } from "@/syllabus";
import { keepOnServer, keptStartHeight, workOut } from "@/ui/start-height/work-out";
import type { Candidate } from "./load";
import { dayOfPlan, startHeightsAsked, startHeightText } from "./start-heights";
import { useStartHeights } from "./use-start-heights";

jest.mock("@/ui/start-height/work-out");
jest.mock("@/ui/scatter/pool", () => ({ createPool: () => ({ close: () => undefined }) }));

const { airframe } = airframePresets["five-inch-freestyle"];
const one = {
  school: {},
  own: [],
  reactionS: null,
  lines: [],
  setups: [{ id: "v2", name: "Plank · setup 2", airframe, settings: firstSettings }],
} as unknown as Candidate;
const flying = (stepId: string) => ({ one, stepId, setupId: "v2", syllabus: builtInSyllabus });
const height = (heightM: number): StartHeight => ({
  heightM,
  reason: { kind: "freeze", before: "catch", lostM: heightM - 1.5, packUsed: 0 },
});
const known = (stepId: string, heights: readonly number[]) =>
  new Map(
    startHeightsAsked(flying(stepId), STANDARD_DAY).flatMap(([, inputs], i) =>
      heights[i] === undefined ? [] : [[startHeightKey(inputs), height(heights[i])] as const],
    ),
  );
const text = (stepId: string, heights: readonly number[]) =>
  startHeightText(flying(stepId), STANDARD_DAY, known(stepId, heights), "metric");

it("says the height of a step once where both directions agree, each where they do not, and nothing of half of it", () => {
  expect(text("roll-level", [6, 6])).toMatch(/^Minimum start height 6\.0.m$/);
  expect(text("flip-one-move", [8.3, 9.1])).toMatch(/^Minimum start height 8\.3.m backward, 9\.1.m forward$/);
  expect(text("flip-one-move", [8.3])).toBe("Minimum start height not worked out yet");
  expect(text("land-stop", [])).toBeNull();
  expect(text("los-hover", [])).toBeNull();
});

it("goes by the site's elevation and by what was said of the day", () => {
  expect(dayOfPlan({ elevationM: 640 }, { windMps: 3, temperatureC: 21 })).toEqual({
    elevationM: 640,
    temperatureC: 21,
    windMps: 3,
  });
  expect(dayOfPlan(null, null)).toEqual(STANDARD_DAY);
});

it("looks up what is kept, works out only the rest when asked to, and has it kept", async () => {
  const [roll] = startHeightsAsked(flying("roll-level"), STANDARD_DAY).map(([, inputs]) => inputs);
  const [back, front] = startHeightsAsked(flying("flip-one-move"), STANDARD_DAY).map(([, inputs]) => inputs);
  jest.mocked(keptStartHeight).mockImplementation(async (key) => (key === startHeightKey(roll) ? height(6) : null));
  jest.mocked(workOut).mockImplementation(async (_, inputs) => height(inputs === back ? 8 : 9));
  const asked = [roll, back, front].map((inputs) => ["", inputs, () => startHeightKey(inputs)] as const);
  const { result } = renderHook(() => useStartHeights(asked));
  await waitFor(() => expect(result.current.missing).toBe(2));
  act(() => result.current.workOutMissing());
  await waitFor(() => expect(result.current.missing).toBe(0));
  expect(result.current.known.get(startHeightKey(front))).toEqual(height(9));
  expect(jest.mocked(keepOnServer).mock.calls).toEqual([
    [startHeightKey(back), height(8)],
    [startHeightKey(front), height(9)],
  ]);
});
