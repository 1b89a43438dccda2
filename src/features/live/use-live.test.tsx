import { act, renderHook, waitFor } from "@testing-library/react";
import { firstSettings } from "@/core";
import type { Listener, LiveSource } from "./sources";
import { useLive } from "./use-live";

const mockKept: { row: number; lines: readonly string[] }[] = [];
const mockFails = { take: false, keep: false };
jest.mock("./live-store", () => ({
  beginLive: async () => undefined,
  keepLines: async (_: string, row: number, lines: readonly string[]) => {
    if (mockFails.keep) throw new Error("full");
    mockKept.push({ row, lines });
  },
}));
const mockLines: string[] = [];
jest.mock("@/ui/worker/worker-client", () => ({
  workerClient: () => ({
    close: () => undefined,
    ask: async (call: (remote: object) => Promise<unknown>) =>
      call({
        begin: async () => undefined,
        take: async (lines: readonly string[]) => {
          if (mockFails.take) throw new Error("broke");
          mockLines.push(...lines);
          return { calls: [], tricks: [], last: null, lengthS: 1, rows: mockLines.length, faults: {} };
        },
        linesFrom: async (row: number) => mockLines.slice(row),
      }),
  }),
}));

/** A source that says what it is told, and whether it was closed. */
function made() {
  const heard: { listener: Listener | null; closed: boolean } = { listener: null, closed: false };
  const source: LiveSource = {
    ...{ kind: "serial", name: "Serial line", answers: true, say: () => undefined },
    open: (listener) => void (heard.listener = listener),
    close: () => void (heard.closed = true),
  };
  return { source, heard };
}
const by = { rates: firstSettings.rates, tiltDeg: 20 };
const answers: string[] = [];
async function listening() {
  const { source, heard } = made();
  const onAnswer = (line: string) => void answers.push(line);
  const hook = renderHook(() => useLive(by, "odo", { onAnswer, onCalls: () => undefined }));
  await act(async () => hook.result.current.listen(source));
  const give = (...lines: string[]) => act(async () => heard.listener!.hear(lines));
  return { hook, heard, give };
}

beforeEach(() => {
  Object.assign(mockFails, { take: false, keep: false });
  for (const list of [mockKept, mockLines, answers]) list.length = 0;
});

it("rows go to be read and are kept on the device, answers elsewhere; the last are kept when it stops", async () => {
  const { hook, heard, give } = await listening();
  expect(hook.result.current.isHeard()).toBe(false);
  await give("a", '{"saved":true}', "", "b");
  await waitFor(() => expect(hook.result.current.state?.rows).toBe(2));
  expect(hook.result.current.isHeard()).toBe(true);
  expect(answers).toEqual(['{"saved":true}']);
  await give("c");
  await act(async () => hook.result.current.stop());
  expect(mockKept.flatMap(({ lines }) => lines)).toEqual(["a", "b", "c"]);
  expect([heard.closed, hook.result.current.running]).toEqual([true, null]);
});

it("a device that keeps no more says so, and what it could not keep is kept once it can", async () => {
  const { hook, give } = await listening();
  mockFails.keep = true;
  await give("a");
  await waitFor(() => expect(hook.result.current.trouble).toBe("not-kept"), { timeout: 4000 });
  expect(hook.result.current.running).not.toBeNull();
  mockFails.keep = false;
  await waitFor(() => expect(hook.result.current.trouble).toBeNull(), { timeout: 4000 });
  expect(mockKept).toEqual([{ row: 0, lines: ["a"] }]);
});

it("computing that broke off ends it, and says so", async () => {
  const { hook, heard, give } = await listening();
  mockFails.take = true;
  await give("a");
  await waitFor(() => expect(hook.result.current.trouble).toBe("broke"));
  expect([heard.closed, hook.result.current.running]).toEqual([true, null]);
});
