import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Site } from "@/contract";
import { courses, EMPTY_PLAN, type SitePlan } from "@/core";
import { plank, plankSetup } from "@/ui/testing/made-up";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import type { PlanData } from "./load-plan";
import planCanvas from "./plan-canvas";
import { PlanScreen } from "./plan-screen";
import { shrunkPicture } from "./shrunk-picture";

jest.mock("@/ui/worker/use-newest", () => jest.requireActual("@/ui/testing/on-the-spot"));
jest.mock("./shrunk-picture", () => {
  const { shrunkPicture } = jest.requireActual<typeof import("./shrunk-picture")>("./shrunk-picture");
  return { shrunkPicture: jest.fn(shrunkPicture) };
});

const site: Site = {
  ...{ id: "pans", squadId: "squad", name: "Evaporation pans", surface: "dry salt", roomM: 80, ceilingM: 60 },
  ...{ elevationM: 4, features: "", hazards: "", rules: "", askWhom: "", version: 1 },
};
const line = courses["stop-line"]({ headingDeg: 90 });
const drawn: SitePlan = {
  ...EMPTY_PLAN,
  features: [
    {
      ...{ id: "path", kind: "people", name: "Dyke path", heightM: null, widthM: null, ground: null, fetchable: true },
      points: [
        { eastM: -60, northM: -9 },
        { eastM: 60, northM: -9 },
      ],
    },
  ],
  courses: [
    {
      ...{ id: "line", kind: "stop-line", name: "", parameters: { headingDeg: 90 }, poles: line.poles },
      order: line.poles.map(({ id }) => id),
      pegs: [
        { eastM: -16, northM: -8 },
        { eastM: 16, northM: -8 },
      ],
    },
  ],
};
const data = (plan: SitePlan, change: Partial<PlanData> = {}): PlanData => ({
  ...{ site, kept: { siteId: site.id, version: 3, plan }, flown: null, mayChange: true },
  flyable: { manner: { school: {}, own: [] }, lines: [] },
  ...change,
});
const add = async (what: string) => {
  await userEvent.click(screen.getByRole("button", { name: "Add" }));
  await userEvent.click(screen.getByRole("menuitem", { name: what }));
};
const rowOf = (pole: string) => within(screen.getByRole("checkbox", { name: `Pole ${pole} stands` }).closest("tr")!);

beforeEach(() => {
  localStorage.clear();
  fakeServer();
});

it("leads from an empty plan to a boundary and a course in it, and sends what was drawn on the version that was read", async () => {
  const sent = fakeServer();
  renderScreen(<PlanScreen data={data(EMPTY_PLAN)} />);
  expect(screen.getByText(/Draw the boundary first/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Put in the middle" }));
  await userEvent.click(screen.getByRole("menuitem", { name: "Boundary" }));
  expect(screen.getByText(/6400 m²/)).toBeVisible();
  await add("A course");
  expect(screen.getByText(/laid into the boundary/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Add it" }));
  expect(await screen.findByRole("heading", { name: "Set out" })).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({ action: "save-plan", input: { id: "pans", version: 3 } });
  const { plan } = sent[0].input as { plan: SitePlan };
  expect(plan.features).toMatchObject([{ kind: "boundary" }]);
  expect(plan.courses).toMatchObject([{ kind: "stop-line", order: ["1", "2", "3", "4", "5"] }]);
});

it("says with numbers that a course finds no room", async () => {
  renderScreen(<PlanScreen data={data(EMPTY_PLAN)} />);
  await userEvent.click(screen.getByRole("button", { name: "Put in the middle" }));
  await userEvent.click(screen.getByRole("menuitem", { name: "Boundary" }));
  await add("A course");
  const apart = screen.getByLabelText("Apart, m");
  await userEvent.clear(apart);
  await userEvent.type(apart, "55");
  await userEvent.click(screen.getByRole("button", { name: "Add it" }));
  expect(screen.getByRole("alert")).toHaveTextContent(/No room for the stop line: it needs 244\sm by 10\sm clear/);
});

it("gives each pole its tapes, offsets and steps, ticks what stands and shows it again after a reload", async () => {
  const { unmount } = renderScreen(<PlanScreen data={data(drawn)} />);
  // Pole 3 stands over the middle of the baseline: √(16² + 8²).
  expect(rowOf("3").getAllByText("17.89")).toHaveLength(2);
  await userEvent.click(screen.getByRole("button", { name: "Offsets" }));
  expect(rowOf("3").getByText("16.00")).toBeVisible();
  expect(rowOf("3").getByText("8.00 L")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Steps" }));
  // Both tapes and the check of 18 m.
  expect(rowOf("3").getAllByText("24.0")).toHaveLength(3);
  await userEvent.click(screen.getByRole("checkbox", { name: "Pole 3 stands" }));
  unmount();
  renderScreen(<PlanScreen data={data(drawn)} />);
  expect(screen.getByRole("checkbox", { name: "Pole 3 stands" })).toBeChecked();
});

it("says which pole stands out by what was measured back, and which way it goes", async () => {
  renderScreen(<PlanScreen data={data(drawn)} />);
  await userEvent.click(screen.getByRole("button", { name: /Measured back/ }));
  const note = async (from: string, to: string, m: string) => {
    for (const [label, id] of [
      ["From", from],
      ["To", to],
    ]) {
      await userEvent.click(screen.getByRole("combobox", { name: label }));
      await userEvent.click(screen.getByRole("option", { name: id }));
    }
    await userEvent.type(screen.getByLabelText("Measured, m"), m);
    await userEvent.click(screen.getByRole("button", { name: "Note it" }));
  };
  await note("A", "3", "18.44");
  await note("B", "3", "17.36");
  // East of its place by 0.6 m: 16.6² + 8² and 15.4² + 8².
  expect(await screen.findByText(/Pole 3 stands 0\.6\d?\sm out: move it 0\.\d+\sm toward/)).toBeVisible();
});

it("warns in red of people within the throw, and of nothing once the course is moved off by keys", async () => {
  renderScreen(<PlanScreen data={data(drawn)} />);
  expect(screen.getByRole("alert")).toHaveTextContent(
    /Stop line: 9\.0\sm from Dyke path; a dead aircraft is thrown 15\.0\sm/,
  );
  await userEvent.click(screen.getByRole("button", { name: /On the plan/ }));
  await userEvent.click(screen.getByRole("button", { name: "Stop line" }));
  act(() => (document.activeElement as HTMLElement).blur());
  for (let i = 0; i < 13; i++) await userEvent.keyboard("{ArrowUp}");
  expect(screen.queryByText(/Dyke path; a dead/)).toBeNull();
  // One gesture is taken back as one.
  await userEvent.keyboard("u");
  expect(screen.getByRole("alert")).toHaveTextContent(/9\.0\sm from Dyke path/);
});

it("says paces and throw with the aircraft at hand, and whose it is", () => {
  const flown = { pilotName: "Odo Fenn", aircraft: plank(), setup: plankSetup(2) };
  renderScreen(<PlanScreen data={data(drawn, { flown })} />);
  expect(screen.getByText(/With Plank of Odo Fenn/)).toHaveTextContent(/setup 2/);
  expect(screen.getByText(/the ground stays in the picture while pulling up/)).toBeVisible();
  expect(screen.getByText(/^Dead at/)).toHaveTextContent(/thrown \d+\.\d\sm/);
});

it("shows a pilot the same with nothing to change", () => {
  renderScreen(<PlanScreen data={data(drawn, { mayChange: false })} />);
  expect(screen.getByRole("heading", { name: "Set out" })).toBeVisible();
  expect(screen.queryByRole("button", { name: /^(Save|Add|Draw|Undo|Take it off the plan)$/ })).toBeNull();
});

it("lays a trick at the pilot stand into the wind, says in red what it breaks and how many flights with errors do, and sends it with the plan", async () => {
  const sent = fakeServer();
  const flown = { pilotName: "Odo Fenn", aircraft: plank(), setup: plankSetup(2) };
  renderScreen(<PlanScreen data={data(drawn, { flown })} />);
  const wind = screen.getByRole("textbox", { name: "Wind, m/s, typed" });
  await userEvent.clear(wind);
  await userEvent.type(wind, "3{Tab}");
  await add("A trick or a line flown here");
  await userEvent.click(screen.getByRole("combobox", { name: "Trick" }));
  await userEvent.click(screen.getByRole("option", { name: "Split-S" }));
  await userEvent.click(screen.getByRole("button", { name: "Lay it" }));
  expect(await screen.findByRole("heading", { name: "Split-S, right" })).toBeVisible();
  expect(screen.getByText("As Odo Fenn flies it with Plank.")).toBeVisible();
  expect(await screen.findByText(/^Takes/)).toHaveTextContent(/m along and/);
  expect(screen.getByRole("alert")).toHaveTextContent(/Split-S, right: \d+\.\d\sm from Dyke path; a dead aircraft/);
  expect(await screen.findByText(/of them: \d/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(sent).toHaveLength(1));
  const { plan } = sent[0].input as { plan: SitePlan };
  expect(plan.flights).toMatchObject([
    { of: { kind: "step", stepId: "split-s", direction: "right" }, at: { eastM: 0 }, headingDeg: 230 },
  ]);
});

it("lays a picture of one's own under the plan, scaled by what was measured on it; a drawing that is no picture is refused", async () => {
  const sent = fakeServer();
  renderScreen(<PlanScreen data={data(drawn)} />);
  await userEvent.click(screen.getByRole("button", { name: /Picture underneath/ }));
  const file = screen.getByLabelText("Picture to lie under the plan");
  fireEvent.change(file, { target: { files: [new File(["<svg/>"], "a.svg", { type: "image/svg+xml" })] } });
  expect(await screen.findByText("▲ A picture is a JPEG, PNG or WebP.")).toBeVisible();
  jest.mocked(shrunkPicture).mockResolvedValueOnce({ widthPx: 800, heightPx: 600, jpeg: "AAAA" });
  fireEvent.change(file, { target: { files: [new File(["x"], "a.jpg", { type: "image/jpeg" })] } });
  await userEvent.click(await screen.findByRole("button", { name: "Measure between two points" }));
  act(() => jest.mocked(planCanvas).mock.lastCall![0].events.onMeasured(25));
  await userEvent.type(await screen.findByLabelText("On the ground that is, m"), "40");
  await userEvent.click(screen.getByRole("button", { name: "Scale the picture" }));
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[0]).toMatchObject({ action: "put-site-picture", input: { id: "pans", jpeg: "AAAA" } });
  // 100 m at first, 40 for every 25.
  expect((sent[1].input as { plan: SitePlan }).plan.picture).toMatchObject({ widthPx: 800, widthM: 160 });
});

it("leaves out a line that is no longer there", async () => {
  const flights = [
    { id: "f", of: { kind: "line", lineId: "gone" } as const, at: { eastM: 0, northM: 0 }, headingDeg: 0 },
  ];
  renderScreen(<PlanScreen data={data({ ...drawn, flights })} />);
  expect(screen.getByRole("button", { name: /On the plan/ })).toHaveTextContent("2");
});
