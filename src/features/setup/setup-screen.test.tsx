import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { airframePresets, type Settings, firstSettings } from "@/core";
import type { Aircraft, Setup } from "@/server/repositories";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import type { SetupData } from "./load";
import { SetupScreen } from "./setup-screen";

const pilot = { id: "odo", squadId: "squad", name: "Odo Fenn", stickMode: 2, grip: "thumbs", version: 1 } as const;
const aircraft: Aircraft = {
  id: "plank",
  pilotId: "odo",
  name: "Plank",
  presetId: "five-inch-freestyle",
  airframe: airframePresets["five-inch-freestyle"].airframe,
  flightState: "flying",
};
const version = (number: number, change: Partial<Settings> = {}): Setup => ({
  id: `setup-${number}`,
  aircraftId: "plank",
  number,
  settings: { ...firstSettings, ...change },
  reason: `reason ${number}`,
  coachId: "coach",
  coachName: "Ann Pell",
  createdAtMs: number * 86_400_000,
});
const data = (change: Partial<SetupData> = {}): SetupData => ({
  pilot,
  aircraft,
  setups: [version(2, { tiltDeg: 25 }), version(1)],
  elsewhere: [],
  mayChange: true,
  ...change,
});
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

beforeEach(() => localStorage.clear());

it("asks for the first aircraft, and sends it with the pilot it is for", async () => {
  const sent = fakeServer();
  renderScreen(<SetupScreen data={data({ aircraft: null, setups: [] })} />);
  await userEvent.type(screen.getByLabelText("Name of the aircraft"), "Gull");
  await userEvent.click(screen.getByRole("button", { name: "Add aircraft" }));
  await waitFor(() => expect(navigation.journeys[0]).toMatch(/^\/setup\?pilot=odo&aircraft=/));
  expect(sent[0]).toMatchObject({
    action: "add-aircraft",
    input: { pilotId: "odo", name: "Gull", presetId: "five-inch-freestyle" },
  });
});

it("says what each version changed, newest first, and which numbers are estimates", () => {
  renderScreen(<SetupScreen data={data()} />);
  expect(screen.getByText("tilt 15° → 25°")).toBeVisible();
  expect(screen.getByText(/reason 2/)).toBeVisible();
  expect(screen.getAllByText(/estimate/).length).toBeGreaterThan(0);
  expect(screen.queryByRole("button", { name: /^Save as/ })).toBeNull();
});

it("shows the figures of the curves as they are typed, and saves them with their reason on top of what was read", async () => {
  const sent = fakeServer();
  renderScreen(<SetupScreen data={data()} />);
  const end = () =>
    within(screen.getByRole("row", { name: /^End/ }))
      .getAllByRole("cell")
      .map((cell) => cell.textContent);
  expect(end()).toEqual(["667", "667", "500"]);
  type("pitch super, typed", "0.75");
  expect(end()).toEqual(["667", "800", "500"]);
  expect(screen.getByText("pitch end 667 → 800, half stick 140 → 146 °/s")).toBeVisible();
  type("Why it changes", "Faster pitch");
  await userEvent.click(screen.getByRole("button", { name: "Save as setup 3" }));
  await waitFor(() => expect(navigation.journeys).toContain("refresh"));
  expect(sent[0]).toMatchObject({
    action: "save-setup",
    input: { aircraftId: "plank", basedOn: 2, reason: "Faster pitch" },
  });
  expect((sent[0].input.settings as Settings).rates.pitch).toMatchObject({ super: 0.75 });
  expect(localStorage.getItem("bathygon-setup-draft-plank")).toBeNull();
});

it("holds the save while a number is typed that cannot be, says the range, and lets go when it is mended", () => {
  renderScreen(<SetupScreen data={data()} />);
  type("Tilt, °, typed", "30");
  type("pitch expo, typed", "7");
  expect(screen.getByRole("alert")).toHaveTextContent("pitch expo: 0 to 1");
  expect(screen.getByRole("button", { name: "Mend the marked number first" })).toBeDisabled();
  for (const nonsense of ["", "NaN", "1e999", "-0.1", "<b>"]) {
    type("pitch expo, typed", nonsense);
    expect(screen.getByRole("alert")).toBeVisible();
  }
  type("pitch expo, typed", "0,2");
  expect(screen.queryByRole("alert")).toBeNull();
  expect(screen.getByRole("button", { name: "Save as setup 3" })).toBeEnabled();
});

it("keeps an unsaved change over a reload until it is saved or dropped", async () => {
  const first = renderScreen(<SetupScreen data={data()} />);
  type("Tilt, °, typed", "33");
  first.unmount();
  renderScreen(<SetupScreen data={data()} />);
  expect(screen.getByText(/never saved are back/)).toBeVisible();
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("33");
  await userEvent.click(screen.getByRole("button", { name: "Drop them" }));
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("25");
});

it("drops a kept draft that makes no sense", () => {
  localStorage.setItem("bathygon-setup-draft-plank", JSON.stringify({ settings: { tiltDeg: "x" }, reason: "" }));
  renderScreen(<SetupScreen data={data()} />);
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("25");
});

it("keeps what was entered when the server says no", async () => {
  fakeServer({
    "save-setup": { status: 409, body: { ok: false, message: "Setup 3 was saved meanwhile.", fields: {} } },
  });
  renderScreen(<SetupScreen data={data()} />);
  type("Tilt, °, typed", "40");
  await userEvent.click(screen.getByRole("button", { name: "Save as setup 3" }));
  expect(await screen.findByText("Setup 3 was saved meanwhile.")).toBeVisible();
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("40");
  expect(navigation.journeys).toContain("refresh");
});

it("turns a curve into another family and says how far it strays", async () => {
  renderScreen(<SetupScreen data={data()} />);
  fireEvent.mouseDown(screen.getByRole("combobox", { name: "Roll, family" }));
  await userEvent.click(screen.getByRole("option", { name: "centre and end" }));
  expect(screen.getByText(/nearest curve of "centre and end".*off by \d+ °\/s at worst/)).toBeVisible();
  expect(screen.getByLabelText("roll end, °/s, typed")).toBeVisible();
});

it("warns of a throttle limit that leaves too little to hover", () => {
  const limited = { ...firstSettings.throttle, limit: { kind: "scale", fraction: 0.25 } as const };
  renderScreen(<SetupScreen data={data({ setups: [version(1, { throttle: limited })] })} />);
  expect(screen.getByText(/leaves too little to hover/)).toBeVisible();
});

it("asks for a flight by eye of a new aircraft, and notes that it was done", async () => {
  const sent = fakeServer();
  renderScreen(<SetupScreen data={data({ aircraft: { ...aircraft, flightState: "new" } })} />);
  expect(screen.getByText(/first flight by eye, not goggles/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Flown by eye, all well" }));
  expect(sent[0]).toEqual({ action: "set-flight-state", input: { id: "plank", flightState: "flying" } });
});

it("starts a new version from an old one", async () => {
  renderScreen(<SetupScreen data={data()} />);
  await userEvent.click(screen.getByRole("button", { name: "Start from it" }));
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("15");
  expect(screen.getByLabelText("Why it changes")).toHaveValue("Back to setup 1");
});
