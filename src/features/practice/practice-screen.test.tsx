import { act, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { standardDay } from "@/syllabus";
import { odo, plank, plankSetup } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import type { PracticeData } from "./load";
import { PracticeScreen } from "./practice-screen";
import { World } from "./world";

jest.mock("@/ui/worker/use-newest", () => jest.requireActual("@/ui/testing/on-the-spot"));
jest.mock("./world", () => ({
  World: jest.fn(() => ({ showWay: () => undefined, draw: () => undefined, end: () => undefined })),
}));

const data = (change: Partial<PracticeData> = {}): PracticeData => ({
  ...{ pilot: odo, aircraft: plank(), setup: plankSetup(2), manner: { school: {}, own: [] } },
  ...{ day: standardDay, stepId: "flip-one-move", accountId: "account", loadId: null },
  ...{ homework: [], tries: {}, setsHomework: false },
  ...change,
});

const NOW_MS = Date.UTC(2026, 10, 30);

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

beforeEach(() => {
  localStorage.clear();
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
  expect(screen.getByText(/^Throttle/)).toHaveTextContent(/[4-9]\d %/);
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
  const pad = { id: "Made-up radio", axes: [0, 0, 0, 0] } as unknown as Gamepad;
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
