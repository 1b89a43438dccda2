import { act, renderHook } from "@testing-library/react";
import { PreferencesProvider } from "@/ui/theme/preferences";
import type { UnitSystem } from "@/words";
import { usePlanFrame, type FrameField } from "./use-plan-frame";

const opened = (units: UnitSystem = "metric") =>
  renderHook(() => usePlanFrame(90), {
    wrapper: ({ children }) => (
      <PreferencesProvider initial={{ theme: "light", units }}>{children}</PreferencesProvider>
    ),
  }).result;
const type = (plan: ReturnType<typeof opened>, name: FrameField, text: string) =>
  act(() => plan.current.set(name, text));

beforeEach(() => localStorage.clear());

it("begins with a usual session, in which nobody has said how windy, how warm or how long light it is", () => {
  const { frame, errors } = opened().current;
  expect(errors).toEqual({});
  expect(frame).toEqual({
    minutes: 90,
    windMps: 0,
    windKnown: false,
    temperatureC: null,
    packMin: 4,
    changeMin: 3,
    spots: 1,
    observers: 1,
    newSteps: 1,
  });
});

it("ends when the light does, and knows a calm from a wind nobody spoke of", () => {
  const plan = opened();
  type(plan, "lightMin", "45");
  type(plan, "windMps", "0");
  type(plan, "temperatureC", "−3,5");
  expect(plan.current.frame).toMatchObject({ minutes: 45, windMps: 0, windKnown: true, temperatureC: -3.5 });
});

it("keeps a coach's habits on the device, and the day's wind and light not", () => {
  const plan = opened();
  type(plan, "packMin", "5,5");
  type(plan, "spots", "2");
  type(plan, "windMps", "7");
  const next = opened().current;
  expect(next.frame).toMatchObject({ packMin: 5.5, spots: 2, windKnown: false });
});

it("names what cannot be, and makes no plan of it; what was typed stays", () => {
  const plan = opened();
  type(plan, "spots", "1.5");
  type(plan, "packMin", "");
  type(plan, "windMps", "strong");
  expect(plan.current.errors).toEqual({ spots: "1 to 10, whole", packMin: "0.5 to 60", windMps: "0 to 40" });
  expect(plan.current.frame).toBeNull();
  expect(plan.current.typed).toMatchObject({ spots: "1.5", packMin: "", windMps: "strong" });
});

it.each(["[1,2]", '{"packMin":4,"spots":{"a":1}}', '"x"', "{"])("begins as usual where %s is kept", (kept) => {
  localStorage.setItem("bathygon-plan-habits", kept);
  expect(opened().current.frame).toMatchObject({ packMin: 4, spots: 1 });
});

it("takes wind and warmth in the units chosen, and says their limits in them", () => {
  const plan = opened("imperial");
  type(plan, "windMps", "10");
  type(plan, "temperatureC", "50");
  expect(plan.current.frame!.windMps).toBeCloseTo(3.048, 9);
  expect(plan.current.frame!.temperatureC).toBeCloseTo(10, 9);
  type(plan, "windMps", "200");
  expect(plan.current.errors).toEqual({ windMps: "0 to 131.23" });
});
