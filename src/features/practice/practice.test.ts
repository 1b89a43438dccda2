import { gzipSync } from "node:zlib";
import { v7 as newId } from "uuid";
import { DAY_MS } from "@/core";
import type { SignedIn, SignedInCoach } from "@/server/accounts";
import { database } from "@/server/database";
import {
  erasePilot,
  findPilots,
  insertCoach,
  insertPilot,
  insertSquad,
  inTransaction,
  listBin,
  listFlown,
  listLineTries,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { tryPacked } from "@/server/testing/try-packed";
import { practiceActions } from "./actions";
import { downloadTry } from "./download";
import { loadPractice } from "./load";

withFreshDatabase();

const [squadId, coachId, odo, ida] = Array.from({ length: 4 }, () => newId());
const now = new Date();
const coach: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const pilot: SignedIn = { accountId: newId(), signInId: newId(), coachId: null, pilotId: odo, name: "Odo Fenn" };
const [asCoach, asPilot] = [runnerFor(coach), runnerFor(pilot)];
const sittingId = newId();
const aTry = (change: object = {}) => ({
  ...{ id: newId(), sittingId, pilotId: odo, stepId: "flip-slow", direction: "back", outcome: "clean" },
  ...{ flownAtMs: now.getTime() - 60_000, seconds: 12, measured: { stopErrorDeg: -4 }, setupId: null, loadId: null },
  ...change,
});
const practice = async () => {
  const [one] = await findPilots([odo]);
  return loadPractice(coach, one, { aircraft: null, loadId: null }, null);
};

beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    for (const [id, name] of [
      [odo, "Odo Fenn"],
      [ida, "Ida Rook"],
    ])
      await insertPilot(transaction, { id, squadId, name, stickMode: 2, grip: "thumbs" }, now);
  }),
);

it("a try is an attempt in the simulator: sent twice it is one, its sitting is over when its last try is, and it is no flying day", async () => {
  const first = aTry();
  for (let n = 0; n < 2; n++) expect(await asPilot(practiceActions["log-try"], first)).toMatchObject({ ok: true });
  const later = aTry({ outcome: "crashed", flownAtMs: now.getTime() - 20_000, seconds: 5 });
  expect(await asPilot(practiceActions["log-try"], later)).toMatchObject({ ok: true });
  const attempts = await database()("attempt").where({ pilot_id: odo }).orderBy("flown_at");
  expect(attempts).toMatchObject([
    { session_id: sittingId, place: "simulator", outcome: "clean" },
    { session_id: sittingId, place: "simulator", outcome: "crashed" },
  ]);
  const session = await database()("session").where({ id: sittingId }).first();
  expect(session).toMatchObject({ place: "simulator", coach_id: null });
  expect(session.ended_at.getTime()).toBe(now.getTime() - 15_000);
  const { digest } = (await listFlown([odo])).get(odo)!.get("flip-slow")!;
  expect(digest).toMatchObject({ attempts: 2, lastMs: null, days: [] });
  expect((await practice()).tries).toEqual({ "flip-slow": { clean: 1, all: 2 } });
});

it.each([
  ["stepId", { stepId: "no-such-step" }],
  ["direction", { direction: "up" }],
  ["seconds", { seconds: 5000 }],
  ["measured", { measured: { height: 3 } }],
  ["packed", { packed: "AAAA" }],
  ["packed", { packed: gzipSync(Buffer.alloc(64 * 1024 * 1024)).toString("base64") }],
  ["line", { line: { id: newId(), version: 1, name: "Line", tricks: ["flip-one-move-back"], brokeAt: null } }],
])("names %s where it can't be, and keeps nothing", async (field, change) => {
  const before = await database()("attempt").count({ count: "*" });
  expect(await asPilot(practiceActions["log-try"], aTry(change))).toMatchObject({
    ok: false,
    fields: { [field]: expect.any(String) as string },
  });
  expect(await database()("attempt").count({ count: "*" })).toEqual(before);
});

it("keeps the sticks of a try beside it, once, for its pilot and their coaches, and lets them go with the pilot", async () => {
  const packed = tryPacked();
  const one = aTry({ packed, stepId: "lines", direction: "two", outcome: "rough" });
  const line = { id: newId(), version: 2, name: "Flip and roll", tricks: ["flip-one-move-back"], brokeAt: 0 };
  for (let n = 0; n < 2; n++)
    expect(await asPilot(practiceActions["log-try"], { ...one, line })).toMatchObject({ ok: true });
  expect((await practice()).earlier).toMatchObject([
    { id: one.id, stepId: "lines", outcome: "rough", seconds: 12, lineId: line.id },
  ]);
  expect(await listLineTries([odo], line.id)).toMatchObject([{ place: "simulator", line: { brokeAt: 0 } }]);
  for (const who of [coach, pilot])
    expect(Buffer.from(await (await downloadTry(who, one.id)).arrayBuffer()).toString("base64")).toBe(packed);
  const other = { ...pilot, pilotId: ida, accountId: newId() };
  await expect(downloadTry(other, one.id)).rejects.toMatchObject({ status: 403 });
});

it("a sitting is one pilot's own: another's try in it, and a try of another pilot, are refused", async () => {
  expect(await asCoach(practiceActions["log-try"], aTry({ pilotId: ida }))).toMatchObject({ ok: false, status: 409 });
  expect(await asPilot(practiceActions["log-try"], aTry({ pilotId: ida }))).toMatchObject({ ok: false, status: 403 });
  // Nor does anybody end a session of someone else's by a try in it.
  expect(await asCoach(practiceActions["log-try"], aTry())).toMatchObject({ ok: false, status: 409 });
});

it("homework counts the clean tries since it was set, can be taken back and brought back, and goes with its pilot", async () => {
  const id = newId();
  const set = { id, pilotId: odo, stepId: "flip-slow", tries: 2, dueAtMs: now.getTime() + 7 * DAY_MS };
  for (let n = 0; n < 2; n++) expect(await asCoach(practiceActions["set-homework"], set)).toMatchObject({ ok: true });
  expect(await asPilot(practiceActions["set-homework"], { ...set, id: newId() })).toMatchObject({ status: 403 });
  // What was flown before it was set does not count for it.
  expect((await practice()).homework).toMatchObject([{ id, tries: 2, done: 0 }]);
  await asPilot(practiceActions["log-try"], aTry({ flownAtMs: Date.now() + 1000 }));
  expect((await practice()).homework).toMatchObject([{ id, done: 1 }]);
  expect((await practice()).stepId).toBe("flip-slow");
  await asCoach(practiceActions["remove-homework"], { id });
  expect((await practice()).homework).toEqual([]);
  expect(await listBin([squadId], new Date())).toMatchObject([{ kind: "homework", id, pilotName: "Odo Fenn" }]);
  await asCoach(practiceActions["restore-homework"], { id });
  expect((await practice()).homework).toHaveLength(1);
  await inTransaction((transaction) => erasePilot(transaction, odo));
  expect(await database()("homework")).toEqual([]);
  expect(await database()("kept_try")).toEqual([]);
});
