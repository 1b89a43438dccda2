import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { airframePresets, CALM_AIR, draftBrief, firstSettings, recipes, STANDARD_DAY, type ScatterRun } from "@/core";
import { builtInSyllabus } from "@/syllabus";
import { useComputed } from "@/ui/scatter/use-scatter";
import { odo, plank, plankSetup, standingAtStep } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import type { BriefData } from "./load";
import { Readiness } from "./readiness";

jest.mock("@/ui/scatter/use-scatter");

const { airframe } = airframePresets["five-inch-freestyle"];
const brief = draftBrief(recipes["flip-one-move-back"], airframe, firstSettings, CALM_AIR);
const step = builtInSyllabus.stepById.get("flip-one-move")!;
const data = (standing = standingAtStep("flip-one-move")): BriefData => ({
  pilot: odo,
  aircraft: plank(),
  setup: plankSetup(2),
  standing,
  school: {},
  own: [],
  faultCounts: { [step.faults[1].id]: 4, [step.faults[0].id]: 1 },
  direction: "back",
  isCurrent: true,
  measured: {},
  day: { air: STANDARD_DAY, from: { kind: "standard" } },
  startHeights: {},
});
/** Of two hundred made-up runs so many are clean, the others hit the ground. */
const runs = (clean: number) =>
  Array.from({ length: 200 }, (_, i): ScatterRun => ({
    failure: i < clean ? null : { kind: "ground" },
    stopErrorDeg: 2,
    lowestM: 3,
    path: null,
  }));
const start = jest.fn();
const cancel = jest.fn();
type State = ReturnType<typeof useComputed>["state"];

/** What was flown is of what is shown where `key` is the one asked for. */
function show(state: (key: string) => State, of = data()) {
  const key = JSON.stringify([brief.recipe, "v2", STANDARD_DAY]);
  jest.mocked(useComputed).mockReturnValue({ state: state(key), start, cancel, warm: jest.fn() } as never);
  renderScreen(
    <Readiness data={of} step={step} aircraft={plank()} setup={plankSetup(2)} brief={brief} air={STANDARD_DAY} />,
  );
}
const done = (clean: number) => (key: string) =>
  ({ kind: "done", key, result: { runs: runs(clean), own: null } }) as State;
const flown = (outcomes: string) => {
  const { evidence, ...standing } = standingAtStep("flip-one-move");
  const attempts = outcomes.length;
  const mean = [...outcomes].filter((one) => one === "c").length / attempts;
  const directions = evidence.directions.map((one) => ({
    ...one,
    attempts,
    posterior: { ...one.posterior, mean, low: mean - 0.1, high: mean + 0.1 },
  }));
  return data({ ...standing, evidence: { ...evidence, directions } });
};

it("is flown when somebody asks for it, with what it takes said on the button, and stopped by the same", async () => {
  show(() => ({ kind: "idle" }) as State);
  await userEvent.click(screen.getByRole("button", { name: "Simulate 200 imperfect runs" }));
  expect(start).toHaveBeenCalledTimes(1);
});

it("says how far it is, and is stopped at once", async () => {
  show(() => ({ kind: "flying", share: 0.42 }) as State);
  await userEvent.click(screen.getByRole("button", { name: "Stop, 42\u202f% flown" }));
  expect(cancel).toHaveBeenCalledTimes(1);
});

it("holds nothing against a pilot who has not flown it, and says what the hands were", () => {
  show(done(150));
  expect(screen.getByText(/Modelled 75\s% .*Not flown yet/)).toBeVisible();
  expect(screen.getByText(/200 runs with typical for this stage; from \d+ measured attempts on/)).toBeVisible();
  expect(screen.getByText(/^In the model: /)).toBeVisible();
});

it("warns of a pilot who goes clean less often than the hands of the stage should, and names the fault seen most", () => {
  show(done(190), flown("crrrrrrrrrrr"));
  expect(screen.getByText(new RegExp(`worse than typical .*"${step.faults[1].short}"`))).toHaveTextContent(/^▲ /);
});

it("agrees where the two intervals meet", () => {
  show(done(100), flown("crcrcrcrcrcr"));
  expect(screen.getByText(/they agree\.$/)).toBeVisible();
});

it("says nothing of what was flown with another setup or air", () => {
  show((key) => done(150)(`${key} of before`));
  expect(screen.queryByText(/Modelled/)).toBeNull();
  expect(screen.getByRole("button", { name: /^Simulate/ })).toBeVisible();
});
