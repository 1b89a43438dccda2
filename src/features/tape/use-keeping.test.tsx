import { act, renderHook, waitFor } from "@testing-library/react";
import type { RecordingFound } from "@/contract";
import { useKeeping } from "./use-keeping";

jest.mock("comlink", () => ({ proxy: (one: unknown) => one }));
jest.mock("@/ui/worker/worker-client", () => ({
  workerClient: () => ({
    close: () => undefined,
    ask: async (call: (remote: object) => Promise<unknown>) =>
      call({
        packFile: async (_: File, onProgress: (share: number) => void) => {
          onProgress(1);
          return {
            sha256: "a".repeat(64),
            pieces: ["one", "two", "three"].map((text) => new Uint8Array(Buffer.from(text))),
          };
        },
      }),
  }),
}));

/** What the server says to each request in turn; the last again and again. */
const answers: object[] = [];
const sent: { action: string; number?: number; packed?: string }[] = [];
beforeEach(() => {
  answers.length = 0;
  sent.length = 0;
  globalThis.fetch = jest.fn(async (address: string, init: RequestInit) => {
    sent.push({ action: address.slice(5), ...(JSON.parse(init.body as string) as object) });
    const answer = answers.length > 1 ? answers.shift()! : answers[0];
    if ("dead" in answer) throw new TypeError("network");
    return { status: "status" in answer ? answer.status : 200, json: async () => answer } as Response;
  }) as never;
});

const toKeep = {
  ...{ pilotId: "odo", setupId: "v2", mapping: null, found: {} as RecordingFound },
  file: new File(["onetwothree"], "pack.csv"),
};
const ok = (data: unknown = null) => ({ ok: true, data });
const keepIt = () => {
  const hook = renderHook(() => useKeeping());
  act(() => void hook.result.current.keep(toKeep));
  return hook;
};

it("sends only the pieces that are not there yet, then says it is whole", async () => {
  answers.push(ok({ id: "r1", whole: false, here: [1] }), ok());
  const { result } = keepIt();
  await waitFor(() => expect(result.current.keeping).toEqual({ kind: "kept", id: "r1" }));
  expect(sent.map(({ action, number }) => [action, number])).toEqual([
    ["begin-recording", undefined],
    ["keep-piece", 0],
    ["keep-piece", 2],
    ["finish-recording", undefined],
  ]);
  expect(Buffer.from(sent[2].packed!, "base64").toString()).toBe("three");
});

it("waits while nothing answers and goes on by itself when the network is back", async () => {
  answers.push(ok({ id: "r1", whole: false, here: [] }), { dead: true }, ok());
  const { result } = keepIt();
  await waitFor(() => expect(result.current.keeping).toMatchObject({ kind: "sending", waiting: true }));
  act(() => void dispatchEvent(new Event("online")));
  await waitFor(() => expect(result.current.keeping).toEqual({ kind: "kept", id: "r1" }));
  expect(sent.filter(({ number }) => number === 0)).toHaveLength(2);
});

it("sends nothing of what is kept already, and says why something is refused", async () => {
  answers.push(ok({ id: "r9", whole: true, here: [] }));
  const { result } = keepIt();
  await waitFor(() => expect(result.current.keeping).toEqual({ kind: "kept", id: "r9" }));
  expect(sent).toHaveLength(1);
  answers.splice(0, 1, { ok: false, status: 422, message: "The squad has room for 1024 MB.", fields: {} });
  act(() => void result.current.keep(toKeep));
  await waitFor(() =>
    expect(result.current.keeping).toEqual({ kind: "refused", message: "The squad has room for 1024 MB." }),
  );
});

it("whatever is stopped does not come back", async () => {
  answers.push(ok({ id: "r1", whole: false, here: [] }), { dead: true });
  const { result } = keepIt();
  await waitFor(() => expect(result.current.keeping).toMatchObject({ kind: "sending", waiting: true }));
  act(() => result.current.stop());
  act(() => void dispatchEvent(new Event("online")));
  await act(async () => new Promise((done) => setTimeout(done, 20)));
  expect(result.current.keeping).toEqual({ kind: "not" });
});
