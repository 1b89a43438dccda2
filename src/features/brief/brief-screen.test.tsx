import { type Day, standardDay } from "@/syllabus";
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { DomainError, airframePresets, draftBrief, CALM_AIR, recipes, type Settings, firstSettings } from "@/core";
import { odo, plank, plankSetup, standingAtStep } from "@/ui/testing/made-up";
import { navigation, renderScreen } from "@/ui/testing/render-screen";
import { useStartHeight, type StartHeightState } from "@/ui/start-height/use-start-height";
import { BriefScreen } from "./brief-screen";
import type { BriefData } from "./load";
import { useBrief, type BriefState } from "./use-brief";

jest.mock("./use-brief");
jest.mock("@/ui/start-height/use-start-height");

const airframe = airframePresets["five-inch-freestyle"].airframe;
const done = (settings: Settings = firstSettings): BriefState => ({
  kind: "done",
  brief: draftBrief(recipes["flip-one-move-back"], airframe, settings, CALM_AIR),
  wind: null,
});

const KNOWN: StartHeightState = {
  kind: "known",
  startHeight: { heightM: 9.3, reason: { kind: "scatter", runs: 1000, lostM: 9.2, packUsed: 0.8 } },
};

function show(
  state: BriefState,
  change: Partial<BriefData> = {},
  settings: Settings = firstSettings,
  height = KNOWN,
): void {
  jest.mocked(useBrief).mockReturnValue(state);
  jest.mocked(useStartHeight).mockReturnValue(height);
  const data: BriefData = {
    pilot: odo,
    aircraft: plank(),
    setup: plankSetup(2, settings),
    standing: standingAtStep("flip-one-move"),
    school: {},
    own: [],
    faultCounts: {},
    direction: "back",
    isCurrent: false,
    measured: {},
    day: standardDay,
    startHeights: {},
    ...change,
  };
  renderScreen(<BriefScreen data={data} />, { address: "/brief?pilot=odo" });
}

it("leads to the aircraft or the setup that is missing", () => {
  show({ kind: "computing" }, { aircraft: null, setup: null });
  expect(screen.getByRole("link", { name: "Add an aircraft" })).toHaveAttribute(
    "href",
    expect.stringMatching(/^\/setup/),
  );
  document.body.innerHTML = "";
  show({ kind: "computing" }, { setup: null });
  expect(screen.getByRole("link", { name: "Make the first setup" })).toBeVisible();
});

it("shows the drawing at once and the minimum start height when it is there, with what decided it", async () => {
  show(done(), {}, firstSettings, { kind: "computing", share: 0.4 });
  expect(screen.getByText(/being worked out, 40\s%/)).toBeVisible();
  expect(screen.queryByText(/begin .* up$/)).toBeNull();
  document.body.innerHTML = "";
  show(done());
  const figure = screen.getByRole("button", { name: /^Minimum start height: 9\.3 m/ });
  await userEvent.click(figure);
  expect(screen.getByText(/1000 flights on a nearly empty pack: three lose more than 9\.2 m/)).toBeVisible();
});

it("draws the line to begin at once the trick is flown from there, and not before", () => {
  show(done());
  expect(screen.queryByText(/begin .* up$/)).toBeNull();
  document.body.innerHTML = "";
  const flown = done();
  if (flown.kind !== "done") throw new Error("not flown");
  show({ ...flown, brief: { ...flown.brief, entryHeightM: 9.5 } });
  expect(screen.getByText(/begin 9\.5 m up$/)).toBeInTheDocument();
});

it("shows progress while it computes, with the words of the step already there", () => {
  show({ kind: "computing" });
  expect(screen.getByRole("progressbar", { name: "Flying it in the model" })).toBeVisible();
  expect(screen.getByText(/Stick right in and out again in one movement/)).toBeVisible();
  expect(screen.getByText(/Local height limits and rules come first/)).toBeVisible();
});

it("shows sticks, path, instructions and figures of the flown trick, each figure with its reason", async () => {
  show(done());
  expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Flip in one movement, backward");
  expect(screen.getByText("looking ahead", { exact: false })).toBeVisible();
  const figures = within(screen.getByRole("region", { name: /For Plank, setup 2/ }));
  expect(figures.getAllByRole("button").map((button) => button.getAttribute("aria-label")!.split(":")[0])).toEqual([
    "Punch",
    "Minimum start height",
    "Climbed at closing",
    "Climb at closing",
    "Hang time",
    "Time of the turn",
    "Highest point",
    "Centre the stick at",
    "Stop error, as above",
    "If centred at 360°",
  ]);
  expect(screen.getByRole("img", { name: /^right hand, Pitch and roll/ })).toBeInTheDocument();
  expect(screen.getByText(/it works up to/)).toBeVisible();
  for (const button of figures.getAllByRole("button")) {
    await userEvent.click(button);
    const why = await screen.findByRole("dialog", { name: "Why this number" });
    expect(why).toHaveTextContent("Plank");
    expect(why).toHaveTextContent("Flight model");
    await userEvent.click(within(why).getByRole("button", { name: "Close" }));
  }
});

it("gives the cue of the direction flown", () => {
  show(done());
  expect(screen.getByText(/You went past: centre earlier/)).toBeVisible();
  document.body.innerHTML = "";
  show(done(), { direction: "front" });
  expect(screen.getByText(/You stopped short: centre later, and change nothing else/)).toBeVisible();
});

it("moves through time by key and marks the instruction of the moment", async () => {
  show(done());
  expect(screen.getByText("0.00 s")).toBeVisible();
  await userEvent.keyboard("{ArrowRight}{ArrowRight}");
  expect(screen.getByText("0.10 s")).toBeVisible();
  await userEvent.keyboard("{ArrowLeft}");
  expect(screen.getByText("0.05 s")).toBeVisible();
});

it("goes to the other direction and to the steps beside it, by button and by key", async () => {
  show(done());
  await userEvent.click(screen.getByRole("button", { name: "forward" }));
  await userEvent.keyboard("p");
  await userEvent.click(screen.getByRole("button", { name: "Next step: Flip, ease only the end" }));
  expect(
    navigation.journeys
      .map((to) => new URLSearchParams(to.split("?")[1]))
      .map((to) => `${to.get("step")} ${to.get("direction")}`),
  ).toEqual(["flip-one-move front", "flip-ease-quarter back", "flip-ease-end back"]);
});

it("says why it does not go, and what stands against it", () => {
  const held: Settings = { ...firstSettings, modes: { ...firstSettings.modes, bankLimitDeg: 30 } };
  show(done(held), {}, held);
  const warning = screen.getByRole("alert");
  expect(warning).toHaveTextContent("the turn never comes round");
  expect(warning).toHaveTextContent("bank limit of 30°");
  // Figures of a trick that does not go would mislead.
  expect(screen.getByText(/No figures for Plank/)).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Punch/ })).toBeNull();
  expect(screen.queryByText(/it works up to/)).toBeNull();
  expect(within(warning).getByRole("link", { name: "Setup" })).toBeVisible();
  document.body.innerHTML = "";
  show({ kind: "impossible", why: new DomainError("airframe.massKg", 0, "", undefined, [0.01, 25]) });
  expect(screen.getByRole("alert")).toHaveTextContent("Weight must be between 10 and 25000 g (now 0 g)");
});

it("briefs a trick that stays upright too: what to do, its figures, its obstacle and its way out in metres", () => {
  const recipe = recipes["bail-wall"];
  const standing = standingAtStep("bail-wall", [], { signedOff: ["pitch-brake"] });
  const brief = draftBrief(recipe, airframe, { ...firstSettings, tiltDeg: 15 }, CALM_AIR);
  show({ kind: "done", brief, wind: null }, { standing, direction: "on" });
  expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Bail off a wall");
  expect(screen.getByRole("button", { name: /^Clearance: \d/ })).toBeVisible();
  expect(screen.getByText(/it works up to/, { selector: "p" })).toHaveTextContent(/after the entry, \d+\.\d.m along/);
  expect(screen.getByText(/Speed is the real fault/)).toBeVisible();
  expect(screen.queryByRole("alert")).toBeNull();
});

it("says what to look at where no model can judge, with or without an aircraft", () => {
  const standing = standingAtStep("los-nose-in");
  show({ kind: "computing" }, { standing, direction: "on", aircraft: null, setup: null });
  const region = screen.getByRole("region", { name: "What to look at" });
  expect(within(region).getAllByRole("listitem").length).toBeGreaterThanOrEqual(2);
  expect(screen.getByText(/Simulator first/)).toBeVisible();
  expect(screen.queryByRole("link", { name: "In the lab" })).toBeNull();
});

it("is worked out for the air of the day, says what the wind does, and lets the air be changed here and now", async () => {
  const day: Day = {
    air: { elevationM: 640, temperatureC: 21, windMps: 4 },
    from: { kind: "session", siteName: "Upper pans" },
  };
  const state = done();
  show(
    {
      ...(state as Extract<BriefState, { kind: "done" }>),
      wind: { driftM: 6.2, sideDriftM: 5.8, crabDeg: null },
    },
    { day },
  );
  expect(screen.getByText(/Upper pans, 640.m, 21 °C, wind 4\.0.m\/s/)).toBeVisible();
  expect(screen.getByText("Face the wind.").parentElement).toHaveTextContent(
    /drifts back by 6\.2.m.*to the side by 5\.8.m/,
  );
  const asked = () => jest.mocked(useStartHeight).mock.lastCall![0]!.environment;
  // Coarse, to the side of thinner air and more wind, faced.
  expect(asked()).toMatchObject({ siteElevationM: 700, windNorthMps: -4 });
  await userEvent.click(screen.getByRole("button", { name: "Change the air" }));
  const wind = screen.getByLabelText("Wind, m/s");
  await userEvent.clear(wind);
  await userEvent.type(wind, "77");
  expect(asked().windNorthMps).toBe(-7);
  expect(screen.getByText("0 to 40")).toBeVisible();
  await userEvent.clear(wind);
  await userEvent.type(wind, "2,5");
  expect(asked().windNorthMps).toBe(-3);
});

it("shows a pilot the kept minimum start height or that it is not worked out yet, and works nothing out", () => {
  show(done(), {}, firstSettings, { kind: "absent" });
  expect(screen.getByText(/not worked out yet/)).toBeVisible();
  expect(screen.queryByText(/begin .* up$/)).toBeNull();
  const kept = { heightM: 8.1, reason: { kind: "freeze", before: "catch", lostM: 6.6, packUsed: 0 } } as const;
  show(done(), { startHeights: { back: kept } });
  expect(jest.mocked(useStartHeight).mock.lastCall![1]).toMatchObject({ kept });
});

it("counts crashes of a trick at its own height in the worker, and says so while it does", async () => {
  const landing: BriefState = {
    kind: "done",
    brief: draftBrief(recipes["land-stop"], airframe, firstSettings, CALM_AIR),
    wind: null,
  };
  show(landing, { standing: standingAtStep("land-stop"), direction: "on" });
  expect(screen.getByText("Crashes of 1,000")).toBeVisible();
  // No worker here: what went wrong is said, never a figure.
  expect(await screen.findByText(/^(being counted|not counted)/)).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Crashes of 1,000/ })).toBeNull();
});

it.each([
  ["disarm", /disarm at once, wherever it is/],
  ["fly-out", /fly it out as above/],
  ["level-switch", /throw the switch that levels it, throttle up; tap it as bailed/],
])("says under the way out what the side %s does in trouble", (side, words) => {
  show(done(), { school: { trouble: side } });
  expect(screen.getByText(words)).toBeVisible();
});
