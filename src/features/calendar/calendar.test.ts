import ICAL from "ical.js";
import { v7 as newId } from "uuid";
import type { SignedIn, SignedInCoach } from "@/server/accounts";
import { database } from "@/server/database";
import {
  erasePilot,
  insertCoach,
  insertPilot,
  insertSession,
  insertSite,
  insertSquad,
  inTransaction,
  listBin,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { calendarActions } from "./actions";
import { downloadCalendar } from "./download";
import { loadCalendar } from "./load";

withFreshDatabase();

const [squadId, otherSquadId, coachId, odo, ida, far, siteId] = Array.from({ length: 7 }, () => newId());
const now = new Date();
const DAY_MS = 86_400_000;
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const run = runnerFor(who);
const plan = (change: object = {}) => ({
  startsAtMs: now.getTime() + 3 * DAY_MS,
  minutes: 120,
  siteId,
  note: "gloves; tea",
  pilotIds: [odo, ida],
  ...change,
});
const calendar = () => loadCalendar(who, now.getTime());

beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    for (const [id, name] of [
      [squadId, "Pans"],
      [otherSquadId, "Dyke"],
    ])
      await insertSquad(transaction, { id, name, ownerId: coachId }, now);
    for (const [id, name, of] of [
      [odo, "Odo Fenn", squadId],
      [ida, "Ida Rook", squadId],
      [far, "Bo Kerr", otherSquadId],
    ])
      await insertPilot(transaction, { id, squadId: of, name, stickMode: 2, grip: "thumbs" }, now);
    const site = {
      name: "Yard",
      surface: "",
      roomM: 60,
      ceilingM: null,
      elevationM: null,
      features: "",
      hazards: "",
      rules: "",
      askWhom: "",
    };
    await insertSite(transaction, { ...site, id: siteId, squadId }, now);
    await insertSession(transaction, {
      id: newId(),
      squadId,
      coachId,
      place: "field",
      startedAtMs: now.getTime() - 20 * DAY_MS,
      pilots: [{ pilotId: odo, stepId: "hang", setupId: null }],
    });
  }),
);

const id = newId();
it("keeps a plan once, with who is to come, and shows the gap to it", async () => {
  for (let n = 0; n < 2; n++)
    expect(await run(calendarActions["plan-session"], { id, squadId, ...plan() })).toMatchObject({ ok: true });
  const { planned, past, gaps } = await calendar();
  expect(planned).toMatchObject([{ id, note: "gloves; tea", minutes: 120, version: 1 }]);
  expect([...planned[0].pilotIds].sort()).toEqual([odo, ida].sort());
  expect(past).toHaveLength(1);
  expect(gaps).toMatchObject([{ days: 23, ahead: true }]);
});

it("refuses what cannot be, naming the field, and two squads in one session", async () => {
  for (const [field, change] of [
    ["minutes", { minutes: 3 }],
    ["startsAtMs", { startsAtMs: 1 }],
    ["pilotIds", { pilotIds: [odo, odo] }],
    ["pilotIds", { pilotIds: [odo, far] }],
    ["siteId", { siteId: "somewhere" }],
  ] as const)
    expect(await run(calendarActions["plan-session"], { id: newId(), squadId, ...plan(change) })).toMatchObject({
      ok: false,
      status: 422,
      fields: { [field]: expect.any(String) },
    });
  expect(
    await run(calendarActions["plan-session"], { id: newId(), squadId: otherSquadId, ...plan({ pilotIds: [far] }) }),
  ).toMatchObject({
    ok: false,
    fields: { siteId: expect.any(String) },
  });
  expect((await calendar()).planned).toHaveLength(1);
});

it("changes on the version that was read, and goes into the bin and back", async () => {
  const edit = (version: number) => run(calendarActions["edit-planned"], { id, version, ...plan({ pilotIds: [ida] }) });
  expect(await edit(1)).toMatchObject({ ok: true });
  // The same once more, as after a lost answer, is the same; another change on what was read before is not.
  expect(await edit(1)).toMatchObject({ ok: true });
  const late = { id, version: 1, ...plan({ pilotIds: [odo] }), note: "late" };
  expect(await run(calendarActions["edit-planned"], late)).toMatchObject({ ok: false, status: 409 });
  expect((await calendar()).planned[0].pilotIds).toEqual([ida]);
  await run(calendarActions["remove-planned"], { id });
  expect((await calendar()).planned).toEqual([]);
  expect(await listBin([squadId], new Date())).toMatchObject([{ kind: "planned", what: "gloves; tea" }]);
  await run(calendarActions["restore-planned"], { id });
  expect((await calendar()).planned).toHaveLength(1);
});

it("goes out as iCalendar with what was flown and what is planned, read by an independent parser (ical.js)", async () => {
  const text = await (await downloadCalendar(who, squadId, now)).text();
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent").map((one) => new ICAL.Event(one));
  expect(events.map(({ summary, location }) => [summary, location])).toEqual([
    ["Pans: flying", "Yard"],
    ["Pans: flown", null],
  ]);
  expect(events[0].startDate.toJSDate().getTime()).toBe(Math.floor((now.getTime() + 3 * DAY_MS) / 1000) * 1000);
  expect(events[0].duration.toSeconds()).toBe(7200);
});

it("keeps a target once, with what it takes; it goes into the bin and back, and only with a step there is", async () => {
  const target = { id: newId(), pilotId: odo, stepId: "hang", dueAtMs: now.getTime() + 30 * DAY_MS };
  for (let n = 0; n < 2; n++) expect(await run(calendarActions["set-target"], target)).toMatchObject({ ok: true });
  const targets = async () => (await calendar()).targets;
  expect(await targets()).toMatchObject([{ ...target, outlook: { kind: "short", planned: 0 } }]);
  expect(await run(calendarActions["set-target"], { ...target, id: newId(), stepId: "no-such-step" })).toMatchObject({
    ok: false,
    fields: { stepId: expect.any(String) },
  });
  await run(calendarActions["remove-target"], { id: target.id });
  expect(await targets()).toEqual([]);
  expect(await listBin([squadId], new Date())).toMatchObject([{ kind: "target", pilotName: "Odo Fenn", what: "hang" }]);
  await run(calendarActions["restore-target"], { id: target.id });
  expect(await targets()).toHaveLength(1);
});

it("a pilot sees only their own sessions, and erasing one leaves nothing of them in a plan", async () => {
  const pilot: SignedIn = { ...who, coachId: null, pilotId: odo };
  expect((await loadCalendar(pilot, now.getTime())).planned).toEqual([]);
  await inTransaction((transaction) => erasePilot(transaction, ida));
  expect(await database()("planned_pilot").where({ pilot_id: ida })).toEqual([]);
  expect((await calendar()).planned[0].pilotIds).toEqual([]);
});
