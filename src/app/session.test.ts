import { isBlockReason } from "@/server/files";
import { v7 as newId } from "uuid";
import type { SignedIn, SignedInCoach } from "@/server/accounts";
import {
  insertCoach,
  insertPilot,
  insertSquad,
  inTransaction,
  listMilestones,
  listNotes,
  listSessionsSince,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { downloadBriefs, downloadTally, fieldActions, type FieldPacket } from "@/features/field";
import { pilotActions } from "@/features/pilot";
import { loadCandidates, loadPlan, planActions } from "@/features/plan";
import { byServerClock } from "@/server/device-clock";
import { loadTally } from "@/server/tally";

withFreshDatabase();

const [squadId, coachId, odo, ida] = Array.from({ length: 4 }, () => newId());
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const sessionActions = { ...planActions, ...fieldActions };
const run = runnerFor(who);
const HOUR_MS = 3_600_000;

beforeAll(() =>
  inTransaction(async (transaction) => {
    const now = new Date();
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    for (const [id, name] of [
      [odo, "Odo Fenn"],
      [ida, "Ida Rook"],
    ])
      await insertPilot(transaction, { id, squadId, name, stickMode: 2, grip: "thumbs" }, now);
  }),
);

const block = (kind: string, stepId: string | null, change: object = {}) => ({
  kind,
  stepId,
  minutes: 4,
  firstDirection: null,
  why: "Because.",
  ...change,
});
const prepare = (id: string, blocks: object[] = [block("warm-up", "stop-course"), block("main", "flip-slow")]) =>
  run(sessionActions["start-session"], {
    id,
    place: "field",
    prepared: true,
    pilots: [
      { pilotId: odo, stepId: "flip-slow", setupId: null, plan: { blocks, turns: [0, 2] } },
      { pilotId: ida, stepId: "hang", setupId: null },
    ],
  });
const tap = (sessionId: string, stepId: string, flownAtMs = Date.now(), more: object = {}) =>
  run(sessionActions["log-attempt"], {
    id: newId(),
    sessionId,
    pilotId: odo,
    stepId,
    direction: stepId === "flip-slow" ? "back" : "on",
    outcome: "clean",
    flownAtMs,
    ...more,
  });

it("prepares a session with what each pilot flies and when, counts it as flown only once it is begun, and lets go of it", async () => {
  const id = newId();
  expect(await prepare(id)).toMatchObject({ ok: true });
  const tally = (await loadTally(who, id))!;
  expect(tally.session.begun).toBe(false);
  expect(tally.pilots[0]).toMatchObject({ turns: [0, 2], blocks: [{ kind: "warm-up" }, { kind: "main", minutes: 4 }] });
  expect(tally.pilots[0].steps.map(({ stepId }) => stepId)).toEqual(["flip-slow", "stop-course"]);
  expect(tally.pilots[1]).toMatchObject({ turns: [], blocks: [{ kind: "main", stepId: "hang" }] });
  expect(await listSessionsSince([odo], new Date(0))).toEqual([]);
  expect(await run(sessionActions["drop-session"], { id })).toMatchObject({ ok: true });
  expect(await loadTally(who, id)).toBeNull();
});

it("is begun by whoever says so in the field, or by the first tap; then it cannot be let go of", async () => {
  const [said, tapped] = [newId(), newId()];
  await prepare(said);
  await prepare(tapped);
  const atMs = Date.now() - 2 * HOUR_MS;
  await run(sessionActions["begin-session"], { id: said, atMs });
  await run(sessionActions["begin-session"], { id: said, atMs: Date.now() });
  expect((await loadTally(who, said))!.session).toMatchObject({ begun: true, startedAtMs: atMs });
  await tap(tapped, "flip-slow");
  expect((await loadTally(who, tapped))!.session.begun).toBe(true);
  expect(await run(sessionActions["drop-session"], { id: tapped })).toMatchObject({ ok: false, status: 409 });
  await run(sessionActions["end-session"], { id: said, atMs: atMs + HOUR_MS });
  expect((await loadTally(who, said))!.session.endedAtMs).toBe(atMs + HOUR_MS);
});

it("names the block that cannot be flown", async () => {
  for (const [field, blocks] of [
    ["pilots.0.plan.blocks.1.stepId", [block("main", "flip-slow"), block("review", "no-such-step")]],
    ["pilots.0.plan.blocks.0.minutes", [block("main", "flip-slow", { minutes: -1 })]],
    ["pilots.0.plan.blocks.0.kind", [block("nap", "flip-slow")]],
    ["pilots.0.plan.blocks.0.why", [block("main", "flip-slow", { why: "x".repeat(501) })]],
  ] as const)
    expect(await prepare(newId(), blocks as unknown as object[])).toMatchObject({
      ok: false,
      status: 422,
      fields: { [field]: expect.any(String) },
    });
});

it("keeps why a block is flown as its kind; a sentence from a page of before as one that was said", async () => {
  const id = newId();
  const { why: _, ...bare } = block("main", "flip-slow");
  const slipping = { kind: "slipping", clean: 1, all: 7, days: 3 };
  const advised = {
    kind: "advised",
    advice: {
      kind: "stay",
      counts: [{ direction: "back", attempts: 4, rule: { kind: "k-of-last", count: 2, seen: 4, k: 3, n: 4 } }],
      focus: { kind: "lowest-side", direction: "back" },
    },
    isNext: false,
    notSignedOff: ["stop-course"],
  };
  const blocks = [
    { ...bare, reason: slipping },
    { ...bare, reason: advised },
    block("main", "flip-slow", { why: "Because it was windy." }),
    block("main", "flip-slow", { why: "" }),
    bare,
  ];
  expect(await prepare(id, blocks)).toMatchObject({ ok: true });
  expect((await loadTally(who, id))!.pilots[0].blocks.map(({ reason }) => reason)).toEqual([
    slipping,
    advised,
    { kind: "said", says: "Because it was windy." },
    null,
    null,
  ]);
  for (const reason of ["because", { kind: "luck" }, { ...slipping, more: 1 }])
    expect(await prepare(newId(), [{ ...bare, reason }])).toMatchObject({
      ok: false,
      status: 422,
      fields: { "pilots.0.plan.blocks.0.reason": expect.stringContaining("reason") },
    });
});

it("takes a step that was not planned, and brings what was flown of it before", async () => {
  const [first, second] = [newId(), newId()];
  await prepare(first);
  await prepare(second);
  await tap(first, "land-stop");
  await tap(second, "land-stop");
  const { steps } = (await loadTally(who, second))!.pilots[0];
  expect(steps.find(({ stepId }) => stepId === "land-stop")!.earlier).toHaveLength(1);
});

it("takes a note of who flies in it, once, at the time it was written; a pilot sees their own only", async () => {
  const id = newId();
  await prepare(id);
  const writtenAtMs = Date.now() - HOUR_MS;
  const note = (pilotId: string, text: string, more: object = {}) => ({
    id: newId(),
    sessionId: id,
    pilotId,
    text,
    writtenAtMs,
    ...more,
  });
  const calm = note(odo, " Calm, eyes up. ");
  const between = note(ida, "Afraid of the wall since Tuesday.", { writtenAtMs: writtenAtMs + 2, forCoaches: true });
  for (const input of [calm, calm, note(ida, "Thumb slips.", { writtenAtMs: writtenAtMs + 1 }), between])
    expect(await run(sessionActions["add-session-note"], input)).toMatchObject({ ok: true });
  expect((await loadTally(who, id))!.notes).toEqual([
    { id: calm.id, pilotId: odo, text: "Calm, eyes up.", writtenAtMs, forCoaches: false },
    expect.objectContaining({ pilotId: ida, text: "Thumb slips." }),
    expect.objectContaining({ pilotId: ida, forCoaches: true }),
  ]);
  // What coaches keep between them: not on the pilot's tally, record or file.
  expect((await listNotes(ida, true)).map(({ forCoaches }) => forCoaches)).toEqual([true, false]);
  expect((await listNotes(ida, false)).map(({ text }) => text)).toEqual(["Thumb slips."]);
  const pilotSelf: SignedIn = { ...who, coachId: null, pilotId: ida };
  expect((await loadTally(pilotSelf, id))!.notes.map(({ text }) => text)).toEqual(["Thumb slips."]);
  expect((await listNotes(odo, false)).map(({ text }) => text)).toEqual(["Calm, eyes up."]);
  const alone = newId();
  await run(sessionActions["start-session"], {
    id: alone,
    place: "field",
    pilots: [{ pilotId: odo, stepId: "flip-slow", setupId: null }],
  });
  for (const [input, field] of [
    [note(ida, "x", { sessionId: alone }), "pilotId"],
    [note(odo, "  "), "text"],
    [note(odo, "x".repeat(2001)), "text"],
    [note(odo, "x", { writtenAtMs: "now" }), "writtenAtMs"],
  ] as const)
    expect(await run(sessionActions["add-session-note"], input)).toMatchObject({
      ok: false,
      status: 422,
      fields: { [field]: expect.any(String) },
    });
});

it("looks at a session that is over as it was then: nothing that was flown since", async () => {
  const [first, second, third] = [newId(), newId(), newId()];
  const days = (ago: number) => Date.now() - ago * 24 * HOUR_MS;
  for (const [id, ago, outcomes] of [
    [first, 30, ["rough", "clean"]],
    [second, 20, ["clean"]],
    [third, 10, ["clean", "clean", "clean"]],
  ] as const) {
    await prepare(id, [block("main", "split-s")]);
    await run(sessionActions["begin-session"], { id, atMs: days(ago) });
    for (const [i, outcome] of outcomes.entries())
      await tap(id, "split-s", days(ago) + i * 1000, { direction: "left", outcome });
  }
  const earlier = async (id: string) =>
    (await loadTally(who, id))!.pilots[0].steps
      .find(({ stepId }) => stepId === "split-s")!
      .earlier.map(({ outcome }) => outcome);
  await run(sessionActions["end-session"], { id: second, atMs: days(20) + HOUR_MS });
  expect(await earlier(second)).toEqual(["rough", "clean"]);
  expect(await earlier(third)).toEqual(["rough", "clean", "clean"]);
  await run(sessionActions["reopen-session"], { id: second });
  expect(await earlier(second)).toHaveLength(5);
});

it("gives a device everything the field needs: the tally, and the brief of every step, once until they change", async () => {
  const id = newId();
  await prepare(id);
  const tally = (await (await downloadTally(who, id)).json()) as FieldPacket["tally"];
  expect(tally.accountId).toBe(who.accountId);
  const asked = async (tag: string | null) =>
    (await (await downloadBriefs(who, id, tag)).json()) as { tag: string; briefs: FieldPacket["briefs"] | null };
  const { tag, briefs } = await asked(null);
  expect(briefs!.map(({ pilot, standing }) => [pilot.name, standing.stepId])).toEqual([
    ["Odo Fenn", "flip-slow"],
    ["Odo Fenn", "stop-course"],
    ["Ida Rook", "hang"],
  ]);
  // A tap changes the tally, not the briefs.
  await tap(id, "flip-slow");
  expect(await asked(tag)).toEqual({ tag, briefs: null });
  await inTransaction((transaction) => transaction("pilot").where({ id: odo }).update({ reaction_s: 0.4 }));
  const later = await asked(tag);
  expect(later.tag).not.toBe(tag);
  expect(later.briefs![0].pilot.reactionS).toBe(0.4);
  // Another step is taken up: there is a brief of it.
  await tap(id, "land-stop");
  expect((await asked(later.tag)).briefs).toHaveLength(4);
});

it("dates a sign-off that waited over night by the evening it was given", async () => {
  const atMs = Date.now() - 14 * HOUR_MS;
  const signed = { id: newId(), pilotId: ida, stepId: "hang", note: "", atMs };
  expect(await run(pilotActions["sign-off"], signed)).toMatchObject({ ok: true });
  expect((await listMilestones([ida]))[0]).toMatchObject({ stepId: "hang", signedAtMs: atMs });
});

it("takes taps at every step that was planned, also when the syllabus has let go of it since", async () => {
  const id = newId();
  await prepare(id, [block("main", "flip-slow"), block("review", "roll-pure")]);
  const plan = { blocks: [block("main", "flip-slow"), block("review", "left-out")], turns: [] };
  await inTransaction((transaction) =>
    transaction("session_pilot")
      .where({ session_id: id, pilot_id: odo })
      .update({ plan: JSON.stringify(plan) }),
  );
  expect(await tap(id, "left-out", Date.now(), { direction: "" })).toMatchObject({ ok: true });
  expect(await tap(id, "never-there", Date.now(), { direction: "" })).toMatchObject({ ok: false, status: 422 });
});

it("offers every pilot something to fly, with a reason", async () => {
  const candidates = await loadCandidates(who, [odo, ida]);
  expect(candidates).toHaveLength(2);
  const opened = await loadPlan(who, { pilotId: ida });
  expect(opened.taken).toEqual([ida]);
  expect(opened.ready).toEqual(candidates.filter(({ id }) => id === ida));
  expect(opened.candidates.map(({ id }) => id).sort()).toEqual([odo, ida].sort());
  for (const { offers } of candidates) {
    expect(offers.length).toBeGreaterThan(0);
    for (const { reason } of offers) expect(isBlockReason(reason)).toBe(true);
  }
  expect(candidates.find(({ id }) => id === odo)!.known).toContain("flip-slow");
});

it("is sent only with the sign-in of whoever did it", async () => {
  const id = newId();
  await prepare(id);
  const asOther = runnerFor(who, { doneByAccountId: newId() });
  expect(await asOther(sessionActions["begin-session"], { id, atMs: Date.now() })).toMatchObject({ status: 401 });
  const asSelf = runnerFor(who, { doneByAccountId: who.accountId });
  expect(await asSelf(sessionActions["begin-session"], { id, atMs: Date.now() })).toMatchObject({ ok: true });
});

it("puts a wrong clock right where the device says what it shows, and never believes in the future", async () => {
  const nowMs = Date.parse("2026-11-25T12:00:00Z");
  expect(byServerClock(nowMs - 5000, nowMs + 1000, nowMs)).toBe(nowMs - 5000);
  expect(byServerClock(nowMs + HOUR_MS - 5000, nowMs + HOUR_MS, nowMs)).toBe(nowMs - 5000);
  expect(byServerClock(nowMs - 3 * HOUR_MS, nowMs - HOUR_MS, nowMs)).toBe(nowMs - 2 * HOUR_MS);
  expect(byServerClock(nowMs + HOUR_MS, null, nowMs)).toBe(nowMs);
  const id = newId();
  await prepare(id);
  const fast = runnerFor(who, { deviceNowMs: Date.now() + HOUR_MS });
  await fast(sessionActions["begin-session"], { id, atMs: Date.now() + HOUR_MS - 60_000 });
  const { startedAtMs } = (await loadTally(who, id))!.session;
  expect(Math.abs(Date.now() - 60_000 - startedAtMs)).toBeLessThan(20_000);
});
