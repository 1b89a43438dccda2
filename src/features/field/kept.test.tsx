import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import fc from "fast-check";
import { openDB } from "idb";
import type { TallyData } from "@/contract";
import { closeDevice } from "@/ui/outbox/device-store";
import { freshDevice } from "@/ui/testing/fresh-device";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { FieldScreen } from "./field-screen";
import { packFrom } from "./pack-clock";
import { keepOnDevice, keptSessions, packetFrom } from "./packet";
import left from "./testing/left-by-version-0.1.json";
import { placeFrom } from "./use-field-place";

/** `left-by-version-0.1.json` is what version 0.1 left on a device: a session and its outbox, as it wrote them. */
const [{ packet, sessionId }] = left.packets;
const leftTally = packet.tally as unknown as TallyData;

/** The device as version 0.1 left it. */
async function leftDevice(): Promise<void> {
  await freshDevice();
  await closeDevice();
  const device = await openDB("bathygon", 1, {
    upgrade(database) {
      database.createObjectStore("outbox", { autoIncrement: true });
      database.createObjectStore("packets", { keyPath: "sessionId" });
    },
  });
  for (const item of left.outbox) await device.add("outbox", item);
  for (const kept of left.packets) await device.put("packets", kept);
  device.close();
}

it("sends what version 0.1 left in the outbox, in its order, and shows its session with what waits", async () => {
  await leftDevice();
  const away = fakeServer({ "log-attempt": { status: 503, body: { ok: false, message: "away", fields: {} } } });
  const opened = renderScreen(<FieldScreen />, { address: `/field?session=${sessionId}` });
  // It was ended without a network: the debrief, with the attempt and the note that wait.
  expect(await screen.findByRole("heading", { name: "Odalie Venn: Slow flip" })).toBeVisible();
  expect(await screen.findByRole("heading", { name: /^Corvin Haldt: / })).toBeVisible();
  expect(screen.getByText("Calm.")).toBeVisible();
  expect(screen.getByText(/Not taken, a sign-off: no/)).toBeVisible();
  expect(away.every(({ action }) => action === "log-attempt")).toBe(true);
  opened.unmount();
  const sent = fakeServer();
  renderScreen(<FieldScreen />, { address: "/field" });
  await waitFor(() => expect(sent).toHaveLength(4), { timeout: 6000 });
  expect(sent.map(({ action, input }) => ({ action, input }))).toEqual(
    left.outbox.filter(({ action }) => action !== "sign-off").map(({ action, input }) => ({ action, input })),
  );
});

it("knows what is signed off in a session that version 0.1 kept, and one from before there were notes, routes and loads", () => {
  const known = packetFrom({ ...packet, sent: [] })!;
  expect(known.briefs).toHaveLength(packet.briefs.length);
  expect(known.tally.pilots.map(({ name, signedOff }) => [name, signedOff])).toEqual([
    ["Odalie Venn", ["flip-slow"]],
    ["Corvin Haldt", []],
  ]);
  const pilots = packet.tally.pilots.map(({ route: _, currentStepId: __, loadId: ___, ...pilot }) => pilot);
  const { notes: _, ...before } = packet.tally;
  const older = packetFrom({ tally: { ...before, pilots }, briefs: undefined, sent: [] })!;
  expect(older).toMatchObject({
    briefs: [],
    tally: { notes: [], pilots: [{ route: "eyes-first", loadId: null }, {}] },
  });
});

it("shows what the server took after the session was kept, until it is kept anew", async () => {
  await freshDevice();
  fakeServer();
  await keepOnDevice({ ...packetFrom({ ...packet, sent: [] })!.tally });
  const { enqueue, flush } = await import("@/ui/outbox/outbox");
  const { sentSoFar } = await import("@/ui/outbox/device-store");
  const [{ id }] = leftTally.attempts;
  await enqueue({ key: "k", accountId: "a", sessionId, action: "undo-attempt", input: { id } });
  await flush();
  const [shown] = await keptSessions();
  expect(shown.tally.attempts[0].undone).toBe(true);
  await keepOnDevice(shown.tally, await sentSoFar(sessionId));
  expect(await sentSoFar(sessionId)).toEqual([]);
  expect((await keptSessions())[0].tally.attempts[0].undone).toBe(true);
});

it("of whatever else a device keeps nothing stops the tally: it is left out, or begins anew", async () => {
  const asKept = (tally: unknown, briefs: unknown) => packetFrom({ tally, briefs, sent: [] });
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (one, other) => {
      for (const kept of [one, { session: one, pilots: other }, { session: { id: "s", pilots: [] }, pilots: [one] }])
        expect(() => asKept(kept, other)).not.toThrow();
      expect(() => [placeFrom(one), packFrom(one), placeFrom({ added: one, blockOf: other })]).not.toThrow();
    }),
  );
  const damaged = { turn: -1, blockOf: { odo: "x", ida: 1 }, directionOf: [], added: { odo: [{ stepId: 3 }] } };
  expect(placeFrom(damaged)).toEqual({
    turn: 0,
    guest: null,
    early: [],
    blockOf: { ida: 1 },
    directionOf: {},
    added: {},
  });
  expect(packFrom({ number: 2, sinceMs: "soon" })).toEqual({ number: 2, sinceMs: null });
  // The same, on the screen.
  await freshDevice();
  fakeServer();
  await keepOnDevice({ ...packetFrom({ ...packet, sent: [] })!.tally });
  localStorage.setItem(`bathygon-field-${sessionId}`, '{"turn":');
  localStorage.setItem(`bathygon-pack-${sessionId}`, '{"number":"two"}');
  renderScreen(<FieldScreen />, { address: `/field?session=${sessionId}` });
  await userEvent.click(await screen.findByRole("button", { name: "Clean, 0 so far" }));
  expect(screen.getByRole("button", { name: "Clean, 1 so far" })).toBeVisible();
});
