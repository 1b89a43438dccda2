import { standardDay } from "@/syllabus";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { type Settings, firstSettings, levelTurnRates, ownCruise, SEA_LEVEL_AIR } from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import { plank } from "@/ui/testing/made-up";
import type { SetupData } from "./load";
import { SetupScreen } from "./setup-screen";

const pilot = {
  id: "odo",
  squadId: "squad",
  name: "Odo Fenn",
  stickMode: 2,
  grip: "thumbs",
  settingsFrozen: false,
  reactionS: null,
  cruiseMps: null,
  reachShare: null,
  stickLengthMm: null,
  referenceAircraftId: null,
  school: {},
  version: 1,
} as const;
const aircraft: Aircraft = plank();
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
  loads: [],
  checks: { tilts: [], flights: [] },
  setups: [version(2, { tiltDeg: 25 }), version(1)],
  elsewhere: [],
  mayChange: true,
  stage: 4,
  school: {},
  day: standardDay,
  changes: {},
  ...change,
});
const part = (name: string) => fireEvent.click(screen.getByRole("tab", { name }));
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
  type("pitch rise, typed", "0.75");
  expect(end()).toEqual(["667", "800", "500"]);
  expect(screen.getByText("pitch end 667 → 800, half stick 140 → 146 °/s")).toBeVisible();
  type("Why it changes", "Faster pitch");
  await userEvent.click(screen.getByRole("button", { name: "Save as setup 3" }));
  await waitFor(() => expect(navigation.journeys).toContain("refresh"));
  expect(sent[0]).toMatchObject({
    action: "save-setup",
    input: { aircraftId: "plank", basedOn: 2, reason: "Faster pitch" },
  });
  expect((sent[0].input.settings as Settings).rates.pitch).toMatchObject({ rise: 0.75 });
  expect(localStorage.getItem("bathygon-setup-draft-plank")).toBeNull();
});

it("holds the save while a number is typed that cannot be, says the range, and lets go when it is mended", () => {
  renderScreen(<SetupScreen data={data()} />);
  type("roll expo, typed", "0.3");
  type("pitch expo, typed", "7");
  expect(screen.getByRole("alert")).toHaveTextContent("pitch expo: 0 to 1");
  expect(screen.getByRole("button", { name: "Fix the highlighted number first" })).toBeDisabled();
  for (const nonsense of ["", "NaN", "1e999", "-0.1", "<b>"]) {
    type("pitch expo, typed", nonsense);
    expect(screen.getByRole("alert")).toBeVisible();
  }
  type("pitch expo, typed", "0,3");
  expect(screen.queryByRole("alert")).toBeNull();
  expect(screen.getByRole("button", { name: "Save as setup 3" })).toBeEnabled();
});

it("keeps an unsaved change over a reload until it is saved or dropped", async () => {
  const first = renderScreen(<SetupScreen data={data()} />);
  part("Tilt");
  type("Tilt, °, typed", "33");
  first.unmount();
  renderScreen(<SetupScreen data={data()} />);
  expect(screen.getByText(/never saved are back/)).toBeVisible();
  part("Tilt");
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("33");
  await userEvent.click(screen.getByRole("button", { name: "Drop them" }));
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("25");
});

it("drops a kept draft that makes no sense", () => {
  localStorage.setItem(
    "bathygon-setup-draft-plank",
    JSON.stringify({ basedOn: 0, document: { settings: { tiltDeg: "x" }, reason: "" } }),
  );
  renderScreen(<SetupScreen data={data()} />);
  part("Tilt");
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("25");
});

it("keeps what was entered when the server says no", async () => {
  fakeServer({
    "save-setup": { status: 409, body: { ok: false, message: "Setup 3 was saved meanwhile.", fields: {} } },
  });
  renderScreen(<SetupScreen data={data()} />);
  part("Tilt");
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
  expect(screen.getByText(/converted to "centre and end": within \d+ °\/s everywhere/)).toHaveTextContent(
    /Centre sensitivity changes \d+ → \d+ °\/s \(\d+\s% (quicker|softer)\)\.$/,
  );
  expect(screen.getByLabelText("roll end, °/s, typed")).toBeVisible();
});

it("warns of a throttle limit that leaves too little to hover", () => {
  const limited = { ...firstSettings.throttle, limit: { kind: "scale", fraction: 0.25 } as const };
  renderScreen(<SetupScreen data={data({ setups: [version(1, { throttle: limited })] })} />);
  part("Throttle");
  expect(screen.getByText(/leaves too little to hover/)).toBeVisible();
});

it("starts a new version from an old one", async () => {
  renderScreen(<SetupScreen data={data()} />);
  await userEvent.click(screen.getByRole("button", { name: "Copy into a new version" }));
  part("Tilt");
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("15");
  expect(screen.getByLabelText("Why it changes")).toHaveValue("Back to setup 1");
});

describe("rates", () => {
  it("reads every axis and the ghost at a stick, and says how far apart they feel", () => {
    renderScreen(<SetupScreen data={data()} />);
    expect(screen.getByText(/Feel change from setup 2/)).toHaveTextContent("0.0 %, the same curves");
    type("pitch rise, typed", "0.80");
    type("Read at stick, %, typed", "100");
    expect(screen.getByRole("row", { name: /^At 100\s%/ })).toHaveTextContent("6671000500");
    expect(screen.getByRole("row", { name: /^Compared at 100\s%/ })).toHaveTextContent("667667500");
    expect(screen.getByText(/Feel change/)).toHaveTextContent(/most on pitch, \d+\s%/);
  });

  it("solves the yaw curve for equal sticks and takes it", async () => {
    renderScreen(<SetupScreen data={data({ setups: [version(1, { tiltDeg: 40 })] })} />);
    const off = () =>
      Number(
        /off by up to ([\d.]+)°/.exec(
          screen.getByText(/equal roll and yaw stick give a flat spin/).parentElement!.textContent!,
        )![1],
      );
    expect(off()).toBeGreaterThan(5);
    await userEvent.click(screen.getByRole("button", { name: "Use this yaw curve" }));
    expect(off()).toBeLessThan(1);
  });

  it.each([
    [15, true],
    [40, false],
  ])("at %d° of tilt, whether that yaw is faster than hands follow: %s", (tiltDeg, tooFast) => {
    renderScreen(<SetupScreen data={data({ setups: [version(1, { tiltDeg })] })} />);
    const says = screen.getByText(/equal roll and yaw stick give a flat spin/).parentElement!;
    const take = screen.queryByRole("button", { name: "Use this yaw curve" });
    if (!tooFast) return expect(take).toBeVisible();
    // What cannot be flown is not proposed, and what it would take is said.
    expect(take).toBeNull();
    expect(says).toHaveTextContent(/not flyable: use 30° of tilt or more, or a roll rate of 320 °\/s at most/);
  });
});

describe("throttle", () => {
  it("puts the mid on the cruise and the expo where the flying is", async () => {
    renderScreen(
      <SetupScreen data={data({ setups: [version(1, { throttle: { ...firstSettings.throttle, mid: 0.1 } })] })} />,
    );
    part("Throttle");
    expect(screen.getByText(/the height pumps/)).toHaveTextContent(/below the cruise/);
    await userEvent.click(screen.getByRole("button", { name: /^Set throttle mid to cruise/ }));
    expect(screen.getByText(/The mid lies on the cruise/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: /^slow, indoors: 0.8/ }));
    expect(screen.getByLabelText("Throttle expo, typed")).toHaveValue("0.80");
  });
});

it("shows what the camera sees at the tilt, with the share of ground", () => {
  renderScreen(<SetupScreen data={data({ setups: [version(1, { tiltDeg: 30 })] })} />);
  part("Tilt");
  expect(screen.getByRole("img", { name: /^Level cruise: 50\s% of the picture is ground/ })).toBeVisible();
  expect(screen.getByRole("img", { name: /^Upside down and flat: (7|8)\d\s% / })).toBeVisible();
  expect(screen.getByText(/of pitch forward/)).toHaveTextContent(
    "60° below the horizon, half round by yaw 60° above it",
  );
  expect(screen.getByText(/Usual at this stage/)).toHaveTextContent("15–25°");
});

it("gives the mix in sticks and words of the pilot's mode, by hand or by the controller", async () => {
  renderScreen(
    <SetupScreen data={data({ pilot: { ...pilot, stickMode: 4 }, setups: [version(1, { tiltDeg: 30 })] })} />,
  );
  part("Mix");
  const turn = () =>
    within(screen.getByRole("row", { name: /^Turn, horizon level/ }))
      .getAllByRole("cell")
      .map((cell) => cell.textContent);
  // sin and cos of 30° of 90 °/s.
  expect(turn().slice(0, 2)).toEqual(["45", "78"]);
  expect(turn()[4]).toBe("together: both sticks right (left hand rolls, right hand yaws)");
  expect(screen.getByRole("row", { name: /^Level-horizon roll/ })).toHaveTextContent(
    "apart: left hand right (roll), right hand left (yaw)",
  );
  expect(screen.getByRole("row", { name: /^\+5°/ })).toHaveTextContent("10°");
  await userEvent.click(screen.getByRole("button", { name: "by the flight controller" }));
  expect(turn()[4]).toBe("right hand right (yaw), left hand rests");
});

it("mixes turns by the pitch that is flown, and puts the mid on the pilot's own cruise", () => {
  const throttle = { ...firstSettings.throttle, mid: 0.6 };
  const tilted = version(1, { tiltDeg: 30, throttle });
  const own = { ...pilot, cruiseMps: 8 };
  const { leanDeg, throttle: command } = ownCruise(aircraft.airframe, { tiltDeg: 30, cruiseMps: 8 }, SEA_LEVEL_AIR)!;
  renderScreen(<SetupScreen data={data({ pilot: own, setups: [tilted] })} />);
  part("Mix");
  const turn = within(screen.getByRole("row", { name: /^Turn, horizon level/ })).getAllByRole("cell");
  const { rollDps, yawDps } = levelTurnRates(Math.round(leanDeg), 90);
  expect(turn.slice(0, 2).map((cell) => cell.textContent)).toEqual([rollDps, yawDps].map((dps) => dps.toFixed(0)));
  expect(screen.getByText(/own cruise/)).toHaveTextContent(
    `${30 - Math.round(leanDeg)}° below the middle of the picture`,
  );
  part("Throttle");
  expect(screen.getByRole("button", { name: /^Set throttle mid to cruise/ })).toHaveTextContent(command.toFixed(2));
  expect(screen.getByRole("row", { name: /^Own cruise at 8\.0/ })).toBeVisible();
});

it("proposes no other tilt where the mount is fixed", () => {
  const shown = (mount: "fixed" | "adjustable") => {
    const { unmount } = renderScreen(
      <SetupScreen data={data({ aircraft: { ...aircraft, mount }, setups: [version(1, { tiltDeg: 5 })] })} />,
    );
    part("By stage");
    const proposed = screen.queryByText(/^Camera tilt/) !== null;
    unmount();
    return proposed;
  };
  expect([shown("adjustable"), shown("fixed")]).toEqual([true, false]);
});

it("words what another aircraft changes for the hands", () => {
  const other = {
    aircraft: { ...aircraft, id: "gull", name: "Gull" },
    setup: { ...version(1, { tiltDeg: 22 }), aircraftId: "gull" },
  };
  renderScreen(<SetupScreen data={data({ elsewhere: [other] })} />);
  part("Fleet");
  expect(screen.getByText("Less tilt: needs less roll with yaw, or the nose climbs out of turns.")).toBeVisible();
  expect(screen.getByText("3° less tilt")).toBeVisible();
  expect(screen.getByText(/level cruise \d+\s% slower/)).toBeVisible();
  expect(screen.getByText("with the old mix the horizon leans 6° after half a turn")).toBeVisible();
});

it("takes what is usual at a stage one by one or together, and saves nothing by itself", async () => {
  const sent = fakeServer();
  renderScreen(<SetupScreen data={data()} />);
  part("By stage");
  fireEvent.mouseDown(screen.getByRole("combobox", { name: "Stage" }));
  await userEvent.click(screen.getByRole("option", { name: "Ground school" }));
  await userEvent.click(screen.getByRole("button", { name: "Apply Camera tilt" }));
  expect(screen.getByText("tilt 25° → 0°")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: /^Apply all \d+$/ }));
  expect(screen.getByText(/All of it is usual for this stage already/)).toBeVisible();
  expect(screen.getByText("bank limit none → 30")).toBeVisible();
  expect(sent).toEqual([]);
});

it("lets a pilot try and not save", () => {
  renderScreen(<SetupScreen data={data({ mayChange: false })} />);
  type("pitch rise, typed", "0.80");
  expect(screen.getByText("Your coach saves setups", { exact: false })).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Save/ })).toBeNull();
  expect(screen.queryByRole("button", { name: "Add an aircraft" })).toBeNull();
});

describe("measured at the field", () => {
  const open = (change: Partial<SetupData> = {}) => {
    renderScreen(<SetupScreen data={data(change)} />);
    part("Measured");
  };
  const add = async (kind: string, label: string, value: string) => {
    fireEvent.mouseDown(screen.getByRole("combobox", { name: "Measured" }));
    await userEvent.click(screen.getByRole("option", { name: kind }));
    type(label, value);
    await userEvent.click(screen.getByRole("button", { name: "Add it" }));
  };

  it("fits the aircraft at once, shows what is measured and what is not, and keeps the list", async () => {
    const sent = fakeServer();
    open();
    await add("weight with battery", "Weight, g", "720");
    expect(screen.getByRole("row", { name: /^Weight with battery/ })).toHaveTextContent(/720.g650.g■ measured/);
    expect(screen.getByRole("row", { name: /^Thrust over weight/ })).toHaveTextContent("6.777.50estimate");
    await add("throttle stick that hovers", "Stick, %", "30");
    expect(screen.getByRole("row", { name: /^Thrust over weight/ })).toHaveTextContent("■ measured");
    await userEvent.click(screen.getByRole("button", { name: "Save measurements" }));
    expect(sent[0]).toMatchObject({ action: "measure-aircraft", input: { id: "plank", version: 1 } });
    expect(sent[0].input.measurements).toEqual([
      { kind: "weight", massKg: 0.72 },
      { kind: "hover", command: expect.closeTo(0.3, 9) },
    ]);
  });

  it("says how well measurements agree, and which one to take again", async () => {
    const hovers = [0.27, 0.27, 0.36].map((command) => ({ kind: "hover", command }) as const);
    open({ aircraft: { ...aircraft, measurements: hovers } });
    expect(screen.getByText(/measure it again/)).toHaveTextContent(/above what the rest says/);
    await userEvent.click(screen.getAllByRole("button", { name: "Leave out" })[2]);
    expect(screen.getAllByText("agrees")).toHaveLength(2);
  });

  it("names what cannot be, and keeps what was typed", async () => {
    open();
    await add("weight with battery", "Weight, g", "heavy");
    expect(screen.getByText(/^Weight must be between 10 and 25000 g/)).toBeVisible();
    expect(screen.getByLabelText("Weight, g")).toHaveValue("heavy");
    await add("throttle stick that hovers", "Stick, %", "4");
    expect(screen.getByText(/^These numbers contradict each other|^command is/)).toBeVisible();
  });

  it("turns ten rolls on a stopwatch into the true end rate", () => {
    open();
    expect(screen.getByText(/The curve says/)).toHaveTextContent("5.4 s, at 667 °/s");
    type("Seconds for ten", "6,0");
    expect(screen.getByText(/less than the curve/)).toHaveTextContent("600 °/s, 10 % less than the curve's 667 °/s.");
  });
});

it("goes back and forth over changes that were not saved, by button and by key", async () => {
  renderScreen(<SetupScreen data={data()} />);
  let nowMs = 100_000;
  jest.spyOn(Date, "now").mockImplementation(() => (nowMs += 10_000));
  for (const value of ["0.75", "0.80"]) {
    type("pitch rise, typed", value);
    fireEvent.blur(screen.getByLabelText("pitch rise, typed"));
  }
  const value = () => (screen.getByLabelText("pitch rise, typed") as HTMLInputElement).value;
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(value()).toBe("0.75");
  await userEvent.keyboard("u");
  expect(value()).toBe("0.70");
  expect(screen.getByRole("button", { name: "Undo" })).toBeDisabled();
  await userEvent.keyboard("rr");
  expect(value()).toBe("0.80");
  jest.restoreAllMocks();
});

it("warns before frozen settings are changed, and lets the coach decide", async () => {
  renderScreen(<SetupScreen data={data({ pilot: { ...pilot, settingsFrozen: true } })} />);
  expect(screen.getByText(/The settings of Odo Fenn are frozen/)).toBeVisible();
  type("pitch rise, typed", "0.75");
  expect(screen.getByRole("button", { name: "Save as setup 3" })).toBeDisabled();
  await userEvent.click(screen.getByRole("button", { name: "Change them all the same" }));
  expect(screen.getByRole("button", { name: "Save as setup 3" })).toBeEnabled();
});

describe("what the aircraft carries", () => {
  const pack = { id: "pack", aircraftId: "plank", name: "long pack", massKg: 0.78, thrustToWeight: null };
  const rowOf = (name: RegExp) => screen.getByRole("row", { name });
  const figures = (name: RegExp) =>
    within(rowOf(name))
      .getAllByRole("cell")
      .map((cell) => cell.textContent);

  it("is listed with what it does to hover, cruise and mid, each more than without it", () => {
    renderScreen(<SetupScreen data={data({ loads: [pack] })} />);
    part("Loads");
    const [weight, thrust, ...rest] = figures(/^long pack/);
    expect([weight, thrust]).toEqual(["780\u202fg", "6.3 × (by weight)"]);
    const numbers = (cells: readonly (string | null)[]) => cells.slice(0, 4).map((text) => parseFloat(text!));
    const [, , ...bare] = figures(/^as it is/);
    numbers(rest).forEach((value, i) => expect(value).toBeGreaterThan(numbers(bare)[i]));
  });

  it("is added with its weight, and taken off the list with a way back", async () => {
    const sent = fakeServer();
    renderScreen(<SetupScreen data={data({ loads: [pack] })} />);
    part("Loads");
    await userEvent.type(screen.getByLabelText("Name of the load"), "with camera");
    await userEvent.type(screen.getByLabelText("Weight with it on, ready to fly, g"), "790");
    await userEvent.click(screen.getByRole("button", { name: "Add load" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      action: "add-load",
      input: { aircraftId: aircraft.id, name: "with camera", massG: "790", thrustToWeight: "" },
    });
    await userEvent.click(screen.getByRole("button", { name: "Take long pack off the list" }));
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent.map(({ action }) => action)).toEqual(["add-load", "remove-load", "restore-load"]));
  });

  it("is looked at, not changed, by a pilot", () => {
    renderScreen(<SetupScreen data={data({ loads: [pack], mayChange: false })} />);
    part("Loads");
    expect(rowOf(/^long pack/)).toBeVisible();
    expect(screen.queryByRole("button", { name: /Add load|off the list/ })).toBeNull();
  });
});

it("holds back what the school tunes later, and takes all but that", async () => {
  renderScreen(<SetupScreen data={data({ stage: 6, school: { tuning: "throttle" } })} />);
  part("By stage");
  const waiting = screen.getAllByText("waits: the throttle first, the rates when it is quiet");
  expect(waiting.length).toBeGreaterThan(0);
  expect(screen.getByRole("button", { name: "Apply End rate, yaw" })).toBeDisabled();
  await userEvent.click(screen.getByRole("button", { name: /^Apply all \d+$/ }));
  // Now the throttle is as it should be, and the rates have their turn.
  expect(screen.queryByText(/^waits:/)).toBeNull();
  expect(screen.getByRole("button", { name: "Apply End rate, yaw" })).toBeEnabled();
});
