import { IsInt } from "class-validator";
import { FieldRangeError } from "@/core";
import type { SignedIn } from "../accounts";
import {
  action,
  badField,
  conflict,
  IsId,
  IsName,
  IsOneOf,
  IsText,
  missing,
  openAction,
  runAction,
  type Asker,
} from ".";
import { readBody } from "./read-body";

class Input {
  @IsId() id!: string;
  @IsName() name!: string;
  @IsText(10) note!: string;
  @IsOneOf(["a", "b"]) kind!: string;
  @IsInt({ message: "count is a whole number" }) count!: number;
}
const good = { id: "019ac000-0000-7000-8000-000000000001", name: " Odo ", note: "", kind: "a", count: 1 };
const coach: SignedIn = { signInId: "s", accountId: "a", coachId: "c", coachName: "Ann Pell" };
const asker = (who: SignedIn | null = coach): Asker => ({
  identify: async () => who,
  address: "local",
  device: "",
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
  const run = jest.fn(async (input: Input) => input.name);
  expect(await runAction(action(Input, run), good, asker())).toEqual({ ok: true, data: "Odo" });
  expect(run).toHaveBeenCalledWith(expect.any(Input), coach, expect.anything());
});

it("turns a stranger away from all but what is open to strangers, before looking at the input", async () => {
  const run = jest.fn(async () => "in");
  expect(await runAction(action(Input, run), { nonsense: true }, asker(null))).toMatchObject({
    ok: false,
    status: 401,
  });
  expect(run).not.toHaveBeenCalled();
  expect(await runAction(openAction(Input, run), good, asker(null))).toEqual({ ok: true, data: "in" });
});

it("says that the database is away also when it cannot tell who asks", async () => {
  const lost = { ...asker(), identify: () => Promise.reject(Object.assign(new Error("x"), { code: "ECONNREFUSED" })) };
  expect(await runAction(action(Input, jest.fn()), good, lost)).toMatchObject({ status: 503 });
});

it("names every bad field with one message each, and runs nothing", async () => {
  const run = jest.fn();
  const result = await runAction(
    action(Input, run),
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
  expect(run).not.toHaveBeenCalled();
  expect(result).toMatchObject({
    ok: false,
    status: 422,
    fields: {
      id: "id is not an id of this program",
      name: "name may not hold < or > or control characters",
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
  expect(await failing(new FieldRangeError("tiltDeg", "tiltDeg is 99"))).toMatchObject({
    status: 422,
    fields: { tiltDeg: "tiltDeg is 99" },
  });
  expect(log).not.toHaveBeenCalled();
});

it.each(["ECONNREFUSED", "PROTOCOL_CONNECTION_LOST", "ETIMEDOUT"])(
  "says that the database is away on %s",
  async (code) => {
    const result = await failing(Object.assign(new Error("secret host name"), { code }));
    expect(result).toMatchObject({
      ok: false,
      status: 503,
      message: expect.stringContaining("database does not answer"),
    });
  },
);

it("keeps the cause of any other failure to the log, under the id it answers with", async () => {
  const result = await failing(new Error("secret table name"));
  expect(result).toMatchObject({ ok: false, status: 500 });
  expect(JSON.stringify(result)).not.toContain("secret");
  const { errorId } = result as { errorId: string };
  expect(log.mock.calls[0]).toEqual([`[${errorId}]`, expect.objectContaining({ message: "secret table name" })]);
});

it("keeps the values of a failed statement out of the log", async () => {
  const message = "insert into account values ('$argon2id$secret') - Data too long for column 'name'";
  await failing(
    Object.assign(new Error(message), { code: "ER_DATA_TOO_LONG", sqlMessage: "Data too long for column 'name'" }),
  );
  expect(JSON.stringify(log.mock.calls)).toContain("Data too long");
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
    expect(await readBody(request('{"a":1}'))).toEqual({ ok: true, data: { a: 1 } });
    expect(await readBody(request('{"a":"ü"}', { origin: "http://desk.example" }))).toEqual({
      ok: true,
      data: { a: "ü" },
    });
  });

  it("is refused from another site, also when the browser hides which", async () => {
    const strangers: readonly Record<string, string>[] = [
      { origin: "http://evil.example" },
      { origin: "null" },
      { "sec-fetch-site": "cross-site" },
    ];
    for (const headers of strangers) {
      expect(await readBody(request("{}", headers))).toMatchObject({
        ok: false,
        status: 403,
      });
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
    expect(await readBody(request(endless))).toMatchObject({ ok: false, status: 413 });
    expect(produced).toBeLessThan(12);
  });

  it("is refused when empty or broken", async () => {
    expect(await readBody(request(null))).toMatchObject({ ok: false, status: 400 });
    expect(await readBody(request('{"a":'))).toMatchObject({ ok: false, status: 400 });
  });
});
