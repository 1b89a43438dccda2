import Ajv2020 from "ajv/dist/2020";
import { v7 as newId } from "uuid";
import { recipes } from "@/core";
import type { LineDocument } from "@/contract";
import type { SignedIn, SignedInCoach } from "@/server/accounts";
import { database } from "@/server/database";
import { lineSchema, variantSchema } from "@/server/files";
import {
  emptyBin,
  erasePilot,
  fieldLinesOf,
  findLine,
  findPilot,
  insertCoach,
  insertPilot,
  insertSite,
  insertSquad,
  inTransaction,
  listBin,
  listLinesOf,
  listLineVersions,
  listTrail,
  noteDay,
  updatePilot,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { twoTricks } from "@/server/testing/two-tricks";
import { lineActions as actions } from "./actions";
import { loadLines } from "./load";

withFreshDatabase();

const [squadId, otherSquadId, coachId, odo, ida, siteId, farSiteId] = Array.from({ length: 7 }, () => newId());
const now = new Date();
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const run = runnerFor(who);
const add = (change: object = {}) =>
  run(actions["add-line"], { id: newId(), squadId, siteId: null, document: twoTricks, ...change });
const save = (id: string, version: number, document: object = twoTricks) =>
  run(actions["save-line"], { id, version, siteId: null, document });
const withLine = (line: Partial<LineDocument["line"]>): LineDocument => ({
  ...twoTricks,
  line: { ...twoTricks.line, ...line },
});

beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    for (const [id, name, site] of [
      [squadId, "Pans", siteId],
      [otherSquadId, "Dyke", farSiteId],
    ]) {
      await insertSquad(transaction, { id, name, ownerId: coachId }, now);
      const texts = { surface: "", features: "", hazards: "", rules: "", askWhom: "" };
      const figures = { roomM: 40, ceilingM: 30, elevationM: null };
      await insertSite(transaction, { id: site, squadId: id, name: "Yard", ...texts, ...figures }, now);
    }
    for (const [id, name] of [
      [odo, "Odo Fenn"],
      [ida, "Ida Rook"],
    ])
      await insertPilot(transaction, { id, squadId, name, stickMode: 2, grip: "thumbs" }, now);
  }),
);
beforeEach(() => database()("line").delete());

it("is kept in versions, each as it was saved, once however often it is sent, and never over someone else's", async () => {
  const id = newId();
  await add({ id, siteId });
  await add({ id, siteId });
  const longer = withLine({ items: [...twoTricks.line.items, { kind: "trick", recipe: "hang-left" }] });
  expect((await save(id, 1, longer)).ok).toBe(true);
  expect((await save(id, 1, longer)).ok).toBe(true);
  expect(await save(id, 1, { ...longer, name: "His" })).toMatchObject({ ok: false, status: 409 });
  expect(await save(id, 1, withLine({ entryHeightM: 20 }))).toMatchObject({ ok: false, status: 409 });
  expect(await findLine(id)).toMatchObject({ version: 2, siteId: null, savedBy: "Ann Pell", line: longer.line });
  expect(await listLineVersions(id)).toMatchObject([
    { number: 2, line: { items: { length: 4 } } },
    { number: 1, line: twoTricks.line },
  ]);
  const done = (await listTrail([squadId], { limit: 50 })).map((deed) => deed.done);
  expect(done).toEqual([
    { kind: "saved-line", name: "Flip and roll", number: 2 },
    { kind: "saved-line", name: "Flip and roll", number: 1 },
  ]);
});

it("is kept with what it is a copy of, in the version that says so, and goes to the field with its parts", async () => {
  const id = newId();
  const parts = ["Gap late", "Dead stop"].map((name) => ({ id: newId(), name }));
  const copy = { from: "Ida's, from the film", parts, lookAfter: 4 };
  expect((await add({ id, document: { ...twoTricks, copy } })).ok).toBe(true);
  expect((await save(id, 1)).ok).toBe(true);
  expect((await listLineVersions(id)).map((version) => version.copy)).toEqual([undefined, copy]);
  expect((await save(id, 2, { ...twoTricks, copy })).ok).toBe(true);
  await run(actions["give-line"], { id, pilotId: odo, given: true });
  const [given] = (await fieldLinesOf([odo])).get(odo)!;
  expect(given).toMatchObject({ id, version: 3, parts, lookAfter: 4 });
  for (const wrong of [
    { ...copy, parts: [parts[0], parts[0]] },
    { ...copy, parts: [{ id: "one", name: "Gap" }] },
    { ...copy, parts: [{ ...parts[0], name: "" }] },
    { ...copy, lookAfter: 1 },
    { from: "nobody" },
  ])
    expect(await save(id, 3, { ...twoTricks, copy: wrong } as never)).toMatchObject({ ok: false, status: 422 });
});

it("is read by those it is given to, in the squad that keeps it, and goes from what is kept of somebody erased", async () => {
  const id = newId();
  await add({ id });
  const give = (pilotId: string, given: boolean) => run(actions["give-line"], { id, pilotId, given });
  for (const pilotId of [odo, odo, ida]) expect((await give(pilotId, true)).ok).toBe(true);
  expect((await listLinesOf(odo)).map((line) => line.id)).toEqual([id]);
  const pilot = (await findPilot(odo))!;
  const odoSelf: SignedIn = { ...who, coachId: null, pilotId: odo, name: "Odo Fenn" };
  expect(await loadLines(odoSelf, pilot, null, id)).toMatchObject({
    mayChange: false,
    lines: [{ id }],
    open: { line: { id }, versions: [] },
  });
  await give(odo, false);
  expect(await listLinesOf(odo)).toEqual([]);
  const gone = (await findPilot(ida))!;
  await inTransaction((transaction) => updatePilot(transaction, { ...gone, squadId: otherSquadId }));
  expect(await listLinesOf(ida)).toEqual([]);
  expect(await give(ida, true)).toMatchObject({ ok: false, status: 422 });
  await inTransaction((transaction) => erasePilot(transaction, ida));
  expect((await findLine(id))!.pilotIds).toEqual([]);
});

it("goes into the bin, comes back, and is gone for good after its time", async () => {
  const id = newId();
  await add({ id });
  await run(actions["remove-line"], { id });
  expect(await listBin([squadId], now)).toMatchObject([{ kind: "line", what: "Flip and roll", pilotName: "Pans" }]);
  expect((await loadLines(who, (await findPilot(odo))!, null, null)).lines).toEqual([]);
  expect(await save(id, 1)).toMatchObject({ ok: false, status: 404 });
  await run(actions["restore-line"], { id });
  expect((await loadLines(who, (await findPilot(odo))!, null, null)).lines).toHaveLength(1);
  await run(actions["remove-line"], { id });
  const later = (days: number) => new Date(now.getTime() + days * 86_400_000);
  for (let day = 0; day <= 40; day++) await noteDay(later(day));
  await emptyBin(later(40));
  expect(await findLine(id)).toBeUndefined();
  expect(await listLineVersions(id)).toEqual([]);
});

it("is flown at a site of its own squad, and where that is gone, anywhere", async () => {
  expect(await add({ siteId: farSiteId })).toMatchObject({ ok: false, fields: { siteId: expect.any(String) } });
  const id = newId();
  await add({ id, siteId });
  await database()("site").where({ id: siteId }).delete();
  expect((await findLine(id))!.siteId).toBeNull();
});

it("a file is what the published schema says, a way of the squad's own whole in it", async () => {
  const ajv = new Ajv2020({ strict: false });
  ajv.addSchema(variantSchema);
  const matches = ajv.compile(lineSchema);
  const own = withLine({
    items: [{ kind: "trick", recipe: recipes["flip-slow-back"], anchor: { id: "bar", how: "over" } }],
    anchors: [{ id: "bar", obstacle: { kind: "bar", alongM: 10, acrossM: 0, heightM: 2, widthM: 4, turnedDeg: 5 } }],
  });
  for (const document of [twoTricks, own]) {
    expect(matches(document)).toBe(true);
    expect(await run(actions["check-line"], { document })).toMatchObject({ ok: true, data: { document } });
  }
});

const item = (one: unknown) => ({ items: [twoTricks.line.items[0], one] as never });
it.each([
  ["nothing in it", { items: [] }, /items/],
  ["two hundred items", { items: Array.from({ length: 200 }, () => twoTricks.line.items[0]) }, /items/],
  ["a recipe that there is not", item({ kind: "trick", recipe: "flip-nowhere" }), /items.1|items\[1\].recipe/],
  ["a join of 10 km", item({ kind: "join", join: { kind: "on", m: 10_000 } }), /items.1/],
  ["no number", item({ kind: "join", join: { kind: "turn", deg: "NaN" } }), /items.1/],
  [
    "an anchor that stands nowhere",
    item({ kind: "trick", recipe: "loop-over-power", anchor: { id: "bar", how: "over" } }),
    /items\[1\].anchor/,
  ],
  ["a height under the ground", { entryHeightM: -3 }, /entryHeightM/],
])("bad input is told at the item, and nothing is kept: %s", async (_, line, place) => {
  const id = newId();
  const answer = await add({ id, document: withLine(line) });
  expect(answer).toMatchObject({ ok: false, status: 422 });
  expect(Object.keys((answer as { fields: object }).fields).join()).toMatch(place);
  expect(await findLine(id)).toBeUndefined();
});

it("is called by a name that every tap can carry, without what is not seen", async () => {
  const long = await add({ document: { ...twoTricks, name: "  Over the bar  " } });
  expect(long.ok).toBe(true);
  for (const name of ["   ", "Over the b\u0430r", "Over\u200bthe bar"])
    expect(await add({ document: { ...twoTricks, name } })).toMatchObject({
      ok: false,
      fields: { name: expect.any(String) },
    });
});

it("is its own squad's, whoever is at hand; a pilot does not see to whom else it was given", async () => {
  const [id, far] = [newId(), newId()];
  await add({ id });
  await inTransaction((transaction) =>
    insertPilot(transaction, { id: far, squadId: otherSquadId, name: "Bo Kerr", stickMode: 2, grip: "thumbs" }, now),
  );
  const seen = await loadLines(who, (await findPilot(far))!, null, id);
  expect(seen.squadPilots.map((one) => one.name)).toContain("Odo Fenn");
  expect(seen.squadPilots.map((one) => one.name)).not.toContain("Bo Kerr");
  const kit = newId();
  await inTransaction((transaction) =>
    insertPilot(transaction, { id: kit, squadId, name: "Kit Marsh", stickMode: 2, grip: "thumbs" }, now),
  );
  for (const pilotId of [odo, kit]) await run(actions["give-line"], { id, pilotId, given: true });
  const own: SignedIn = { ...who, coachId: null, pilotId: odo, name: "Odo Fenn" };
  const { lines, open } = await loadLines(own, (await findPilot(odo))!, null, id);
  expect([lines[0].pilotIds, open!.line.pilotIds]).toEqual([[odo], [odo]]);
});

describe("on paper", () => {
  const samples = ["timeS", "wayM", "heightM", "northM", "eastM", "throttle", "roll", "pitch", "yaw"];
  const state = { heightM: 16, speedMps: 8, headingDeg: 0 };
  const out = { lastS: 1.2, lastHeightM: 3, carryOnAt: 2 };
  const sheet = {
    version: 2,
    pilotName: "Odo Fenn",
    aircraftName: "Plank, setup 2",
    siteName: null,
    ceilingM: 30,
    samples: Object.fromEntries(samples.map((name) => [name, [0, 0.5, 1]])),
    items: [0, 1, 2].map((n) => ({ fromS: n / 3, toS: (n + 1) / 3, entry: state, exit: state, ...out })),
    figures: {
      ...{ startHeightM: 12, lengthM: 60, lowestM: 14, highestM: 20, roomAlongM: 50, roomAcrossM: 3 },
      packShare: 0.05,
    },
  };
  const print = (flown: object) =>
    run<{ pdf: string }>(actions["line-paper"], { document: twoTricks, flown, units: "metric" });

  it("is one page", async () => {
    const answer = await print(sheet);
    if (!answer.ok) throw new Error(answer.message);
    const pdf = Buffer.from(answer.data.pdf, "base64").toString("latin1");
    // PDF 1.7, ISO 32000-1, 7.5.2 and 7.7.3: the header, and the page tree with its count.
    expect(pdf.startsWith("%PDF-")).toBe(true);
    expect(/\/Type \/Pages[^>]*\/Count (\d+)/s.exec(pdf)?.[1]).toBe("1");
  });

  it.each([
    ["no number", { ...sheet, ceilingM: "high" }],
    ["columns of other lengths", { ...sheet, samples: { ...sheet.samples, yaw: [0, 1] } }],
    ["a way of ten thousand kilometres", { ...sheet, samples: { ...sheet.samples, wayM: [0, 1, 1e7] } }],
    ["text that is none", { ...sheet, pilotName: "<svg>" }],
  ])("is refused for what no flight is: %s", async (_, flown) => {
    expect(await print(flown)).toMatchObject({ ok: false, status: 422, fields: { flown: expect.any(String) } });
  });
});
