import Ajv2020 from "ajv/dist/2020";
import { v7 as newId } from "uuid";
import type { SignedInCoach } from "@/server/accounts";
import { database } from "@/server/database";
import { requireSyllabusFile, syllabusSchema } from "@/server/files";
import {
  findPilot,
  insertCoach,
  insertPilot,
  insertSquad,
  inTransaction,
  listTrail,
  syllabusOf,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { builtInSyllabus, type SyllabusDocument } from "@/syllabus";
import { loadPilot, pilotActions } from "../pilot";

import { downloadReport, downloadOverview } from "../report";
import { loadSquad } from "../squad";
import { syllabusActions } from "./actions";
import { withStep } from "./change";
import { downloadSyllabus } from "./download";

withFreshDatabase();

const [squadId, coachId, pilotId] = [newId(), newId(), newId()];
const now = new Date();
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const run = runnerFor(who);
const save = (document: unknown, basedOn: number, id = newId()) =>
  run(syllabusActions["save-syllabus"], { id, squadId, basedOn, reason: "because", document });
const inForce = async () => (await syllabusOf(squadId)).number;

beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    await insertPilot(transaction, { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" }, now);
  }),
);

describe("the published schema", () => {
  it("is one, matches the built-in syllabus, and the checked file is the file", () => {
    const matches = new Ajv2020({ strictTypes: false }).compile(syllabusSchema);
    expect([matches(JSON.parse(JSON.stringify(builtInSyllabus.document))), matches.errors]).toEqual([true, null]);
    const file = JSON.parse(JSON.stringify(builtInSyllabus.document)) as object;
    expect(requireSyllabusFile(file)).toBe(file);
  });
});

describe("saving", () => {
  const longer = withStep(builtInSyllabus.document, "flip-slow", { mark: { kind: "run", k: 5 } });

  it("makes a version that is in force, once however often it is sent, and the trail says what changed", async () => {
    const id = newId();
    expect(await save(longer, 0, id)).toMatchObject({ ok: true, data: { number: 1 } });
    expect(await save(longer, 0, id)).toMatchObject({ ok: true, data: { number: 1 } });
    const syllabus = await syllabusOf(squadId);
    expect([syllabus.number, syllabus.stepById.get("flip-slow")!.mark]).toEqual([1, { kind: "run", k: 5 }]);
    const [deed] = await listTrail([squadId], { limit: 1 });
    expect(deed.done).toMatchObject({
      kind: "saved-syllabus",
      number: 1,
      reason: "because",
      changes: [{ kind: "step-mark", step: "Slow flip", is: { kind: "run", k: 5 } }],
      more: 0,
    });
  });

  it("refuses the second of two who changed the same version, and keeps one of two at once", async () => {
    expect(await save(longer, 0)).toMatchObject({ ok: false, status: 409 });
    const both = await Promise.all([save(longer, 1), save(longer, 1)]);
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
    expect(await inForce()).toBe(2);
  });

  it("a sign-off keeps the version and the mark it was judged by, whatever comes after", async () => {
    await run(pilotActions["sign-off"], { id: newId(), pilotId, stepId: "flip-slow", note: "" });
    await save(builtInSyllabus.document, 2);
    const { milestones } = await loadPilot(who, (await findPilot(pilotId))!, null);
    expect(milestones[0].evidence.judgedBy).toEqual({ syllabus: 2, mark: { kind: "run", k: 5 } });
  });
});

describe("files that are half broken, cyclic, huge or hostile are refused with the place named, and nothing changes", () => {
  const copy = () => JSON.parse(JSON.stringify(builtInSyllabus.document)) as SyllabusDocument & Record<string, never>;
  const broken = (change: (document: ReturnType<typeof copy>) => void) => {
    const document = copy();
    change(document);
    return document;
  };
  const first = (document: ReturnType<typeof copy>) =>
    document.skills[0].steps[0] as unknown as Record<string, unknown>;
  const deep = () => {
    let mark: object = { kind: "run", k: 1 };
    for (let i = 0; i < 5000; i++) mark = { kind: "each-direction", rule: mark };
    return mark;
  };
  it.each<[string, () => unknown, RegExp]>([
    ["not a syllabus", () => ({ format: "bathygon-pilot-record", version: 1 }), /not a syllabus/],
    ["another version", () => broken((one) => Object.assign(one, { version: 9 })), /version 9/],
    ["no skills", () => broken((one) => Object.assign(one, { skills: undefined })), /skills/],
    ["a step without a way out", () => broken((one) => delete first(one).wayOut), /skills\.0\.steps\.0 .*wayOut/],
    [
      "a name of the wrong kind",
      () => broken((one) => Object.assign(first(one), { name: 7 })),
      /skills\.0\.steps\.0\.name/,
    ],
    [
      "a circle",
      () => broken((one) => Object.assign(first(one), { needs: ["arm-reflex"] })),
      /circle: Stick modes needs Arm and disarm/,
    ],
    [
      "an id like code",
      () => broken((one) => Object.assign(first(one), { id: "<script>" })),
      /skills\.0\.steps\.0\.id/,
    ],
    ["something extra", () => broken((one) => Object.assign(first(one), { onload: "x" })), /onload/],
    [
      "nested without end",
      () => broken((one) => Object.assign(first(one), { mark: deep() })),
      /nested more than 64 deep/,
    ],
    [
      "too many steps",
      () => broken((one) => Object.assign(one.skills[0], { steps: Array.from({ length: 500 }, () => first(one)) })),
      /skills\.0\.steps/,
    ],
    ["half a letter", () => broken((one) => Object.assign(first(one), { aim: "\ud800" })), /aim/],
  ])("%s", async (_, file, message) => {
    const before = await inForce();
    const result = await save(file(), before);
    expect(result).toMatchObject({ ok: false, status: 422 });
    expect(JSON.stringify(result)).toMatch(message);
    expect(await inForce()).toBe(before);
  });

  it("a prototype in it is seen as what it is: a field too many", () => {
    const text = JSON.stringify(copy()).replace('"aim"', '"__proto__":{"x":1},"aim"');
    expect(() => requireSyllabusFile(JSON.parse(text))).toThrow(/skills\.0\.steps\.0/);
  });

  it("a file larger than any syllabus is not read at all", () => {
    expect(syllabusActions["save-syllabus"].longestBytes).toBeLessThan(4 * 1024 * 1024);
  });
});

describe("papers", () => {
  const text = async (response: Response) => Buffer.from(await response.arrayBuffer()).toString("latin1");

  it("a booklet and a syllabus as JSON that can be read in again", async () => {
    const pdf = await text(await downloadSyllabus(who, squadId, "booklet.pdf", "metric", now));
    expect(pdf.slice(0, 5)).toBe("%PDF-");
    // Stages begin on pages of their own; A5 is 420 by 595 points (ISO 216).
    expect(pdf.match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(12);
    expect(pdf).toMatch(/MediaBox \[0 0 419\.53 595\.28\]/);
    const json = await text(await downloadSyllabus(who, squadId, "syllabus.json", "metric", now));
    expect(requireSyllabusFile(JSON.parse(Buffer.from(json, "latin1").toString("utf8")))).toEqual(
      (await syllabusOf(squadId)).document,
    );
  });

  it("a season and a squad as PDF and CSV, and the certificate of a stage only when it is signed off in full", async () => {
    expect((await text(await downloadReport(who, pilotId, "season.pdf", null))).slice(0, 5)).toBe("%PDF-");
    expect(await text(await downloadReport(who, pilotId, "season.csv", null))).toMatch(
      /^step,direction,attempts,clean/,
    );
    expect((await text(await downloadOverview(who, squadId, "overview.pdf"))).slice(0, 5)).toBe("%PDF-");
    expect(await text(await downloadOverview(who, squadId, "overview.csv"))).toMatch(/\r\nOdo Fenn,/);
    const certificate = () => downloadReport(who, pilotId, "stage-0.pdf", null);
    await expect(certificate()).rejects.toMatchObject({
      status: 409,
      message: expect.stringContaining("Stick modes"),
    });
    for (const stepId of ["sticks", "arm-reflex", "first-setup"])
      await run(pilotActions["sign-off"], { id: newId(), pilotId, stepId, note: "" });
    expect((await text(await certificate())).slice(0, 5)).toBe("%PDF-");
    await expect(downloadReport(who, pilotId, "stage-44.pdf", null)).rejects.toMatchObject({ status: 404 });
  });
});

it("asks the database as often for a squad of many as for one", async () => {
  const queriesOf = async () => {
    let queries = 0;
    const count = () => queries++;
    database().on("query", count);
    await loadSquad(who);
    database().removeListener("query", count);
    return queries;
  };
  const one = await queriesOf();
  await inTransaction(async (transaction) => {
    for (let i = 0; i < 12; i++)
      await insertPilot(transaction, { id: newId(), squadId, name: `Pilot ${i}`, stickMode: 2, grip: "pinch" }, now);
  });
  expect(await queriesOf()).toBe(one);
});
