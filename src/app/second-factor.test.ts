import { v7 as newId } from "uuid";
import { codeAt } from "@/server/accounts/one-time-codes";
import { signedInBy } from "@/server/accounts";
import { database } from "@/server/database";
import { browser, requestTo } from "@/server/testing/browser";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { POST } from "./api/[action]/route";
import type { ActionName } from "@/contract";

jest.mock("@/server/accounts/current", () => jest.requireActual("@/server/testing/browser").accountOfBrowser);
withFreshDatabase();

const password = "four plain words here";
const name = "Ann Pell";
type Answer = { ok: boolean; data: Record<string, never>; fields: Record<string, string> };
async function post(action: ActionName, input: object): Promise<{ status: number; body: Answer }> {
  const answer = await POST(requestTo(action, input), { params: Promise.resolve({ action }) });
  return { status: answer.status, body: (await answer.json()) as Answer };
}
const signIn = (code?: string) => post("sign-in", { name, password, ...(code !== undefined && { code }) });
let secret = "";
let recovery: readonly string[] = [];
/** Codes of the next steps, so that none is asked for twice. */
let ahead = 0;
const nextCode = () => {
  jest.spyOn(Date, "now").mockReturnValue(start + ++ahead * 30_000);
  jest.setSystemTime(start + ahead * 30_000);
  return codeAt(secret, start + ahead * 30_000);
};
const start = Date.now();

beforeAll(async () => {
  jest.useFakeTimers({
    doNotFake: [
      "nextTick",
      "setImmediate",
      "setTimeout",
      "setInterval",
      "queueMicrotask",
      "performance",
      "hrtime",
      "clearTimeout",
      "clearInterval",
      "clearImmediate",
    ],
  });
  await post("begin", { id: newId(), name, password });
});
afterAll(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
});

it("is set up with the password and a code; other devices are signed out, and only hashes of recovery codes are kept", async () => {
  const other = browser.token!;
  await signIn();
  await signIn();
  expect((await post("begin-second-factor", { password: "a wrong guess" })).body.fields).toHaveProperty("password");
  const made = await post("begin-second-factor", { password });
  secret = made.body.data.secret as string;
  // Not asked for before a code was typed.
  expect((await signIn()).status).toBe(200);
  expect((await post("confirm-second-factor", { code: "000000" })).body.fields).toHaveProperty("code");
  const confirmed = await post("confirm-second-factor", { code: nextCode() });
  recovery = confirmed.body.data.recoveryCodes as readonly string[];
  expect(recovery).toHaveLength(10);
  expect(await signedInBy(other, new Date())).toBeNull();
  expect(await signedInBy(browser.token!, new Date())).toMatchObject({ name });
  const kept = JSON.stringify(await database()("recovery_code"));
  for (const code of recovery) expect(kept).not.toContain(code);
  expect((await post("begin-second-factor", { password })).status).toBe(409);
});

it("asks at sign-in, takes each code once, also of two at the same moment, and a recovery code once", async () => {
  browser.token = null;
  const asked = await signIn();
  expect([asked.status, Object.keys(asked.body.fields)]).toEqual([422, ["code"]]);
  expect(browser.token).toBeNull();
  const code = nextCode();
  const both = await Promise.all([signIn(code), signIn(code)]);
  expect(both.map(({ status }) => status).sort()).toEqual([200, 422]);
  expect((await signIn(code)).status).toBe(422);
  expect((await signIn(recovery[0].toUpperCase())).status).toBe(200);
  expect((await signIn(recovery[0])).status).toBe(422);
  // Who types the wrong password is never told that there is a second factor.
  const wrong = await post("sign-in", { name, password: "a wrong guess", code: nextCode() });
  expect(wrong.body.fields).toEqual({});
});

it("renews recovery codes, and is turned off with password and code only", async () => {
  const renewed = await post("renew-recovery-codes", { code: nextCode() });
  expect(renewed.body.data.recoveryCodes).toHaveLength(10);
  expect((await signIn(recovery[1])).status).toBe(422);
  expect((await post("end-second-factor", { password, code: "000000" })).body.fields).toHaveProperty("code");
  expect((await post("end-second-factor", { password, code: nextCode() })).status).toBe(200);
  expect((await signIn()).status).toBe(200);
  expect(await database()("recovery_code")).toEqual([]);
});
