import { builtInSyllabus } from "@/syllabus";
import Ajv2020 from "ajv/dist/2020";
import addFormats from "ajv-formats";
import fc from "fast-check";
import Papa from "papaparse";
import { v7 as newId } from "uuid";
import { airframePresets, firstSettings } from "@/core";
import { pilotRecordSchema, recordCsv, requirePilotRecord } from "@/server/files";
import { database } from "@/server/database";
import {
  BIN_MS,
  emptyBin,
  findAircraft,
  findPilot,
  insertAircraft,
  insertAttempt,
  insertCoach,
  insertLoad,
  insertMilestone,
  insertNote,
  insertPilot,
  insertRequest,
  insertSession,
  insertSetup,
  insertSquad,
  inTransaction,
  leavePilotTrail,
  leaveTrail,
  listBin,
  listTrail,
  noteDay,
  readRecord,
  setAircraftRemoved,
  setPilotRemoved,
  setRemoved,
  setUndone,
  type PilotRecord,
} from "@/server/repositories";
import { runAction, type Asker } from "@/server/actions";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { recordActions } from "./actions";
import { downloadRecord } from "./download";

withFreshDatabase();

const now = new Date("2026-03-01T12:00:00.250Z");
const coach = { id: newId(), name: "Ann Pell" };
const squadId = newId();
const who = { signInId: "s", accountId: "a", name: coach.name, coachId: coach.id, pilotId: null };
const asker: Asker = {
  identify: async () => who,
  address: "local",
  device: "",
  requestId: "r",
  setToken: async () => {},
};
const bringIn = (record: unknown, into = squadId) =>
  runAction(recordActions["import-record"] as never, async () => ({ squadId: into, record }), asker) as Promise<{
    ok: boolean;
    status: number;
    data: { added: number };
    fields: Record<string, string>;
  }>;

/** Somebody signed in on the days before. */
async function liveThrough(until: Date): Promise<void> {
  for (const daysAgo of [20, 9, 0]) await noteDay(new Date(until.getTime() - daysAgo * 86_400_000));
}

/** A pilot with something of every kind. */
async function fillPilot(name: string): Promise<{ id: string; ids: Record<string, string> }> {
  const id = newId();
  const ids = Object.fromEntries(
    ["aircraft", "setup", "session", "attempt", "undone", "milestone", "note", "gone", "request", "load"].map(
      (kind) => [kind, newId()],
    ),
  );
  await inTransaction(async (transaction) => {
    await insertPilot(transaction, { id, squadId, name, stickMode: 3, grip: "pinch" }, now);
    const { airframe } = airframePresets["three-inch"];
    await insertAircraft(
      transaction,
      { id: ids.aircraft, pilotId: id, name: "=Plank", presetId: "three-inch", airframe, flightState: "flying" },
      now,
    );
    const setup = { id: ids.setup, aircraftId: ids.aircraft, number: 1, reason: 'first, "quoted"', coachId: coach.id };
    await insertSetup(transaction, { ...setup, settings: firstSettings }, now);
    const load = { id: ids.load, aircraftId: ids.aircraft, name: "Long pack", massKg: 0.4, thrustToWeight: 4 };
    await insertLoad(transaction, load, now);
    const member = { pilotId: id, stepId: "flip-slow", setupId: ids.setup, loadId: ids.load };
    await insertSession(transaction, {
      id: ids.session,
      squadId,
      coachId: coach.id,
      place: "field",
      startedAtMs: now.getTime(),
      pilots: [member],
    });
    const parts = ["The stop", "The turn"].map((name) => ({ id: newId(), name }));
    for (const one of [ids.attempt, ids.undone]) {
      await insertAttempt(transaction, {
        ...member,
        id: one,
        sessionId: ids.session,
        direction: "back",
        outcome: "rough",
        place: "field",
        faults: ["sky-at-stop"],
        pack: 2,
        minutes: null,
        measured: { stopErrorDeg: 12 },
        line: {
          id: newId(),
          version: 2,
          name: "Over the bar",
          tricks: ["flip-slow-back", "roll-pure-left"],
          brokeAt: 1,
          parts,
          held: [parts[0].id],
        },
        atMs: now.getTime() + 5,
      });
    }
    await setUndone(transaction, { ...member, id: ids.undone }, now);
    await insertMilestone(transaction, {
      id: ids.milestone,
      pilotId: id,
      stepId: "flip-slow",
      coachId: coach.id,
      evidence: {
        judgedBy: { syllabus: 0, mark: { kind: "in-places", places: ["field"], rule: { kind: "run", k: 4 } } },
        advice: "advance",
        reason: {
          kind: "advance",
          counts: [{ direction: null, attempts: 4, rule: { kind: "run", count: 4, k: 4 } }],
          doubt: { direction: "back", low: 0.2, high: 0.6 },
        },
        directions: [],
      },
      note: "calm",
      signedAtMs: now.getTime() + 9,
    });
    for (const [note, text] of [
      [ids.note, "=1+1, then\nnext line"],
      [ids.gone, "away"],
    ])
      await insertNote(transaction, { id: note, pilotId: id, coachId: coach.id, text }, now);
    await setRemoved(transaction, ids.gone, now);
    await insertRequest(transaction, { id: ids.request, pilotId: id, stepId: "flip-one-move", message: "please" }, now);
    await leavePilotTrail(
      transaction,
      { who: coach.name, done: { kind: "signed-off", step: "Slow flip" }, pilotId: id },
      now,
    );
  });
  return { id, ids };
}
const erase = (id: string, name: string) =>
  runAction(recordActions["erase-pilot"] as never, async () => ({ id, name }), asker) as Promise<{ ok: boolean }>;

let odo: Awaited<ReturnType<typeof fillPilot>>;
beforeAll(async () => {
  await inTransaction(async (transaction) => {
    await insertCoach(transaction, coach, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coach.id }, now);
  });
  odo = await fillPilot("Odo Fenn");
});

const recordOf = async (id: string) => (await readRecord(id, now))!;
const withoutDate = ({ exportedAt: _, ...rest }: PilotRecord) => rest;

/** The record with other evidence behind its sign-off. */
const judged = (record: PilotRecord, evidence: object) => ({
  ...record,
  milestones: [{ ...record.milestones[0], evidence: { ...record.milestones[0].evidence, ...evidence } }],
});

describe("the record as a file", () => {
  it("holds what stands, matches its published schema, and leaves out what is in the bin", async () => {
    const record = await recordOf(odo.id);
    const ajv = new Ajv2020({ strictTypes: false });
    addFormats(ajv);
    const valid = ajv.compile(pilotRecordSchema);
    expect([valid(JSON.parse(JSON.stringify(record))), valid.errors]).toEqual([true, null]);
    expect(record.attempts.map(({ id }) => id)).toEqual([odo.ids.attempt]);
    expect(record.notes.map(({ id }) => id)).toEqual([odo.ids.note]);
    expect(requirePilotRecord(JSON.parse(JSON.stringify(record)), builtInSyllabus)).toEqual(record);
  });

  it("comes back the same after the pilot was erased here; a second time changes nothing", async () => {
    const record = await recordOf(odo.id);
    expect(await erase(odo.id, "Odo Fenn")).toMatchObject({ ok: true });
    expect(await findPilot(odo.id)).toBeUndefined();
    expect((await bringIn(record)).data.added).toBeGreaterThan(7);
    const back = await recordOf(odo.id);
    expect(withoutDate(back)).toEqual(withoutDate(record));
    const rows = () =>
      Promise.all(["pilot", "attempt", "milestone", "note", "trail"].map((table) => database()(table)));
    const before = await rows();
    expect((await bringIn(record)).data.added).toBe(0);
    expect(await rows()).toEqual(before);
  });

  it("adds only what is new to a pilot who is here, and overwrites nothing", async () => {
    const record = await recordOf(odo.id);
    const more = {
      ...record,
      pilot: { ...record.pilot, name: "Somebody Else" },
      notes: [
        { ...record.notes[0], text: "changed" },
        { ...record.notes[0], id: newId(), text: "a new one" },
      ],
    };
    expect((await bringIn(more)).data.added).toBe(1);
    const after = await recordOf(odo.id);
    expect(after.pilot.name).toBe("Odo Fenn");
    expect(after.notes.map(({ text }) => text).sort()).toEqual(["=1+1, then\nnext line", "a new one"]);
  });

  it("comes back also after the pilot changed squads: the sessions flown stay where they were", async () => {
    const record = await recordOf(odo.id);
    const elsewhere = newId();
    await inTransaction((transaction) =>
      insertSquad(transaction, { id: elsewhere, name: "Yard", ownerId: coach.id }, now),
    );
    await database()("pilot").where({ id: odo.id }).update({ squad_id: elsewhere });
    expect((await bringIn(record)).data.added).toBe(0);
    expect((await database()("session").where({ id: odo.ids.session }).first()).squad_id).toBe(squadId);
    await database()("pilot").where({ id: odo.id }).update({ squad_id: squadId });
  });

  it("is refused when it would take over what belongs to someone else, or lies in the bin", async () => {
    const ida = await fillPilot("Ida Rook");
    const stolen = { ...(await recordOf(odo.id)), pilot: { ...(await recordOf(odo.id)).pilot, id: newId() } };
    expect(await bringIn(stolen)).toMatchObject({ ok: false, status: 409 });
    expect(await findPilot(stolen.pilot.id)).toBeUndefined();
    const foreign = newId();
    await inTransaction((transaction) =>
      insertSquad(transaction, { id: foreign, name: "Theirs", ownerId: coach.id }, now),
    );
    await database()("squad_coach").where({ squad_id: foreign }).delete();
    expect(await bringIn(await recordOf(ida.id), foreign)).toMatchObject({ status: 403 });
    await database()("pilot").where({ id: ida.id }).update({ squad_id: foreign });
    expect(await bringIn(await recordOf(ida.id))).toMatchObject({ status: 403 });
    await database()("pilot").where({ id: ida.id }).update({ squad_id: squadId });
    await inTransaction((transaction) => setPilotRemoved(transaction, ida.id, now));
    expect(await bringIn(await recordOf(ida.id))).toMatchObject({ status: 404 });
  });

  it.each<[string, (record: PilotRecord) => object]>([
    ["format", (record) => ({ ...record, format: "other" })],
    ["version", (record) => ({ ...record, version: 2 })],
    ["pilot", (record) => ({ ...record, pilot: { ...record.pilot, name: undefined } })],
    ["pilot.name", (record) => ({ ...record, pilot: { ...record.pilot, name: "<script>" } })],
    ["the file", (record) => ({ ...record, surprise: 1 })],
    ["attempts.0.outcome", (record) => ({ ...record, attempts: [{ ...record.attempts[0], outcome: "great" }] })],
    ["attempts.0.flownAt", (record) => ({ ...record, attempts: [{ ...record.attempts[0], flownAt: "yesterday" }] })],
    ["attempts.0.stepId", (record) => ({ ...record, attempts: [{ ...record.attempts[0], stepId: "flip-none" }] })],
    ["attempts.0.direction", (record) => ({ ...record, attempts: [{ ...record.attempts[0], direction: "up" }] })],
    ["attempts.0.sessionId", (record) => ({ ...record, attempts: [{ ...record.attempts[0], sessionId: newId() }] })],
    ["sessions.0.setupId", (record) => ({ ...record, sessions: [{ ...record.sessions[0], setupId: newId() }] })],
    ["notes", (record) => ({ ...record, notes: [record.notes[0], record.notes[0]] })],
    [
      "milestones.0.evidence.reason",
      (record) => judged(record, { reason: { kind: "stay", counts: [], focus: "luck" } }),
    ],
    ["milestones.0.evidence.reason", (record) => judged(record, { reason: { kind: "begin" } })],
    [
      "milestones.0.evidence.judgedBy",
      (record) => judged(record, { judgedBy: { syllabus: 1, mark: { kind: "k-of-last", k: 5, n: 4 } } }),
    ],
    [
      "aircraft.0.airframe.massKg",
      (record) => ({
        ...record,
        aircraft: [{ ...record.aircraft[0], airframe: { ...record.aircraft[0].airframe, massKg: -1 } }],
      }),
    ],
    [
      "aircraft.0.setups.0.settings.rates.roll",
      (record) => {
        const [first] = record.aircraft;
        const settings = {
          ...firstSettings,
          rates: { ...firstSettings.rates, roll: { family: "base-rise", base: 99 } },
        };
        return { ...record, aircraft: [{ ...first, setups: [{ ...first.setups[0], settings }] }] };
      },
    ],
  ])("with a fault is refused at %s, and nothing changes", async (place, spoil) => {
    const record = await recordOf(odo.id);
    const before = await database()("attempt");
    const result = await bringIn(JSON.parse(JSON.stringify(spoil(record))));
    expect(result).toMatchObject({ ok: false, status: 422 });
    expect(Object.keys(result.fields)[0]).toContain(place);
    expect(await database()("attempt")).toEqual(before);
  });

  it.each<[string, (record: PilotRecord) => PilotRecord, string]>([
    [
      "a leap second, which the calendar of the database has not",
      (record) => ({ ...record, notes: [{ ...record.notes[0], writtenAt: "2016-12-31T23:59:60Z" }] }),
      "notes.0.writtenAt",
    ],
    [
      "a year after 9999",
      (record) => ({ ...record, notes: [{ ...record.notes[0], writtenAt: "9999-12-31T23:59:59-14:00" }] }),
      "notes.0.writtenAt",
    ],
    [
      "the id of a setup twice",
      (record) => ({
        ...record,
        aircraft: record.aircraft.map((one) => ({
          ...one,
          setups: [...one.setups, { ...one.setups[0], number: one.setups[0].number + 1 }],
        })),
      }),
      "aircraft",
    ],
    [
      "two sign-offs of one step",
      (record) => ({ ...record, milestones: [...record.milestones, { ...record.milestones[0], id: newId() }] }),
      "milestones.1.stepId",
    ],
    [
      "a load that is nowhere",
      (record) => ({ ...record, attempts: [{ ...record.attempts[0], loadId: newId() }] }),
      "attempts.0.loadId",
    ],
  ])("with %s is refused at its place", async (_, spoil, place) => {
    expect(await bringIn(spoil(await recordOf(odo.id)))).toMatchObject({
      ok: false,
      status: 422,
      fields: { [place]: expect.any(String) },
    });
  });

  it("with a setup of a number that is taken here is refused, and nothing of it is kept", async () => {
    const record = await recordOf(odo.id);
    const [craft] = record.aircraft;
    const other = { ...craft.setups[0], id: newId() };
    const clash = { ...record, notes: [], aircraft: [{ ...craft, setups: [other] }], sessions: [], attempts: [] };
    expect(await bringIn(clash)).toMatchObject({ ok: false, status: 409 });
    expect(await database()("setup").where({ id: other.id })).toEqual([]);
  });

  it("of any shape is never more than refused", async () => {
    const record = JSON.parse(JSON.stringify(await recordOf(odo.id))) as Record<string, unknown>;
    const keys = Object.keys(record);
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...keys), fc.jsonValue({ maxDepth: 3 }), async (key, value) => {
        const result = await bringIn({ ...record, [key]: value });
        expect(result.ok || result.status === 422).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});

describe("CSV (RFC 4180, read back by an independent parser)", () => {
  it("has a line of names and one for each thing, and no formula for a spreadsheet to run", async () => {
    const record = await recordOf(odo.id);
    const read = (table: Parameters<typeof recordCsv>[1]) =>
      Papa.parse<Record<string, string>>(recordCsv(record, table, builtInSyllabus), {
        header: true,
        skipEmptyLines: true,
      });
    expect(read("attempts")).toMatchObject({
      errors: [],
      data: [{ step: "flip-slow", direction: "back", outcome: "rough", faults: "sky-at-stop", setup: "'=Plank 1" }],
    });
    expect(read("milestones").data[0].evidence).toMatch(/^4 in a row of 4: pass mark met, but the longer record/);
    expect(read("notes").data.map(({ text }) => text)).toContain("'=1+1, then\nnext line");
    expect(read("setups").data[0]).toMatchObject({
      reason: 'first, "quoted"',
      tilt_deg: String(firstSettings.tiltDeg),
    });
    expect(recordCsv({ ...record, milestones: [] }, "milestones", builtInSyllabus)).toBe(
      "signed_at,step,coach,evidence,note\r\n",
    );
  });

  it("is given out as a download, and the trail tells who took it", async () => {
    const response = await downloadRecord(who, odo.id, "attempts.csv", now);
    expect(response.headers.get("content-disposition")).toMatch(/^attachment; filename="pilot-\w{6}-attempts\.csv"$/);
    await expect(downloadRecord(who, odo.id, "secrets.csv", now)).rejects.toMatchObject({ status: 404 });
    expect(await listTrail([squadId], { limit: 50 })).toContainEqual(
      expect.objectContaining({ done: { kind: "exported", file: "attempts.csv" }, pilotName: "Odo Fenn" }),
    );
  });
});

describe("the bin", () => {
  it("shows what was removed in the last 30 days, newest first, and forgets it afterwards", async () => {
    const kit = await fillPilot("Kit Marsh");
    const later = new Date(now.getTime() + 1000);
    await inTransaction((transaction) => setAircraftRemoved(transaction, kit.ids.aircraft, later));
    const ofKit = async (at: Date) =>
      (await listBin([squadId], at)).filter(({ pilotName }) => pilotName === "Kit Marsh").map(({ kind }) => kind);
    expect(await ofKit(later)).toEqual(["aircraft", expect.any(String), expect.any(String)]);
    expect((await ofKit(later)).slice(1).sort()).toEqual(["attempt", "note"]);
    expect(await listBin([newId()], later)).toEqual([]);
    const muchLater = new Date(later.getTime() + BIN_MS + 1);
    expect(await ofKit(muchLater)).toEqual([]);
    await liveThrough(muchLater);
    await emptyBin(muchLater);
    expect(await database()("note").where({ id: kit.ids.gone })).toEqual([]);
    expect(await database()("attempt").where({ id: kit.ids.undone })).toEqual([]);
    // Flown with, so the attempts still refer to it.
    expect(await findAircraft(kit.ids.aircraft)).toBeDefined();
    expect((await recordOf(kit.id)).attempts).toHaveLength(1);
  });

  it("a whole record goes for good after 30 days", async () => {
    const { id } = await fillPilot("Una Rook");
    await inTransaction((transaction) => setPilotRemoved(transaction, id, now));
    await emptyBin(new Date(now.getTime() + BIN_MS - 1));
    expect(await findPilot(id)).toBeDefined();
    // On the word of the clock alone nothing goes.
    await database()("day_seen").delete();
    const after = new Date(now.getTime() + BIN_MS + 1);
    await emptyBin(after);
    expect(await findPilot(id)).toBeDefined();
    await liveThrough(after);
    await emptyBin(after);
    expect(await findPilot(id)).toBeUndefined();
  });
});

it("erasing leaves no row and no line of the trail about the pilot, and wants the name", async () => {
  const { id, ids } = await fillPilot("Vera Lund");
  expect(await erase(id, "Vera")).toMatchObject({ ok: false, fields: { name: expect.any(String) } });
  expect(await findPilot(id)).toBeDefined();
  // What the squad did with a trick names who was to fly it, now as a name and once in a sentence.
  const flownBy = ["Odo Fenn", "Vera Lund"];
  const variant = { kind: "added-variant", name: "Long punch", flownBy } as const;
  await inTransaction((transaction) => leaveTrail(transaction, { who: "Ann Pell", done: variant, squadId }, now));
  const old = { id: newId(), at: now, squad_id: squadId, who: "Ann Pell", deed: "changed-variant" };
  await database()("trail").insert({ ...old, says: "changed the way, flown by Odo Fenn, Vera Lund" });
  expect(await erase(id, "Vera Lund")).toMatchObject({ ok: true });
  const trail = (await listTrail([squadId], { limit: 100 })).map(({ done }) => done);
  expect(trail).toContainEqual({ ...variant, flownBy: ["Odo Fenn", "a pilot"] });
  expect(trail).toContainEqual({ kind: "said", says: "changed the way, flown by Odo Fenn, a pilot" });
  const [tables] = (await database().raw(
    "select table_name as name, column_name as col from information_schema.columns where table_schema = database() and data_type in ('char', 'varchar', 'text', 'longtext')",
  )) as [{ name: string; col: string }[]];
  for (const { name, col } of tables) {
    const left = await database()(name)
      .where(col, "like", "%Vera Lund%")
      .orWhereIn(col, [id, ...Object.values(ids)]);
    expect([name, col, left]).toEqual([name, col, []]);
  }
  expect((await listTrail([squadId], { limit: 1 }))[0]).toMatchObject({
    who: "Ann Pell",
    done: { kind: "erased" },
    pilotId: null,
  });
});
