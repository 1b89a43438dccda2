import { IsInt } from "class-validator";
import { DomainError } from "@/core";
import type { SignedIn } from "../accounts";
import {
  badField,
  coachAction,
  conflict,
  IsId,
  IsName,
  IsOneOf,
  IsText,
  memberAction,
  missing,
  openAction,
  runAction as run,
  type Action,
  type Asker,
} from ".";
import { readBody, requireOwnPages } from "./read-body";

class Input {
  @IsId() id!: string;
  @IsName() name!: string;
  @IsText(10) note!: string;
  @IsOneOf(["a", "b"]) kind!: string;
  @IsInt({ message: "count is a whole number" }) count!: number;
}
const good = { id: "019ac000-0000-7000-8000-000000000001", name: " Odo ", note: "", kind: "a", count: 1 };
const coach: SignedIn = { signInId: "s", accountId: "a", name: "Ann Pell", coachId: "c", pilotId: null };
const pilot: SignedIn = { ...coach, name: "Odo Fenn", coachId: null, pilotId: "p" };
const nobodys = () => [];
const action = (input: typeof Input, work: (input: Input) => Promise<unknown>) => coachAction(input, nobodys, work);
const runAction = (work: Action<Input, unknown>, raw: unknown, who: Asker) => run(work, async () => raw, who);
const asker = (who: SignedIn | null = coach): Asker => ({
  identify: async () => who,
  address: "local",
  device: "",
  requestId: "request-1",
  setToken: async () => {},
});
const failing = (error: unknown) =>
  runAction(
    action(Input, () => Promise.reject(error)),
    good,
    asker(),
  );

let log: jest.SpyInstance;
beforeEach(() => {
  log = jest.spyOn(console, "error").mockImplementation(() => {});
});
afterEach(() => log.mockRestore());

it("hands over a checked instance, trimmed", async () => {
  const work = jest.fn(async (input: Input) => input.name);
  expect(await runAction(coachAction(Input, nobodys, work), good, asker())).toEqual({ ok: true, data: "Odo" });
  expect(work).toHaveBeenCalledWith(expect.any(Input), coach, expect.anything());
});

it("turns a stranger away from all but what is open to strangers, before looking at the input", async () => {
  const work = jest.fn(async () => "in");
  expect(await runAction(action(Input, work), { nonsense: true }, asker(null))).toMatchObject({
    ok: false,
    status: 401,
  });
  expect(work).not.toHaveBeenCalled();
  expect(await runAction(openAction(Input, work), good, asker(null))).toEqual({ ok: true, data: "in" });
});

it("keeps pilots out of what is for coaches, and lets both into what is for members", async () => {
  const work = jest.fn(async () => "in");
  expect(await runAction(action(Input, work), good, asker(pilot))).toMatchObject({ ok: false, status: 403 });
  expect(work).not.toHaveBeenCalled();
  for (const who of [pilot, coach])
    expect(await runAction(memberAction(Input, nobodys, work), good, asker(who))).toEqual({ ok: true, data: "in" });
});

it("reads nothing of what somebody sends who may not ask", async () => {
  const read = jest.fn(async () => good);
  await run(action(Input, jest.fn()), read, asker(null));
  await run(action(Input, jest.fn()), read, asker(pilot));
  expect(read).not.toHaveBeenCalled();
});

it("says that the database is away also when it cannot tell who asks", async () => {
  const lost = { ...asker(), identify: () => Promise.reject(Object.assign(new Error("x"), { code: "ECONNREFUSED" })) };
  expect(await runAction(action(Input, jest.fn()), good, lost)).toMatchObject({ status: 503 });
});

it("names every bad field with one message each, and runs nothing", async () => {
  const work = jest.fn();
  const result = await runAction(
    action(Input, work),
    {
      id: 1,
      name: "<b>",
      note: "x".repeat(11),
      kind: "c",
      count: 1.5,
      more: true,
    },
    asker(),
  );
  expect(work).not.toHaveBeenCalled();
  expect(result).toMatchObject({
    ok: false,
    status: 422,
    fields: {
      id: "id is not an id of this program",
      name: "name may not hold < or >, control or invisible characters",
      note: "note is longer than 10 characters",
      kind: "kind must be one of: a, b",
      count: "count is a whole number",
      more: "more is not a known field",
    },
  });
});

it.each([null, undefined, "text", 7, [], true])("refuses %p as a request", async (raw) => {
  expect(await runAction(action(Input, jest.fn()), raw, asker())).toMatchObject({ ok: false, status: 400 });
});

it("passes refusals on with their status and fields", async () => {
  expect(await failing(missing("That pilot"))).toMatchObject({
    status: 404,
    message: expect.stringContaining("That pilot"),
  });
  expect(await failing(conflict("Somebody was faster"))).toMatchObject({ status: 409, message: "Somebody was faster" });
  expect(await failing(badField("massG", "too heavy"))).toMatchObject({ status: 422, fields: { massG: "too heavy" } });
  expect(await failing(new DomainError("tiltDeg", 99, "0 to 60", undefined, [0, 60]))).toMatchObject({
    status: 422,
    fields: { tiltDeg: "Camera tilt must be between 0 and 60° (now 99°)" },
  });
  expect(log).not.toHaveBeenCalled();
});

it.each(["ECONNREFUSED", "PROTOCOL_CONNECTION_LOST", "ETIMEDOUT", "ER_UNKNOWN_COM_ERROR"])(
  "says that the database is away on %s",
  async (code) => {
    const result = await failing(Object.assign(new Error("secret host name"), { code }));
    expect(result).toMatchObject({
      ok: false,
      status: 503,
      message: expect.stringContaining("database is not answering"),
    });
  },
);

it("keeps the cause of any other failure to the log, under the id it answers with", async () => {
  const result = await failing(new Error("secret table name"));
  expect(result).toMatchObject({ ok: false, status: 500 });
  expect(JSON.stringify(result)).not.toContain("secret");
  expect(result).toHaveProperty("errorId", "request-1");
  expect(JSON.parse(log.mock.calls[0][0] as string)).toMatchObject({
    level: "error",
    requestId: "request-1",
    cause: { message: "secret table name" },
  });
});

it("keeps the values of a failed statement out of the log", async () => {
  const message = "insert into account values ('$argon2id$secret') - Data too long for column 'name'";
  await failing(
    Object.assign(new Error(message), { code: "ER_DATA_TOO_LONG", sqlMessage: "Data too long for column 'name'" }),
  );
  await failing(Object.assign(new Error("select '$argon2id$secret' - Connection lost"), { code: "ECONNRESET" }));
  expect(JSON.stringify(log.mock.calls)).toContain("Data too long");
  expect(JSON.stringify(log.mock.calls)).toContain("Connection lost");
  expect(JSON.stringify(log.mock.calls)).not.toContain("argon2id");
});

describe("the body of a request", () => {
  const request = (body: BodyInit | null, headers: Record<string, string> = {}) =>
    new Request("http://desk.example/api/x", {
      method: "POST",
      body,
      headers: { host: "desk.example", "content-type": "application/json", ...headers },
      duplex: "half",
    } as RequestInit);

  it("is read as JSON from our own pages and from programs", async () => {
    expect(await readBody(request('{"a":1}'))).toEqual({ a: 1 });
    expect(await readBody(request('{"a":"ü"}'))).toEqual({ a: "ü" });
    for (const headers of [undefined, { origin: "http://desk.example" }])
      expect(() => requireOwnPages(request("{}", headers))).not.toThrow();
  });

  it("is refused from another site, also when the browser hides which", async () => {
    const strangers: readonly Record<string, string>[] = [
      { origin: "http://evil.example" },
      { origin: "null" },
      { "sec-fetch-site": "cross-site" },
    ];
    for (const headers of strangers) {
      expect(() => requireOwnPages(request("{}", headers))).toThrow("another site");
    }
  });

  it("is cut off as soon as it is too long, whatever its length header says", async () => {
    let produced = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull: (controller) => {
        produced += 1;
        controller.enqueue(new Uint8Array(16_384).fill(32));
      },
    });
    await expect(readBody(request(endless))).rejects.toMatchObject({ status: 413 });
    expect(produced).toBeLessThan(12);
  });

  it("may be longer where an action says so", async () => {
    const long = JSON.stringify({ text: "x".repeat(100_000) });
    await expect(readBody(request(long))).rejects.toMatchObject({ status: 413 });
    expect(await readBody(request(long), 200_000)).toEqual(JSON.parse(long));
  });

  it("is refused when empty or broken", async () => {
    await expect(readBody(request(null))).rejects.toMatchObject({ status: 400 });
    await expect(readBody(request('{"a":'))).rejects.toMatchObject({ status: 400 });
  });
});
