import { gunzipSync } from "node:zlib";
import { act, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { CALM_AIR, createPractice, judgeTry, recipes, unpackTry } from "@/core";
import { standardDay } from "@/syllabus";
import { odo, plank, plankSetup } from "@/ui/testing/made-up";
import { outboxNow } from "@/ui/outbox/outbox";
import { inTheirPlace } from "@/ui/testing/on-the-spot";
import { freshDevice } from "@/ui/testing/fresh-device";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { keepOnDevice } from "./kept-practice";
import type { PracticeData } from "./load";
import { PracticeHere } from "./practice-here";
import { PracticeScreen } from "./practice-screen";
import { World } from "./world";

jest.mock("@/ui/worker/use-newest", () => jest.requireActual("@/ui/testing/on-the-spot"));
jest.mock("./world", () => ({
  World: jest.fn(() => ({ showWay: () => undefined, draw: () => undefined, end: () => undefined })),
}));

const NOW_MS = Date.UTC(2026, 10, 30);
const data = (change: Partial<PracticeData> = {}): PracticeData => ({
  ...{ pilot: odo, aircraft: plank(), setup: plankSetup(2), manner: { school: {}, own: [] } },
  ...{ day: standardDay, stepId: "flip-one-move", accountId: "account", loadId: null },
  ...{ homework: [], lines: [], sites: [], recent: {}, tries: {}, earlier: [], setsHomework: false, nowMs: NOW_MS },
  ...change,
});

/** Frames come when they are called for. */
let frames: FrameRequestCallback[] = [];
let clockMs = 0;
const fly = (seconds: number) =>
  act(() => {
    for (let i = 0; i < seconds * 30 && frames.length > 0; i++) {
      clockMs += 1000 / 30;
      const now = frames;
      frames = [];
      for (const frame of now) frame(clockMs);
    }
  });

beforeEach(async () => {
  localStorage.clear();
  await freshDevice();
  fakeServer();
  [frames, clockMs] = [[], 0];
  jest.spyOn(window, "requestAnimationFrame").mockImplementation((frame) => frames.push(frame));
  jest.spyOn(window, "cancelAnimationFrame").mockImplementation(() => undefined);
  jest.spyOn(performance, "now").mockImplementation(() => clockMs);
});
afterEach(() => jest.restoreAllMocks());

it("is flown by keys: the task, the figures below the picture, and after the try the one next thing", async () => {
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data()} />);
  expect(await screen.findByText("Fly it, and stop within 15°.")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Start try" }));
  await userEvent.keyboard("{w>}");
  fly(0.5);
  await userEvent.keyboard("{/w}");
  expect(screen.getByText(/^Throttle/)).toHaveTextContent(/[4-9]\d\s%/);
  await userEvent.click(screen.getByRole("button", { name: "End try" }));
  expect(await screen.findByText(/Nothing turned over/)).toBeVisible();
  expect(screen.getByText(/tries clean in this sitting/)).toHaveTextContent("0 of 1");
  expect(screen.getByRole("button", { name: "Try again" })).toBeVisible();
});

it("ends by itself on the ground, and says with what it met it", async () => {
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data()} />);
  await userEvent.click(await screen.findByRole("button", { name: "Start try" }));
  await userEvent.keyboard("{s>}");
  fly(8);
  await userEvent.keyboard("{/s}");
  expect(await screen.findByText(/^Into the ground at/)).toBeVisible();
});

it("ends at once where a radio is pulled out, and says so; ended before it began it is told nothing turned over", async () => {
  const pad = { id: "Made-up radio", axes: [0, 0, 0, 0], buttons: [] } as unknown as Gamepad;
  const pads = jest.fn((): (Gamepad | null)[] => [pad]);
  Object.defineProperty(navigator, "getGamepads", { value: pads, configurable: true });
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data()} />);
  expect(await screen.findByText("Made-up radio")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Start try" }));
  await userEvent.click(screen.getByRole("button", { name: "End try" }));
  expect(await screen.findByText(/Nothing turned over/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  fly(0.3);
  expect(screen.queryByRole("alert")).toBeNull();
  pads.mockReturnValue([null]);
  fly(0.2);
  expect(screen.getByRole("alert")).toHaveTextContent("The radio is gone: the try ended there");
  expect(await screen.findByText("2", { selector: ".num" })).toBeVisible();
  expect(screen.getByRole("button", { name: "Try again" })).toBeVisible();
  Reflect.deleteProperty(navigator, "getGamepads");
});

it("says so where the browser draws nothing in space, and what comes first without an aircraft", async () => {
  jest.mocked(World).mockImplementationOnce(() => {
    throw new Error("no context");
  });
  const { unmount } = renderScreen(<PracticeScreen nowMs={NOW_MS} data={data()} />);
  await waitFor(() => expect(screen.getByText(/cannot draw in 3D here/)).toBeVisible());
  unmount();
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data({ aircraft: null, setup: null })} />);
  expect(screen.getByText(/Drills are flown with one aircraft/)).toBeVisible();
});

it("keeps a try as an attempt in the simulator: sent once the server answers, and what it will not take is said", async () => {
  const refused = { status: 422, body: { ok: false, message: "That step is gone.", fields: {} } };
  const sent = fakeServer({ "log-try": refused });
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data({ stepId: "los-hover" })} />);
  expect(
    await screen.findByText("Stay within 2.0 m for 30 s.", { normalizer: (text) => text.replace(/\s+/g, " ") }),
  ).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Start try" }));
  await userEvent.keyboard("{s>}");
  fly(4);
  await userEvent.keyboard("{/s}");
  await waitFor(() => expect(sent.map(({ action }) => action)).toContain("log-try"));
  expect(sent[0].input).toMatchObject({
    ...{ pilotId: "odo", stepId: "los-hover", direction: "on", outcome: "crashed", measured: {} },
    setupId: plankSetup(2).id,
  });
  // With its sticks: what was sent flies into the ground again, in whatever browser.
  const { packed } = sent[0].input as { packed: string };
  const { record, drill } = unpackTry(gunzipSync(Buffer.from(packed, "base64")));
  expect(drill.id).toBe("los-hover on");
  expect(record.steps).toBeGreaterThan(200);
  expect(await screen.findByText("✕ A try was not taken: That step is gone.")).toBeVisible();
  // Judged by the step's own mark, as if its place were the simulator.
  expect(screen.getByText(/^◆ Pass mark: 3 of the last 4 clean/)).toHaveTextContent("in the simulator. So far 0 of 1.");
  expect(outboxNow().items).toHaveLength(1);
});

it("shows homework with how far it has come; a coach sets more, and takes one back", async () => {
  const one = { pilotId: "odo", stepId: "hang", tries: 6, setAtMs: NOW_MS - 1, done: 2 };
  const homework = [
    { ...one, id: "a", dueAtMs: NOW_MS + 1000 },
    { ...one, id: "b", dueAtMs: NOW_MS - 1000 },
    { ...one, id: "c", dueAtMs: NOW_MS - 1000, done: 9 },
  ];
  const sent = fakeServer();
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data({ homework, setsHomework: true })} />);
  expect(screen.getByText(/: 2 of 6 clean tries$/)).toHaveTextContent("◆ Hang");
  expect(screen.getByText(/: overdue, 2 of 6 clean tries$/)).toHaveTextContent("▲ Hang");
  expect(screen.getByText(/: done, 6 of 6 clean tries$/)).toHaveTextContent("■ Hang");
  await userEvent.click(screen.getByRole("button", { name: "Set homework" }));
  const form = within(screen.getByRole("dialog"));
  await userEvent.clear(form.getByLabelText("Clean tries"));
  expect(form.getByRole("button", { name: "Set homework" })).toBeDisabled();
  await userEvent.type(form.getByLabelText("Clean tries"), "15");
  await userEvent.click(form.getByRole("button", { name: "Set homework" }));
  await waitFor(() => expect(sent[0]?.input).toMatchObject({ pilotId: "odo", stepId: "flip-one-move", tries: 15 }));
  await userEvent.click((await screen.findAllByRole("button", { name: "Remove" }))[0]);
  await waitFor(() => expect(sent[1]).toMatchObject({ action: "remove-homework", input: { id: "a" } }));
});

it("opens from this device without a network, and says so where nothing is kept", async () => {
  const { unmount } = renderScreen(<PracticeHere />, { address: "/practice-here" });
  expect(await screen.findByText(/No practice on this device yet/)).toBeVisible();
  unmount();
  await keepOnDevice(data({ setsHomework: true }), null);
  renderScreen(<PracticeHere />, { address: "/practice-here" });
  expect(await screen.findByText(/^No network: as last seen/)).toBeVisible();
  expect(await screen.findByRole("button", { name: "Start try" })).toBeVisible();
  // Nothing is set there, only flown.
  expect(screen.queryByRole("button", { name: "Set homework" })).toBeNull();
});

it("counts no try that was slowed down or flown with a help, and says so", async () => {
  const sent = fakeServer();
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data({ stepId: "los-hover" })} />);
  const drop = async () => {
    await userEvent.click(screen.getByRole("button", { name: /^(Start try|Try again)$/ }));
    await userEvent.keyboard("{s>}");
    fly(8);
    await userEvent.keyboard("{/s}");
    expect(await screen.findByText(/^Into the ground at/)).toBeVisible();
  };
  await userEvent.click(await screen.findByRole("button", { name: "Half" }));
  await drop();
  expect(await screen.findByText(/^The last try does not count/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Self-level" }));
  await screen.findByRole("button", { name: "Start try" });
  await drop();
  expect(screen.getByText(/^The last try does not count/)).toBeVisible();
  expect(sent).toEqual([]);
  await userEvent.click(screen.getByRole("button", { name: "Own modes" }));
  await screen.findByRole("button", { name: "Start try" });
  await drop();
  await waitFor(() => expect(sent.map(({ action }) => action)).toEqual(["log-try"]));
  expect(screen.queryByText(/^The last try does not count/)).toBeNull();
});

it("draws the path from the side, and from above where the drill goes round", async () => {
  const { unmount } = renderScreen(<PracticeScreen nowMs={NOW_MS} data={data()} />);
  const end = async () => {
    await userEvent.click(await screen.findByRole("button", { name: "Start try" }));
    fly(0.3);
    await userEvent.click(screen.getByRole("button", { name: "End try" }));
  };
  await end();
  expect(await screen.findByRole("img", { name: /^Your path from the side/ })).toBeVisible();
  unmount();
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data({ stepId: "bank-square" })} />);
  await end();
  expect(await screen.findByRole("img", { name: /^Your path from above/ })).toBeVisible();
});

it("flies an earlier try again from its sticks, and says what a server that lacks them says", async () => {
  const { airframe } = plank();
  const { settings } = plankSetup(2);
  const there = { ...CALM_AIR, entryHeightM: 20 };
  const practice = createPractice(recipes["flip-one-move-back"], airframe, settings, there);
  practice.advance(0.4, { roll: 0, pitch: 0, yaw: 0, throttle: 0 });
  const drill = { id: "flip", recipe: recipes["flip-one-move-back"], task: { kind: "free" } } as const;
  const asked: string[] = [];
  inTheirPlace.flyKeptTry = async (id: string) => {
    asked.push(id);
    if (id === "gone") throw new Error("The sticks of that try are gone.");
    return judgeTry(practice.record(), { drill, environment: there }, airframe, settings);
  };
  const one = { id: "kept", stepId: "flip-one-move", direction: "back", lineId: null, outcome: "rough" } as const;
  const earlier = [
    { ...one, atMs: NOW_MS - 60_000, seconds: 6 },
    { ...one, id: "gone", atMs: NOW_MS - 120_000, seconds: 5 },
    { ...one, id: "elsewhere", stepId: "split-s", atMs: NOW_MS, seconds: 5 },
  ];
  renderScreen(<PracticeScreen nowMs={NOW_MS} data={data({ earlier })} />);
  const list = within(await screen.findByRole("region", { name: "Earlier tries" }));
  expect(list.getAllByRole("listitem")).toHaveLength(2);
  const [first, second] = list.getAllByRole("button", { name: "Show" });
  await userEvent.click(first);
  expect(await list.findByRole("img", { name: /^Your path/ })).toBeVisible();
  await userEvent.click(second);
  expect(await list.findByRole("alert")).toHaveTextContent("The sticks of that try are gone.");
  expect(asked).toEqual(["kept", "gone"]);
});
