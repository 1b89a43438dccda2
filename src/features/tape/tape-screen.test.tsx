import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import {
  modelWay,
  packOf,
  readTape,
  TapeReader,
  TapeRefused,
  tapeWindow,
  type FoundTrick,
  type Settings,
  type Tape,
  type TapeMapping,
} from "@/core";
import { madeUpPack } from "@/core/tape/testing/made-up-pack";
import type { ActionInput, Recording } from "@/contract";
import { odo, plank, plankSetup } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import type { TapeSource } from "@/workers/tape.worker";
import type { TapeData } from "./load";
import { TapeScreen } from "./tape-screen";

// What the worker does, on the spot; its pieces have tests of their own.
const mockAnswer = { hold: false, fail: false };
const mockClosed = jest.fn();
const mockTape: { is: Tape | null } = { is: null };
jest.mock("comlink", () => ({ proxy: (one: unknown) => one }));
jest.mock("@/ui/worker/worker-client", () => ({
  workerClient: () => ({
    close: mockClosed,
    ask: async (call: (remote: object) => Promise<unknown>) =>
      call({
        windowOf: async (window: Parameters<typeof tapeWindow>[1]) => tapeWindow(mockTape.is!, window),
        modelWay: async (trick: FoundTrick, by: Parameters<typeof modelWay>[1]) => modelWay(trick, by),
        readPack: async (
          source: TapeSource,
          settings: Settings,
          mapping: TapeMapping | null,
          onProgress: (share: number) => void,
        ) => {
          onProgress(0.4);
          if (mockAnswer.hold) return new Promise(() => undefined);
          if (mockAnswer.fail) throw new Error("gone");
          const reader = new TapeReader(mapping);
          try {
            reader.push(new TextEncoder().encode(source.kind === "file" ? await textOf(source.file as File) : flown));
            mockTape.is = reader.end();
            return { pack: packOf(mockTape.is, settings), problem: null };
          } catch (error) {
            if (!(error instanceof TapeRefused)) throw error;
            return { pack: null, problem: error.problem };
          }
        },
      }),
  }),
}));
const textOf = (file: File) =>
  new Promise<string>((done) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.readAsText(file);
  });

// What the browser has and the test's document lacks.
Blob.prototype.text ??= function text(this: Blob) {
  return textOf(this as File);
};

const flown = madeUpPack(
  [
    { kind: "flip", side: -1, turns: 1 },
    { kind: "roll", side: 1, turns: 1 },
    { kind: "hang", side: -1, turns: 1 },
  ],
  { hz: 250, seed: 3 },
).text;
const data: TapeData = {
  ...{
    pilot: odo,
    aircraft: plank(),
    setup: plankSetup(2),
    setups: [],
    recordings: [],
    sessions: [],
    openId: null,
    coaches: true,
  },
  fleet: [{ id: "plank", airframe: plank().airframe, newest: plankSetup(2) }],
  room: { usedBytes: 0, ofBytes: 1024 ** 3 },
};
const show = () => renderScreen(<TapeScreen data={data} />, { address: "/tape?pilot=odo" });
const open = (text: string, name = "pack-3.csv") =>
  fireEvent.change(screen.getByLabelText("File with a recording"), { target: { files: [new File([text], name)] } });

beforeEach(() => Object.assign(mockAnswer, { hold: false, fail: false }));

it("opens a recording, says what to mend first, and shows each trick with what was measured", async () => {
  show();
  expect(screen.getByText(/it is read on this device, and kept only if you say/)).toBeVisible();
  open(flown);
  expect(await screen.findByRole("heading", { name: "pack-3", level: 1 })).toBeVisible();
  expect(screen.getByRole("status", { name: "Fix this first" })).not.toBeEmptyDOMElement();
  const found = within(screen.getByRole("list", { name: "Tricks found" })).getAllByRole("button");
  expect(found.map((one) => one.textContent)).toEqual([
    expect.stringMatching(/^Flip, forward/),
    expect.stringMatching(/^Roll, right/),
    expect.stringMatching(/^Hang, left/),
  ]);
  fireEvent.click(found[2]);
  expect(screen.getByRole("heading", { name: /^Hang, left ·/, level: 2 })).toBeVisible();
  expect(screen.getByRole("img", { name: /^Hang, left drawn round/ })).toBeVisible();
  expect(screen.getByText("Throttle upside down")).toBeVisible();
  fireEvent.keyDown(document.body, { key: "p" });
  expect(screen.getByRole("heading", { name: /^Roll, right ·/, level: 2 })).toBeVisible();
  expect(screen.getByText("Yaw in it right for a tilt of")).toBeVisible();
  // Another pilot's rates: the recording says so.
  expect(screen.getAllByText(/This was not that setup/).length).toBeGreaterThan(0);
});

it("takes a file that is dropped", async () => {
  show();
  fireEvent.drop(screen.getByText("What a recording tells"), {
    dataTransfer: { files: [new File([flown], "dropped.csv")] },
  });
  expect(await screen.findByRole("heading", { name: "dropped", level: 1 })).toBeVisible();
});

it("says of a file that cannot be read its row and column, keeps on screen what to do, and takes another", async () => {
  show();
  open(
    flown.replace(/\n(.*\n){100}/, (all) => `${all}x,0,0,0,0,0,0,0\n`),
    "<b>bad</b>.csv",
  );
  const alert = await screen.findByRole("alert");
  expect(alert).toHaveTextContent('<b>bad</b>.csv cannot be read. Row 102, column "time_s": "x" is no number.');
  expect(screen.getByText("What a recording tells")).toBeVisible();
  mockAnswer.fail = true;
  open(flown);
  expect(await screen.findByText(/could not be read to its end/)).toBeVisible();
  mockAnswer.fail = false;
  open(flown);
  expect(await screen.findByRole("heading", { name: "pack-3", level: 1 })).toBeVisible();
});

it("shows how far it is, and stops at once when asked", async () => {
  mockAnswer.hold = true;
  show();
  open(flown);
  expect(await screen.findByText("Reading pack-3.csv")).toBeVisible();
  await waitFor(() => expect(screen.getByRole("progressbar")).toHaveAttribute("aria-valuenow", "40"));
  mockClosed.mockClear();
  fireEvent.click(screen.getByRole("button", { name: "Cancel" }));
  expect(mockClosed).toHaveBeenCalled();
  expect(screen.getByText("What a recording tells")).toBeVisible();
});

it("wants an aircraft with a setup first", () => {
  renderScreen(<TapeScreen data={{ ...data, setup: null }} />, { address: "/tape?pilot=odo" });
  expect(screen.getByText(/read against the rates and the tilt/)).toBeVisible();
});

const recording: Recording = {
  ...{ id: "r1", pilotId: "odo", setupId: "v2", name: "monday.csv", sha256: "a".repeat(64), bytes: 4_000_000 },
  ...{ packedBytes: 1_300_000, recordedAtMs: Date.UTC(2026, 10, 25, 14), piecesHere: 8, whole: true, mapping: null },
  ...{ keptBy: "Ann Pell", keptByPilot: false, keptAtMs: Date.UTC(2026, 10, 25, 18), durationS: 252, tricks: 3 },
  clockMs: null,
};

it("lists what is kept, what is not whole yet, and leaves to a pilot what a coach has brought", async () => {
  const half = { ...recording, id: "r2", name: "half.csv", whole: false, piecesHere: 3, durationS: null, tricks: null };
  renderScreen(<TapeScreen data={{ ...data, recordings: [recording, half], coaches: false }} />, { address: "/tape" });
  expect(screen.getByText(/^3$/)).toBeVisible();
  expect(screen.getByText(/Open the same file and keep it/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "Delete monday.csv" })).toBeNull();
  expect(screen.getByRole("button", { name: "Delete half.csv" })).toBeVisible();
  expect(screen.getByRole("link", { name: /Download monday/ })).toHaveAttribute("href", "/recordings/r1/whole.csv");
  fireEvent.click(screen.getByRole("button", { name: "Open monday.csv" }));
  expect(await screen.findByRole("heading", { name: "monday", level: 1 })).toBeVisible();
  expect(screen.queryByRole("button", { name: "Save recording" })).toBeNull();
});

it("asks which column is what in a file of another program, and remembers it for the aircraft", async () => {
  const [names, ...rows] = flown.trimEnd().split("\n");
  expect(names.split(",")).toHaveLength(8);
  const other = rows.map((line) => {
    const [t, roll, pitch, yaw, throttle, ...gyro] = line.split(",").map(Number);
    const pulse = (x: number) => Math.round(1500 + 500 * x);
    return [1000 * t, pulse(roll), pulse(pitch), pulse(yaw), 1000 + Math.round(1000 * throttle), ...gyro].join(",");
  });
  const text = ["time_ms,rc_roll,rc_pitch,rc_yaw,rc_throttle,gyro_x,gyro_y,gyro_z", ...other, ""].join("\n");
  show();
  open(text, "other.csv");
  expect(await screen.findByRole("heading", { name: "Which column is what in other.csv?" })).toBeVisible();
  fireEvent.click(screen.getByRole("button", { name: "Read it so" }));
  expect(await screen.findByRole("heading", { name: "other", level: 1 })).toBeVisible();
  const list = screen.getByRole("list", { name: "Tricks found" });
  expect(within(list).getAllByRole("button")[0]).toHaveTextContent(/^Flip, forward/);
  expect(localStorage.getItem("bathygon-tape-mapping-plank")).toContain('"rc_roll"');
  // The next one is read at once.
  open(text, "next.csv");
  expect(await screen.findByRole("heading", { name: "next", level: 1 })).toBeVisible();
});

it("reads a column in a unit of one's own, by what it is multiplied with and what is added", async () => {
  const [names, ...rows] = flown.trimEnd().split("\n");
  const other = rows.map((line) => line.replace(/^[^,]+/, (seconds) => String(12 * Number(seconds) + 5)));
  show();
  open([names.replace("time_s", "twelfths"), ...other, ""].join("\n"), "odd.csv");
  expect(await screen.findByRole("heading", { name: "Which column is what in odd.csv?" })).toBeVisible();
  const time = within(screen.getByText("Time").closest("li")!);
  fireEvent.mouseDown(time.getAllByRole("combobox")[0]);
  fireEvent.click(await screen.findByRole("option", { name: "twelfths" }));
  fireEvent.mouseDown(time.getAllByRole("combobox")[1]);
  fireEvent.click(await screen.findByRole("option", { name: "own: times and plus" }));
  fireEvent.change(screen.getByRole("textbox", { name: /^Times, time/i }), { target: { value: "0" } });
  fireEvent.change(screen.getByRole("textbox", { name: /^Times, time/i }), { target: { value: String(1 / 12) } });
  fireEvent.change(screen.getByRole("textbox", { name: /^Plus, time/i }), { target: { value: String(-5 / 12) } });
  fireEvent.click(screen.getByRole("button", { name: "Read it so" }));
  expect(await screen.findByRole("heading", { name: "odd", level: 1 })).toBeVisible();
  expect(within(screen.getByRole("list", { name: "Tricks found" })).getAllByRole("button")).toHaveLength(3);
});

it("proposes mid and expo by where the throttle stood, and says what it lacks to tell the hands", async () => {
  show();
  open(flown);
  expect(await screen.findByText(/Half of the time it stands between/)).toBeVisible();
  expect(screen.getByText(/Five sure flips, rolls and spins are wanted/)).toBeVisible();
  fireEvent.click(screen.getByRole("button", { name: /^Draft a setup with mid 0\.\d\d, expo 0\.\d\d/ }));
  const [draft] = Object.keys(localStorage).filter((key) => key.includes("plank") && key.includes("draft"));
  expect(localStorage.getItem(draft)).toContain("Mid and expo by the throttle of the recording pack-3");
});

it("matches tricks with the taps of the session, and takes in what nobody tapped", async () => {
  const { tricks } = packOf(readTape(flown), plankSetup(2).settings);
  const began = Date.UTC(2026, 10, 25, 14);
  const tap = (i: number, stepId: string, direction: string) => ({
    ...{
      id: `a${i}`,
      sessionId: "s",
      pilotId: "odo",
      stepId,
      direction,
      outcome: "clean" as const,
      place: "field" as const,
    },
    ...{ setupId: "v2", pack: 1, minutes: null, measured: {}, faults: [], undone: false },
    atMs: began + 1000 * (tricks[i].toS + 2.4),
  });
  const session = {
    ...{ id: "s", startedAtMs: began, endedAtMs: null, place: "field" as const },
    attempts: [tap(0, "flip-slow", "front"), tap(1, "roll-pure", "right")],
  };
  const fetched = jest
    .spyOn(globalThis, "fetch")
    .mockResolvedValue({ status: 200, json: async () => ({ ok: true, data: null }) } as Response);
  renderScreen(<TapeScreen data={{ ...data, recordings: [recording], sessions: [session], openId: "r1" }} />, {
    address: "/tape?pilot=odo",
  });
  const rows = await screen.findByRole("list", { name: "Tricks and their taps" });
  expect(within(rows).getAllByRole("checkbox")).toHaveLength(2);
  fireEvent.mouseDown(within(rows).getByRole("combobox"));
  fireEvent.click(await screen.findByRole("option", { name: /^Hang.*left/i }));
  fireEvent.click(screen.getByRole("button", { name: "Add to 3 attempts" }));
  await waitFor(() => expect(fetched).toHaveBeenCalled());
  const sent = JSON.parse(fetched.mock.calls[0][1]!.body as string) as ActionInput<"match-recording">;
  expect(sent).toMatchObject({
    ...{ id: "r1", sessionId: "s" },
    matches: [
      { trick: 0, attemptId: "a0" },
      { trick: 1, attemptId: "a1" },
    ],
    taken: [{ trick: 2, stepId: "hang", direction: "left", outcome: "clean" }],
  });
  expect(Math.abs(sent.clockMs - began)).toBeLessThan(200);

  // Beside a film the faults of the step are picked for the attempt that was tapped.
  Object.assign(URL, { createObjectURL: () => "blob:film", revokeObjectURL: () => undefined });
  fireEvent.change(screen.getByLabelText("File with a film"), { target: { files: [new File(["x"], "film.webm")] } });
  const faults = await screen.findByRole("group", { name: /^Faults of this/ });
  fetched.mockClear();
  fireEvent.click(within(faults).getAllByRole("button")[0]);
  await waitFor(() => expect(fetched).toHaveBeenCalled());
  expect(String(fetched.mock.calls[0][0])).toContain("set-faults");
  const picked = JSON.parse(fetched.mock.calls[0][1]!.body as string) as ActionInput<"set-faults">;
  expect(["a0", "a1"]).toContain(picked.id);
  expect(picked.faults).toHaveLength(1);
});
