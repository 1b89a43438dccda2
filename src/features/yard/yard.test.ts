import jpeg from "jpeg-js";
import { v7 as newId } from "uuid";
import { downloadBriefs } from "@/features/field";
import { planActions as sessionActions } from "@/features/plan";
import type { SignedInCoach } from "@/server/accounts";
import { courses, EMPTY_PLAN, type SitePlan } from "@/core";
import {
  findSitePlan,
  insertCoach,
  insertPilot,
  insertSquad,
  inTransaction,
  listBin,
  listSessions,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { smallJpeg } from "@/server/testing/small-jpeg";
import { yardActions } from "./actions";
import { coursePage, sitePicture } from "./download";
import { loadYard } from "./load";

withFreshDatabase();

const [squadId, otherSquadId, coachId, pilotId, siteId] = [newId(), newId(), newId(), newId(), newId()];
const now = new Date();
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const run = runnerFor(who);
const fields = {
  name: "Store yard",
  roomM: "25",
  ceilingM: "12",
  surface: "grass",
  features: "",
  hazards: "",
  rules: "",
  askWhom: "",
};
const start = (stepId: string, more: object = {}) =>
  run(sessionActions["start-session"], {
    id: newId(),
    place: "field",
    siteId,
    pilots: [{ pilotId, stepId, setupId: null }],
    ...more,
  });

beforeAll(async () => {
  await inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    for (const [id, name] of [
      [squadId, "Pans"],
      [otherSquadId, "Dyke"],
    ])
      await insertSquad(transaction, { id, name, ownerId: coachId }, now);
    await insertPilot(transaction, { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" }, now);
  });
  await run(yardActions["add-site"], { id: siteId, squadId, ...fields });
});

it("keeps a site as it was typed, once, and names a number that is none", async () => {
  expect((await loadYard(who)).sites).toMatchObject([{ name: "Store yard", roomM: 25, ceilingM: 12, version: 1 }]);
  expect(await run(yardActions["add-site"], { id: siteId, squadId, ...fields })).toMatchObject({ ok: true });
  for (const [field, value] of [
    ["roomM", "wide"],
    ["roomM", "0"],
    ["ceilingM", "-3"],
    ["name", ""],
  ])
    expect(await run(yardActions["add-site"], { id: newId(), squadId, ...fields, [field]: value })).toMatchObject({
      ok: false,
      status: 422,
      fields: { [field]: expect.any(String) },
    });
  expect((await loadYard(who)).sites).toHaveLength(1);
});

it("refuses a step that wants more room or begins above the limit, with both numbers, and starts what fits", async () => {
  expect(await start("hang")).toMatchObject({
    ok: false,
    status: 422,
    message: "Hang needs 40\u202fm of clear ground all round; Store yard has 25\u202fm.",
  });
  expect(await start("los-hover")).toMatchObject({ ok: true });
  await run(yardActions["edit-site"], { id: siteId, version: 1, ...fields, roomM: "90", ceilingM: "8" });
  expect(await start("bail-dive")).toMatchObject({
    ok: false,
    message: "Bail off a dive starts 12\u202fm up; the limit at Store yard is 8\u202fm.",
  });
  expect(await start("bail-dive", { place: "simulator" })).toMatchObject({ ok: true });
  expect((await listSessions([pilotId], 5)).map(({ siteId: at }) => at)).toEqual([siteId, siteId]);
});

it("tells the second of two who changed a site, and takes no session to another squad's", async () => {
  expect(await run(yardActions["edit-site"], { id: siteId, version: 1, ...fields })).toMatchObject({
    ok: false,
    status: 409,
  });
  const elsewhere = newId();
  await run(yardActions["add-site"], { id: elsewhere, squadId: otherSquadId, ...fields, name: "Dyke" });
  expect(await start("los-hover", { siteId: elsewhere })).toMatchObject({ ok: false, status: 422 });
});

it("keeps a plan on the version that was read, in the millimetres it was drawn, with nothing in it that is not known", async () => {
  const line = courses["stop-line"]({ headingDeg: 33 });
  const plan: SitePlan = {
    ...EMPTY_PLAN,
    place: { latitudeDeg: 53.2, longitudeDeg: 6.1 },
    features: [
      {
        ...{ id: "edge", kind: "boundary", name: "Edge", heightM: null, widthM: null, ground: null, fetchable: true },
        points: [
          { eastM: 0, northM: 0 },
          { eastM: 80.12345, northM: 0 },
          { eastM: 40, northM: 60 },
        ],
      },
    ],
    courses: [
      {
        ...{ id: "line", kind: "stop-line", name: "", parameters: { headingDeg: 33 }, poles: line.poles },
        ...{ order: ["1", "2", "3", "4", "5"], pegs: null },
      },
    ],
  };
  const save = (version: number, changed: object = plan) =>
    run(yardActions["save-plan"], { id: siteId, version, plan: { ...changed, stranger: "x" } });
  expect(await findSitePlan(siteId)).toMatchObject({ version: 1, plan: EMPTY_PLAN });
  expect(await save(1)).toMatchObject({ ok: true });
  // Sent twice it is one change; from another version it is someone else's.
  expect(await save(1)).toMatchObject({ ok: true });
  expect(await save(1, { ...plan, northDeg: 5 })).toMatchObject({ ok: false, status: 409 });
  const kept = (await findSitePlan(siteId))!;
  expect(kept.version).toBe(2);
  expect(kept.plan.features[0].points[1]).toEqual({ eastM: 80.123, northM: 0 });
  expect(Object.keys(kept.plan)).not.toContain("stranger");
  expect((await loadYard(who)).drawn).toEqual({ [siteId]: 2 });
  for (const [field, changed] of [
    ["features[0].points[0].eastM", { ...plan, features: [{ ...plan.features[0], points: [{ eastM: "0" }, {}, {}] }] }],
    ["courses[0].pegs", { ...plan, courses: [{ ...plan.courses[0], pegs: [{ eastM: 1, northM: 1 }] }] }],
    ["features[0].id", { ...plan, features: [null] }],
    [
      "courses[0].poles[0].id",
      { ...plan, courses: [{ ...plan.courses[0], order: [], poles: [{ ...line.poles[0], id: "1\u200b" }] }] },
    ],
    ["features[0].name", { ...plan, features: [{ ...plan.features[0], name: "a\u202eb" }] }],
  ] as const)
    expect(await save(2, changed)).toMatchObject({ ok: false, status: 422, fields: { [field]: expect.any(String) } });
  const page = await coursePage(who, siteId, "line", "metric");
  expect(
    Buffer.from(await page.arrayBuffer())
      .subarray(0, 5)
      .toString(),
  ).toBe("%PDF-");
  await expect(coursePage(who, siteId, "other", "metric")).rejects.toMatchObject({ status: 404 });
});

it("keeps a picture written anew from its pixels: where it was taken is gone, and what is no JPEG is refused", async () => {
  const small = Buffer.from(smallJpeg, "base64");
  // An APP1 segment as cameras write places into it (Exif, JEITA CP-3451, 4.5.4).
  const place = Buffer.from("Exif\0\0GPS 53.37 5.22");
  const head = Buffer.from([0xff, 0xe1, 0, place.length + 2]);
  const taken = Buffer.concat([small.subarray(0, 2), head, place, small.subarray(2)]);
  const put = (bytes: Buffer, pictureId: string = newId()) =>
    run(yardActions["put-site-picture"], { id: siteId, pictureId, jpeg: bytes.toString("base64") });
  const read = async (pictureId: string) =>
    Buffer.from(await (await sitePicture(who, siteId, pictureId)).arrayBuffer());
  const first = newId();
  await expect(sitePicture(who, siteId, first)).rejects.toMatchObject({ status: 404 });
  expect(await put(taken, first)).toMatchObject({ ok: true });
  const kept = await read(first);
  expect(kept.includes("GPS")).toBe(false);
  expect(jpeg.decode(kept)).toMatchObject({ width: 6, height: 4 });
  const wide = jpeg.encode({ width: 3000, height: 2, data: Buffer.alloc(3000 * 2 * 4) }, 50).data;
  // A header that says 60,000 pixels each way, and little behind it.
  const bomb = Buffer.from(small);
  const frame = bomb.indexOf(Buffer.from([0xff, 0xc0]));
  bomb.writeUInt16BE(60_000, frame + 5);
  bomb.writeUInt16BE(60_000, frame + 7);
  // One scan after the other over the same picture.
  const scan = small.subarray(small.indexOf(Buffer.from([0xff, 0xda])), -2);
  const scans = Buffer.concat([small.subarray(0, -2), ...new Array<Buffer>(5000).fill(scan), small.subarray(-2)]);
  for (const bad of [wide, bomb, scans, Buffer.from("<svg onload='x'/>"), small.subarray(0, 40), Buffer.from("GIF89a")])
    expect(await put(bad)).toMatchObject({ ok: false, status: 422, fields: { jpeg: expect.any(String) } });
  // What was there stays, also when another is tried on and dropped; a plan that is saved keeps its own and no other.
  const tried = newId();
  expect(await put(small, tried)).toMatchObject({ ok: true });
  expect(await read(first)).toEqual(kept);
  const saveWith = async (id: string | null) => {
    const { version, plan } = (await findSitePlan(siteId))!;
    const lies = { widthPx: 6, heightPx: 4, at: { eastM: 0, northM: 0 }, widthM: 60, turnedDeg: 0, strength: 1 };
    const picture = id === null ? undefined : { ...lies, id };
    return run(yardActions["save-plan"], { id: siteId, version, plan: { ...plan, picture } });
  };
  expect(await saveWith(first)).toMatchObject({ ok: true });
  expect(await read(first)).toEqual(kept);
  await expect(sitePicture(who, siteId, tried)).rejects.toMatchObject({ status: 404 });
  expect(await saveWith(tried)).toMatchObject({ ok: false, fields: { "picture.id": expect.any(String) } });
  // Taken off the plan, it is gone from here as well.
  expect(await saveWith(null)).toMatchObject({ ok: true });
  await expect(sitePicture(who, siteId, first)).rejects.toMatchObject({ status: 404 });
});

it("goes into the field with the session of its site, and again only when it changed", async () => {
  const sessionId = newId();
  expect(await start("los-hover", { id: sessionId, siteId })).toMatchObject({ ok: true });
  const asked = async (tag: string | null) => (await downloadBriefs(who, sessionId, tag)).json();
  const { tag, plan } = await asked(null);
  expect(plan).toMatchObject({ siteName: "Store yard", plan: { courses: [{ id: "line" }] } });
  expect(await asked(tag)).toEqual({ tag, briefs: null });
  const { version, plan: before } = (await findSitePlan(siteId))!;
  await run(yardActions["save-plan"], { id: siteId, version, plan: { ...before, courses: [] } });
  expect(await asked(tag)).toMatchObject({ plan: null, briefs: expect.any(Array) });
});

it("goes into the bin and comes back; sessions there stay", async () => {
  await run(yardActions["remove-site"], { id: siteId });
  expect((await loadYard(who)).sites.map(({ name }) => name)).toEqual(["Dyke"]);
  expect(await listBin([squadId], now)).toMatchObject([{ kind: "site", what: "Store yard" }]);
  expect(await start("los-hover")).toMatchObject({ ok: false, status: 404 });
  await run(yardActions["restore-site"], { id: siteId });
  expect((await loadYard(who)).sites).toHaveLength(2);
});
