import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { TapeReader, TapeRefused, packOf, type Settings } from "@/core";
import { madeUpPack } from "@/core/tape/testing/made-up-pack";
import { odo, plank, plankSetup } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import type { TapeData } from "./load";
import { TapeScreen } from "./tape-screen";

// What the worker does, on the spot; its pieces have tests of their own.
const mockAnswer = { hold: false, fail: false };
const mockClosed = jest.fn();
jest.mock("comlink", () => ({ proxy: (one: unknown) => one }));
jest.mock("@/ui/worker/worker-client", () => ({
  workerClient: () => ({
    close: mockClosed,
    ask: async (call: (remote: object) => Promise<unknown>) =>
      call({
        readPack: async (source: { file: File }, settings: Settings, _: null, onProgress: (share: number) => void) => {
          onProgress(0.4);
          if (mockAnswer.hold) return new Promise(() => undefined);
          if (mockAnswer.fail) throw new Error("gone");
          const reader = new TapeReader();
          try {
            reader.push(new TextEncoder().encode(await textOf(source.file)));
            return { pack: packOf(reader.end(), settings), problem: null };
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
  expect(screen.getByRole("status", { name: "What to mend first" })).not.toBeEmptyDOMElement();
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
