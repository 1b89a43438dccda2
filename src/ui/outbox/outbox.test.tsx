import type { FieldAction } from "@/contract";
import { freshDevice } from "../testing/fresh-device";
import { readOutbox, closeDevice } from "./device-store";
import { dismiss, enqueue, flush, outboxNow, reread, resubmit, subscribe, type Outgoing } from "./outbox";

const tap = (id: string) => ({
  id,
  sessionId: "s",
  pilotId: "p",
  stepId: "flip-slow",
  direction: "back",
  outcome: "clean" as const,
  flownAtMs: 5,
});
type More = Partial<Pick<Outgoing, "accountId" | "sessionId" | "refused" | "failedAtMs">>;
const doing = (key: string, done: FieldAction, more: More = {}): Outgoing => ({
  key,
  accountId: "account",
  sessionId: "s",
  ...done,
  ...more,
});
const item = (key: string, more: More = {}) => doing(key, { action: "log-attempt", input: tap(key) }, more);
const answer = (status: number, body: object) => Promise.resolve(new Response(JSON.stringify(body), { status }));
const settle = () => new Promise((done) => setTimeout(done, 120));
const keys = () => outboxNow().items.map(({ key }) => key);
let send: jest.Mock;
const sentIds = () => send.mock.calls.map(([, { body }]) => (JSON.parse(body as string) as { id: string }).id);

beforeEach(async () => {
  send = jest.fn(() => answer(200, { ok: true }));
  globalThis.fetch = send;
  await freshDevice();
});

it("keeps what nothing answers to, in order, and sends all of it once there is an answer", async () => {
  send.mockRejectedValue(new TypeError("offline"));
  await enqueue(item("1"));
  await enqueue(item("2"));
  await settle();
  expect(keys()).toEqual(["1", "2"]);
  expect((await readOutbox()).map(([, { key }]) => key)).toEqual(["1", "2"]);
  send = jest.fn(() => answer(200, { ok: true }));
  globalThis.fetch = send;
  await flush();
  expect(sentIds()).toEqual(["1", "2"]);
  expect(keys()).toEqual([]);
  expect(await readOutbox()).toEqual([]);
});

it("is in sight at once, and said to be unkept until it is on the disk", async () => {
  send.mockRejectedValue(new TypeError("offline"));
  const kept = enqueue(item("1"));
  expect(keys()).toEqual(["1"]);
  expect(outboxNow().unkept.has("1")).toBe(true);
  await kept;
  expect(outboxNow().unkept.size).toBe(0);
});

it("keeps what the server fails on and tries again; a refusal stays visible and lets the rest pass", async () => {
  send.mockImplementation(() => answer(503, { ok: false, message: "database away", fields: {} }));
  await enqueue(item("1"));
  await settle();
  expect(keys()).toEqual(["1"]);
  send.mockImplementation((_: string, { body }: { body: string }) =>
    body.includes('"1"') ? answer(422, { ok: false, message: "not like this", fields: {} }) : answer(200, { ok: true }),
  );
  await enqueue(item("2"));
  await settle();
  expect(outboxNow().items).toMatchObject([{ key: "1", refused: "not like this" }]);
  await dismiss("1");
  expect(keys()).toEqual([]);
  expect(await readOutbox()).toEqual([]);
});

it("sets aside with its reason what the server fails on, so that the rest goes on, and tries it again after a while", async () => {
  send.mockImplementation((_: string, { body }: { body: string }) =>
    body.includes('"1"')
      ? answer(500, { ok: false, message: "Something went wrong here. Error r1.", fields: {} })
      : answer(200, { ok: true }),
  );
  await enqueue(item("1"));
  await enqueue(item("2"));
  await settle();
  // A server may stumble: till it has failed on it again and again the order is kept.
  expect(keys()).toEqual(["1", "2"]);
  for (let n = 0; n < 5; n++) await flush();
  expect(outboxNow().items).toMatchObject([{ key: "1", refused: expect.stringContaining("Error r1") }]);
  send.mockClear();
  await flush();
  expect(send).not.toHaveBeenCalled();
  send.mockImplementation(() => answer(200, { ok: true }));
  const later = jest.spyOn(Date, "now").mockReturnValue(Date.now() + 11 * 60_000);
  await flush();
  later.mockRestore();
  expect(sentIds()).toEqual(["1"]);
  expect(keys()).toEqual([]);
});

it("sends what was put right in its old place, with what was refused because of it", async () => {
  send.mockImplementation(() => answer(422, { ok: false, message: "no", fields: {} }));
  await enqueue(doing("tap", { action: "log-attempt", input: { ...tap("a"), direction: "up" } }));
  await enqueue(doing("fault", { action: "set-faults", input: { id: "a", faults: ["x"] } }));
  await settle();
  expect(outboxNow().items.map(({ refused }) => refused)).toEqual(["no", "no"]);
  send.mockClear();
  send.mockImplementation(() => answer(200, { ok: true }));
  await resubmit("tap", { action: "log-attempt", input: { ...tap("a"), direction: "left" } });
  expect(send.mock.calls.map(([address, { body }]) => [address, JSON.parse(body as string)])).toEqual([
    ["/api/log-attempt", { ...tap("a"), direction: "left" }],
    ["/api/set-faults", { id: "a", faults: ["x"] }],
  ]);
  expect(keys()).toEqual([]);
});

it("reads again what a page before it left, and waits for whoever did it to sign in", async () => {
  send.mockImplementation(() => answer(401, { ok: false, message: "not you", fields: {} }));
  await enqueue(item("1"));
  await settle();
  await closeDevice();
  await reread();
  expect(keys()).toEqual(["1"]);
  expect([...outboxNow().signedOutIds]).toEqual(["account"]);
  // What someone else did who is signed in now is not held up by it.
  send.mockImplementation((_: string, { headers }: { headers: Record<string, string> }) =>
    headers["x-bathygon-account"] === "other" ? answer(200, { ok: true }) : answer(401, { ok: false, message: "" }),
  );
  await enqueue(item("2", { accountId: "other" }));
  await settle();
  expect(keys()).toEqual(["1"]);
  expect(send.mock.calls[0][1].headers).toMatchObject({
    "x-bathygon-account": "account",
    "x-bathygon-device-ms": expect.stringMatching(/^\d{13}$/),
  });
});

it("sends from memory what the device cannot keep, and says so", async () => {
  await closeDevice();
  const { indexedDB: kept } = globalThis;
  globalThis.indexedDB = {
    open: () => {
      throw new Error("no room");
    },
  } as unknown as IDBFactory;
  send.mockRejectedValue(new TypeError("offline"));
  await enqueue(item("1"));
  await settle();
  expect(outboxNow()).toMatchObject({ broken: "no room", items: [{ key: "1" }] });
  send.mockImplementation(() => answer(200, { ok: true }));
  await flush();
  expect(sentIds()).toContain("1");
  globalThis.indexedDB = kept;
  await reread();
  expect(keys()).toEqual([]);
});

it("still sends what could not be kept once the device keeps again", async () => {
  await closeDevice();
  const { indexedDB: kept } = globalThis;
  globalThis.indexedDB = {
    open: () => {
      throw new Error("no room");
    },
  } as unknown as IDBFactory;
  send.mockRejectedValue(new TypeError("offline"));
  await enqueue(item("1"));
  globalThis.indexedDB = kept;
  await enqueue(item("2"));
  expect(outboxNow().broken).toBeNull();
  send = jest.fn(() => answer(200, { ok: true }));
  globalThis.fetch = send;
  await flush();
  expect([...sentIds()].sort()).toEqual(["1", "2"]);
  expect(keys()).toEqual([]);
});

it("tells whoever watches", async () => {
  const seen = jest.fn();
  const stop = subscribe(seen);
  await enqueue(item("1"));
  expect(seen).toHaveBeenCalled();
  stop();
  await settle();
});
