import { v7 as newId } from "uuid";
import type { SignedInCoach } from "@/server/accounts";
import { insertCoach, inTransaction } from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { briefActions } from "./actions";
import { downloadStartHeight } from "./download";

withFreshDatabase();

const coachId = newId();
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const run = runnerFor(who);
const key = "0123456789abcdef0123456789abcdef";
const startHeight = { heightM: 9.25, reason: { kind: "scatter", runs: 1000, lostM: 9.1, packUsed: 0.8 } };
const keep = (change: object) => run(briefActions["keep-start-height"], { key, startHeight, ...change });
const kept = async (under: string): Promise<unknown> => (await downloadStartHeight(under)).json();

beforeAll(() =>
  inTransaction((transaction) => insertCoach(transaction, { id: coachId, name: "Ann Pell" }, new Date())),
);

it("gives back what was kept, the first figure standing, and nothing for what was not", async () => {
  expect(await kept(key)).toBeNull();
  expect((await keep({})).ok).toBe(true);
  expect((await keep({ startHeight: { ...startHeight, heightM: 1 } })).ok).toBe(true);
  expect(await kept(key)).toEqual(startHeight);
  expect(await kept("f".repeat(32))).toBeNull();
  expect(await kept("'; drop table start_height")).toBeNull();
});

it.each([
  ["a key that is none", { key: "x" }],
  ["no figure", { startHeight: {} }],
  ["a height under the ground", { startHeight: { ...startHeight, heightM: -3 } }],
  ["a reason that is none", { startHeight: { heightM: 3, reason: { kind: "luck", lostM: 1, packUsed: 0 } } }],
  ["text for a figure", { startHeight: "nine" }],
])("refuses %s", async (_, change) => {
  expect(await keep({ key: "1".repeat(32), ...change })).toMatchObject({ ok: false });
  expect(await kept("1".repeat(32))).toBeNull();
});
