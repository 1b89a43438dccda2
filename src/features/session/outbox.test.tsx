import { dismiss, flush, put, subscribe, waiting, type Outgoing } from "./outbox";

const item = (key: string): Outgoing => ({ key, sessionId: "s", action: "log-attempt", input: { id: key } });
const answer = (status: number, body: object) => Promise.resolve(new Response(JSON.stringify(body), { status }));
const settle = () => new Promise((done) => setTimeout(done, 20));
let send: jest.Mock;

beforeEach(() => {
  localStorage.clear();
  send = jest.fn(() => answer(200, { ok: true }));
  globalThis.fetch = send;
});

it("keeps what nothing answers to, in order, and sends all of it once there is an answer", async () => {
  send.mockRejectedValue(new TypeError("offline"));
  put(item("1"));
  put(item("2"));
  await settle();
  expect(waiting().map(({ key }) => key)).toEqual(["1", "2"]);
  const sent: string[] = [];
  send.mockImplementation((_: string, { body }: { body: string }) => {
    sent.push((JSON.parse(body) as { id: string }).id);
    return answer(200, { ok: true });
  });
  await flush();
  expect(sent).toEqual(["1", "2"]);
  expect(waiting()).toEqual([]);
});

it("keeps what the server fails on and tries again; a refusal stays visible and lets the rest pass", async () => {
  send.mockImplementation(() => answer(503, { ok: false, message: "database away", fields: {} }));
  put(item("1"));
  await settle();
  expect(waiting()).toHaveLength(1);
  send.mockImplementation((_: string, { body }: { body: string }) =>
    body.includes('"1"') ? answer(422, { ok: false, message: "not like this", fields: {} }) : answer(200, { ok: true }),
  );
  put(item("2"));
  await settle();
  expect(waiting()).toMatchObject([{ key: "1", refused: "not like this" }]);
  dismiss("1");
  expect(waiting()).toEqual([]);
});

it("tells whoever watches", () => {
  const seen = jest.fn();
  const stop = subscribe(seen);
  put(item("1"));
  expect(seen).toHaveBeenCalled();
  stop();
});
