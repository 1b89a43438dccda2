import { v7 as newId } from "uuid";
import { firstSettings, type FoundTrick } from "@/core";
import { PIECE_BYTES, type RecordingFound } from "@/contract";
import type { SignedInCoach } from "@/server/accounts";
import { database } from "@/server/database";
import { erasePilot, findRecording, inTransaction, listRecordings } from "@/server/repositories";
import { firstPiece, hoverText, recordingOf } from "@/server/testing/first-piece";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { downloadRecording } from "@/features/tape";
import { findAction } from "../api/[action]/registry";

jest.mock("@/features/tape/quota", () => ({ QUOTA_BYTES: 900_000 }));

withFreshDatabase();

const coachId = newId();
const coach = { signInId: "s", accountId: coachId, name: "Ann Pell", coachId, pilotId: null } as SignedInCoach;
const run = (action: string, input: object) => runnerFor(coach)(findAction(action), input);
const done = async (action: string, input: object) => {
  const result = await run(action, input);
  if (!result.ok) throw new Error(result.message);
  return result.data as { id: string; whole: boolean; here: number[] };
};
const [squadId, pilotId, aircraftId, setupId] = [newId(), newId(), newId(), newId()];
const found: RecordingFound = firstPiece.found;
const begin = (id: string, file: object) => ({ ...file, id, pilotId, setupId });

beforeAll(async () => {
  await runnerFor({ ...coach, coachId: null } as never)(findAction("begin"), {
    ...{ id: coachId, name: "Ann Pell", password: "four plain words here" },
  });
  await done("add-squad", { id: squadId, name: "First" });
  await done("add-pilot", { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" });
  await done("add-aircraft", {
    ...{ id: aircraftId, pilotId, name: "Plank", presetId: "three-inch", flightState: "flying" },
    ...{ massG: "", thrustToWeight: "" },
  });
  await done("save-setup", { id: setupId, aircraftId, basedOn: 0, reason: "r", settings: firstSettings });
});
beforeEach(() => database()("recording").delete());

const long = recordingOf(hoverText(40_000));

it("arrives in pieces in any order, goes on where it was left, and comes out again byte for byte", async () => {
  expect(long.pieces.length).toBeGreaterThan(2);
  const id = newId();
  expect(await done("begin-recording", begin(id, long.file))).toEqual({ id, whole: false, here: [] });
  await done("keep-piece", { id, number: 1, packed: long.pieces[1] });
  const early = await run("finish-recording", { id, found });
  expect(early).toMatchObject({ ok: false, status: 409, message: expect.stringContaining("1 of 3 pieces") });
  await expect(downloadRecording(coach, id, "whole.csv")).rejects.toMatchObject({ status: 404 });

  // The page was closed; the same file is kept again, under another id.
  expect(await done("begin-recording", begin(newId(), long.file))).toEqual({
    id,
    whole: false,
    here: [1],
  });
  for (const number of [2, 0, 0]) await done("keep-piece", { id, number, packed: long.pieces[number] });
  for (let twice = 0; twice < 2; twice++) await done("finish-recording", { id, found });
  expect(await findRecording(id)).toMatchObject({ whole: true, piecesHere: 3, tricks: 0, keptByPilot: false });
  expect(await (await downloadRecording(coach, id, "whole.csv")).text()).toBe(hoverText(40_000));
  // The same file once more is already there.
  expect(await done("begin-recording", begin(newId(), long.file))).toEqual({ id, whole: true, here: [] });
});

it("keeps nothing that is not the file it was said to be, or no recording", async () => {
  const id = newId();
  const letter = recordingOf("Dear all,\nthe camp begins on Monday.\n");
  await done("begin-recording", begin(id, letter.file));
  const answer = await run("keep-piece", { id, number: 0, packed: letter.pieces[0] });
  expect(answer).toMatchObject({ status: 422, fields: { packed: 'There is no column "time_s".' } });
  const bomb = recordingOf("0".repeat(PIECE_BYTES + 1)).pieces[0];
  for (const packed of [bomb, Buffer.from("not gzip").toString("base64"), "%"])
    expect(await run("keep-piece", { id, number: 0, packed })).toMatchObject({ ok: false, status: 422 });
  for (const [number, status] of [
    [1, 422],
    [-1, 422],
    [9999, 422],
  ] as const)
    expect(await run("keep-piece", { id, number, packed: letter.pieces[0] })).toMatchObject({ status });

  const other = recordingOf(hoverText(100).replace("0.4", "0.5"));
  const lying = newId();
  await done("begin-recording", begin(lying, { ...other.file, sha256: firstPiece.file.sha256 }));
  await done("keep-piece", { id: lying, number: 0, packed: other.pieces[0] });
  expect(await run("finish-recording", { id: lying, found })).toMatchObject({ ok: false, status: 422 });
  expect(await findRecording(lying)).toMatchObject({ whole: false, piecesHere: 0 });
});

it("takes of what was found only what can be", async () => {
  const id = newId();
  await done("begin-recording", begin(id, firstPiece.file));
  await done("keep-piece", { id, number: 0, packed: firstPiece.packed });
  const trick = { kind: "barrel" } as unknown as FoundTrick;
  const answer = await run("finish-recording", { id, found: { ...found, tricks: [trick] } });
  expect(answer).toMatchObject({ ok: false, status: 422, message: expect.stringContaining("found.tricks.0") });
});

it("says what to delete when the room is full, and deleting makes it", async () => {
  const full = { ...long.file, packedBytes: 850_000 };
  const id = newId();
  await done("begin-recording", begin(id, full));
  const more = begin(newId(), { ...firstPiece.file, packedBytes: 60_000 });
  const answer = await run("begin-recording", more);
  expect(answer).toMatchObject({ ok: false, status: 422, message: expect.stringMatching(/pack 3\.csv of Odo Fenn/) });
  await done("delete-recording", { id });
  await done("begin-recording", more);
  const [{ pieces }] = await database()("recording_piece").count<{ pieces: number }[]>({ pieces: "*" });
  expect(Number(pieces)).toBe(0);
});

describe("matched with the taps of a session", () => {
  const [sessionId, tapped] = [newId(), newId()];
  const measures = {
    ...{ turnedDeg: 372, stopErrorDeg: 12, swingBackDeg: 4, turnTimeS: 0.6, peakDps: 700, easeFromShare: 0.9 },
    ...{ rateByShareDps: [], punchS: 0, closedBeforeS: null, closedShare: 0, invertedS: 0.2, leanOffDeg: 3 },
    ...{
      throttleInvertedMean: 0.11,
      throttleInvertedMost: 0.12,
      impliedTiltDeg: null,
      yawLeadMs: null,
      stickReversals: 1,
    },
  };
  const trick = {
    kind: "flip",
    axis: "pitch",
    direction: "back",
    turns: 1,
    fromS: 20,
    toS: 21,
    confidence: 0.9,
    measures,
  };
  const both = { ...found, tricks: [trick, { ...trick, fromS: 50, toS: 51 }] };
  const clockMs = Date.now() - 600_000;
  const id = newId();
  const attemptOf = async (attemptId: string) => {
    const row = (await database()("attempt").where({ id: attemptId }).first()) as Record<string, unknown> | undefined;
    return row && { ...row, measured: JSON.parse(row.measured as string) as unknown };
  };

  beforeEach(async () => {
    await done("begin-recording", begin(id, firstPiece.file));
    await done("keep-piece", { id, number: 0, packed: firstPiece.packed });
    await done("finish-recording", { id, found });
    const pilots = [{ pilotId, stepId: "flip-slow", setupId }];
    await done("start-session", { id: sessionId, place: "field", pilots });
    const flip = { stepId: "flip-slow", direction: "back", outcome: "rough" };
    await done("log-attempt", { ...flip, id: tapped, sessionId, pilotId, flownAtMs: clockMs + 23_000, pack: 2 });
    await done("set-measured", { id: tapped, minutes: null, measured: { heightLostM: 3 } });
  });

  it("puts what was measured beside what stands there, and takes in what nobody tapped; twice is once", async () => {
    const taken = { id: newId(), trick: 1, stepId: "flip-slow", direction: "front", outcome: "clean" };
    const input = { id, sessionId, found: both, clockMs, matches: [{ trick: 0, attemptId: tapped }], taken: [taken] };
    for (let twice = 0; twice < 2; twice++) await done("match-recording", input);
    const fromTape = { stopErrorDeg: 12, bounceBackDeg: 4, throttleInvertedPct: 11 };
    expect(await attemptOf(tapped)).toMatchObject({ outcome: "rough", measured: { heightLostM: 3, ...fromTape } });
    expect(await attemptOf(taken.id)).toMatchObject({
      direction: "front",
      pack: 2,
      measured: fromTape,
      setup_id: setupId,
    });
    expect(await findRecording(id)).toMatchObject({ clockMs, tricks: 2 });
    const deeds: { done: string }[] = await database()("trail").where({ deed: "matched-recording" });
    expect(deeds.map((deed) => JSON.parse(deed.done) as object)).toEqual([expect.objectContaining({ count: 2 })]);
  });

  it("refuses what is not of this pilot, session or recording, and changes nothing then", async () => {
    const input = { id, sessionId, found: both, clockMs, matches: [], taken: [] };
    for (const [change, field] of [
      [{ matches: [{ trick: 5, attemptId: tapped }] }, "trick"],
      [{ matches: [{ trick: 0, attemptId: newId() }] }, null],
      [{ taken: [{ id: newId(), trick: 0, stepId: "flip-slow", direction: "up", outcome: "clean" }] }, "stepId"],
      [{ taken: [{ id: newId(), trick: 0, stepId: "none", direction: "back", outcome: "clean" }] }, "stepId"],
      [{ found: { ...both, tricks: [{ ...trick, kind: "barrel" }] } }, "found"],
    ] as const) {
      const answer = await run("match-recording", { ...input, ...change });
      expect(answer.ok).toBe(false);
      if (!answer.ok && field) expect(Object.keys(answer.fields)).toEqual([field]);
    }
    expect((await attemptOf(tapped))?.measured).toMatchObject({ heightLostM: 3 });
    expect(await findRecording(id)).toMatchObject({ clockMs: null });
  });
});

it("goes with the record of its pilot", async () => {
  const id = newId();
  await done("begin-recording", begin(id, firstPiece.file));
  await done("keep-piece", { id, number: 0, packed: firstPiece.packed });
  await inTransaction((transaction) => erasePilot(transaction, pilotId));
  expect(await listRecordings(pilotId)).toEqual([]);
  expect(await database()("recording_piece")).toEqual([]);
});
