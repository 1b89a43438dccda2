import { act, renderHook, waitFor } from "@testing-library/react";
import type { TallyData } from "@/contract";
import { tallyData } from "@/contract/testing/made-up-pilot";
import { freshDevice } from "@/ui/testing/fresh-device";
import { useTally } from "./use-tally";

const data = tallyData();
const tap = (id: string) =>
  ({
    action: "log-attempt",
    input: {
      id,
      sessionId: "s",
      pilotId: "odo",
      stepId: "flip-slow",
      direction: "back",
      outcome: "clean",
      flownAtMs: 5,
    },
  }) as const;
const reply = (body: object, status = 200) => new Response(JSON.stringify(body), { status });
const counts: TallyData = {
  ...data,
  attempts: [
    {
      ...tap("theirs").input,
      atMs: 4,
      place: "field",
      setupId: null,
      loadId: null,
      pack: null,
      minutes: null,
      measured: {},
      faults: [],
      undone: false,
    },
  ],
};

/** What looks are answered with, when this test says so. */
let look: (answer: Response) => void;
const asked: string[] = [];

beforeEach(async () => {
  asked.length = 0;
  globalThis.fetch = jest.fn(async () => reply({ ok: false, message: "away" }, 503));
  await freshDevice();
  globalThis.fetch = jest.fn((address: RequestInfo | URL) => {
    asked.push(String(address));
    if (String(address).startsWith("/field-tallies/")) return new Promise<Response>((done) => (look = done));
    if (String(address).startsWith("/field-briefs/")) return Promise.resolve(reply({ tag: "t", briefs: null }));
    return Promise.resolve(reply({ ok: true, data: null }));
  });
});

const opened = async () => {
  const hook = renderHook(() => useTally(data, { briefs: [], plan: null }));
  await waitFor(() => expect(asked).toContain("/field-tallies/s"));
  return hook;
};
const ids = ({ result }: Awaited<ReturnType<typeof opened>>) => result.current.attempts.map(({ id }) => id);

it("shows what another device did once the server tells of it", async () => {
  const hook = await opened();
  await act(async () => look(reply(counts)));
  await waitFor(() => expect(ids(hook)).toEqual(["theirs"]));
  hook.unmount();
});

it("lets no answer that was under way while somebody tapped take the tap away", async () => {
  const hook = await opened();
  act(() => hook.result.current.act(tap("mine")));
  expect(ids(hook)).toEqual(["mine"]);
  await waitFor(() => expect(asked).toContain("/api/log-attempt"));
  // The server answered before it knew of the tap; the answer comes late.
  await act(async () => look(reply(data)));
  await new Promise((done) => setTimeout(done, 50));
  expect(ids(hook)).toEqual(["mine"]);
  hook.unmount();
});

it("gives every tap a moment of its own, in the order tapped, also when the clock is set back", async () => {
  const hook = await opened();
  const now = jest.spyOn(Date, "now").mockReturnValue(1000);
  const first = hook.result.current.tapMoment();
  now.mockReturnValue(400);
  expect([first, hook.result.current.tapMoment(), hook.result.current.tapMoment()]).toEqual([1000, 1001, 1002]);
  now.mockRestore();
  hook.unmount();
});
