import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { CALM_AIR, costOfTurned, firstSettings, recipes, seededRandom, usualErrors, type TurnedTask } from "@/core";
import { findTrick, type Manner } from "@/syllabus";
import { createPool } from "@/ui/scatter/pool";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import { odo, plank, plankSetup } from "@/ui/testing/made-up";
import { RecommendPanel } from "./recommend-panel";

jest.mock("@/ui/scatter/pool");

const settings = { ...firstSettings, tiltDeg: 20 };
/** A stand-in for the workers: clean as often as `chance` says, each run with its own luck. */
function flownBy(chance: (task: TurnedTask) => number): TurnedTask[] {
  const asked: TurnedTask[] = [];
  const tryTurned = (task: TurnedTask) => {
    asked.push(task);
    return Promise.resolve(
      Array.from({ length: task.to - task.from }, (_, n) => seededRandom(task.from + n + 1)() < chance(task)),
    );
  };
  jest.mocked(createPool).mockReturnValue({
    run: (job) => job({ tryTurned, costOfTurned } as unknown as Parameters<typeof job>[0]),
    warm: () => undefined,
    close: () => undefined,
  });
  return asked;
}
const saved = jest.fn();
function show(manner: Manner = { school: {}, own: [] }, frozen = false) {
  renderScreen(
    <RecommendPanel
      recipe={recipes["flip-slow-back"]}
      trick={findTrick("flip-slow")!}
      direction="back"
      manner={manner}
      settings={settings}
      setup={plankSetup(2, settings)}
      onSaved={saved}
      aircraft={plank()}
      environment={CALM_AIR}
      errors={usualErrors(4)}
      stopWithinDeg={15}
      frozen={frozen}
      hands={{ ...odo, grip: "thumbs" }}
    />,
    { address: "/lab?pilot=odo" },
  );
}
const bound = async (label: string, text: string) => {
  await userEvent.clear(screen.getByLabelText(label));
  await userEvent.type(screen.getByLabelText(label), text);
};

it("looks within the coach's bounds, shows what is gained, and saves it as the next setup with its reason", async () => {
  const asked = flownBy(({ values }) => 0.9 * Math.exp(-((((values.tilt ?? 20) - 34) / 10) ** 2)));
  const sent = fakeServer();
  show();
  expect(screen.getByRole("button", { name: "Search" })).toBeDisabled();
  await userEvent.click(screen.getByRole("checkbox", { name: "Camera tilt may change" }));
  await bound("Camera tilt, from", "15");
  await bound("Camera tilt, to", "99");
  expect(screen.getByRole("button", { name: "Search" })).toBeDisabled();
  await bound("Camera tilt, to", "45");
  await userEvent.click(screen.getByRole("button", { name: "Search" }));
  expect(await screen.findByText(/^Camera tilt 20° to 3\d°$/)).toBeVisible();
  expect(screen.getByText(/clean more often by/)).toHaveTextContent(/points \(\d+ to \d+\), with the same errors/);
  expect(screen.getByText(/^What it costs:/).parentElement).toHaveTextContent(
    /takes \d\.\d to \d\.\d s; asks for \d+\.\d to \d+\.\d m of height by its freezes/,
  );
  for (const { values } of asked) expect(values.tilt! >= 15 && values.tilt! <= 45).toBe(true);
  await userEvent.click(screen.getByRole("button", { name: "Save as setup 3" }));
  await waitFor(() => expect(navigation.journeys[0]).toMatch(/^\/setup\?/));
  expect(saved).toHaveBeenCalledTimes(1);
  expect(sent[0]).toMatchObject({
    action: "save-setup",
    input: {
      aircraftId: "plank",
      basedOn: 2,
      reason: expect.stringMatching(/^Scatter: camera tilt 20° to 3\d°\. Modelled clean: slow flip \d+ to \d+\s%\.$/),
    },
  });
  expect((sent[0].input.settings as { tiltDeg: number }).tiltDeg).toBeGreaterThan(28);
});

it("says so when nothing beats the present setup, and offers nothing to save", async () => {
  flownBy(() => 0.6);
  show();
  await userEvent.click(screen.getByRole("checkbox", { name: "Throttle, middle may change" }));
  await userEvent.click(screen.getByRole("button", { name: "Search" }));
  expect(await screen.findByText("Nothing found beats the present setup")).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Save as setup/ })).toBeNull();
});

it("weighs another trick together with it, and keeps what was found as it was asked", async () => {
  const asked = flownBy(() => 0.5);
  show();
  await userEvent.click(screen.getByRole("checkbox", { name: "Pitch, expo may change" }));
  await userEvent.click(screen.getByRole("combobox", { name: "Also keep these tricks clean" }));
  await userEvent.click(screen.getByRole("option", { name: findTrick("flip-one-move")!.name }));
  await userEvent.click(screen.getByRole("button", { name: "Search" }));
  await screen.findByText("Nothing found beats the present setup");
  expect(new Set(asked.map(({ plan }) => plan.recipe.id))).toEqual(new Set(["flip-slow-back", "flip-one-move-back"]));
  // What was found stays as it was asked, whatever is ticked since.
  await userEvent.click(screen.getByRole("checkbox", { name: "Camera tilt may change" }));
  expect(screen.getByText("Nothing found beats the present setup")).toBeVisible();
});

it("counts each trick as much as the coach says, and flies the other in the pilot's own way", async () => {
  const near = (at: number) => (tilt: number) => 0.9 * Math.exp(-(((tilt - at) / 10) ** 2));
  const asked = flownBy(({ plan, values }) =>
    (plan.recipe.label === "Mine" ? near(38) : near(22))(values.tilt ?? settings.tiltDeg),
  );
  const own = {
    id: "mine",
    name: "Mine",
    trick: "flip-one-move",
    instead: "usual",
    direction: "back",
    bothWays: false,
    recipe: recipes["flip-one-move-back"],
  };
  show({ school: {}, own: [own] });
  await userEvent.click(screen.getByRole("checkbox", { name: "Camera tilt may change" }));
  await userEvent.click(screen.getByRole("combobox", { name: "Also keep these tricks clean" }));
  await userEvent.click(screen.getByRole("option", { name: findTrick("flip-one-move")!.name }));
  await bound("Flip in one movement counts", "99");
  expect(screen.getByRole("button", { name: "Search" })).toBeDisabled();
  await bound("Flip in one movement counts", "9");
  await userEvent.click(screen.getByRole("button", { name: "Search" }));
  // Where the heavier trick goes clean, whatever the other thinks of it.
  expect(await screen.findByText(/^Camera tilt 20° to 3[4-9]°/)).toBeVisible();
  expect(asked.some(({ plan }) => plan.recipe.id === "mine-back")).toBe(true);
});

it("stops at once when asked", async () => {
  const close = jest.fn();
  jest.mocked(createPool).mockReturnValue({ run: () => new Promise(() => undefined), warm: () => undefined, close });
  show();
  await userEvent.click(screen.getByRole("checkbox", { name: "Pitch, expo may change" }));
  await userEvent.click(screen.getByRole("button", { name: "Search" }));
  await userEvent.click(screen.getByRole("button", { name: "Stop" }));
  expect(close).toHaveBeenCalled();
  expect(screen.getByRole("button", { name: "Search" })).toBeEnabled();
});
