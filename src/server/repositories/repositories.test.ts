import { v7 as newId } from "uuid";
import { airframePresets, firstSettings } from "@/core";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import {
  findPilot,
  findSession,
  insertAircraft,
  insertAttempt,
  insertCoach,
  insertPilot,
  insertSession,
  insertSetup,
  insertSquad,
  inTransaction,
  latestSetups,
  listAttempts,
  listCoaches,
  listPilots,
  listSessionAttempts,
  listSessions,
  listSetups,
  setSessionEnd,
  setUndone,
  updatePilot,
} from ".";

withFreshDatabase();

const coach = { id: newId(), name: "Ann Pell" };
const squadId = newId();
const pilot = { id: newId(), squadId, name: "Ödo Fenn ✈", stickMode: 3, grip: "pinch" } as const;
const aircraft = (name: string) =>
  ({
    id: newId(),
    pilotId: pilot.id,
    name,
    presetId: "three-inch",
    airframe: airframePresets["three-inch"].airframe,
    flightState: "new",
  }) as const;
const plank = aircraft("Plank");
const now = new Date("2026-03-01T12:00:00.250Z");

beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, coach, now);
    await insertSquad(transaction, { id: squadId, name: "The squad", ownerId: coach.id }, now);
    await insertPilot(transaction, pilot, now);
    await insertAircraft(transaction, plank, now);
  }),
);

it("keeps names as typed, numbers as numbers and times to the millisecond in UTC", async () => {
  expect(await findPilot(pilot.id)).toMatchObject({ ...pilot, version: 1 });
  const session = {
    id: newId(),
    squadId,
    coachId: coach.id,
    place: "field",
    siteId: null,
    startedAtMs: now.getTime(),
    pilots: [{ pilotId: pilot.id, stepId: "flip-slow", setupId: null, loadId: null }],
  } as const;
  await inTransaction((transaction) => insertSession(transaction, session));
  expect(await findSession(session.id)).toEqual({
    ...session,
    temperatureC: null,
    windMps: null,
    begun: true,
    endedAtMs: null,
    endedBy: null,
    against: [],
    pilots: session.pilots.map((one) => ({ ...one, left: false })),
  });
});

it("all writes of one action stand or none", async () => {
  const before = (await listCoaches()).length;
  await expect(
    inTransaction(async (transaction) => {
      await insertCoach(transaction, { id: newId(), name: "Half Done" }, now);
      throw new Error("in the middle");
    }),
  ).rejects.toThrow("in the middle");
  expect(await listCoaches()).toHaveLength(before);
});

it("changes a pilot only on the version that was read", async () => {
  const change = {
    ...pilot,
    name: "Changed",
    settingsFrozen: true,
    reactionS: 0.42,
    cruiseMps: 9.5,
    reachShare: 0.93,
    stickLengthMm: 24,
    version: 1,
  };
  expect(await inTransaction((transaction) => updatePilot(transaction, change))).toBe("changed");
  expect(await inTransaction((transaction) => updatePilot(transaction, change))).toBe("same");
  expect(await inTransaction((transaction) => updatePilot(transaction, { ...change, name: "Too late" }))).toBe("other");
  expect((await listPilots({ coachId: coach.id, pilotId: null }))[0]).toMatchObject({
    name: "Changed",
    settingsFrozen: true,
    cruiseMps: 9.5,
    reachShare: 0.93,
    stickLengthMm: 24,
    reactionS: 0.42,
    version: 2,
  });
});

it("gives the newest setup of each aircraft, and all versions newest first", async () => {
  const other = aircraft("Gull");
  const setup = (aircraftId: string, number: number) => ({
    id: newId(),
    aircraftId,
    number,
    settings: { ...firstSettings, tiltDeg: number },
    reason: "r",
    coachId: coach.id,
  });
  await inTransaction(async (transaction) => {
    await insertAircraft(transaction, other, now);
    for (const number of [1, 2, 3])
      await insertSetup(transaction, setup(plank.id, number), new Date(now.getTime() + number * 1000));
    await insertSetup(transaction, setup(other.id, 1), now);
  });
  const latest = await latestSetups([pilot.id]);
  expect(latest.get(plank.id)).toMatchObject({ number: 3, coachName: "Ann Pell", settings: { tiltDeg: 3 } });
  expect(latest.get(other.id)?.number).toBe(1);
  expect((await listSetups(pilot.id)).map((one) => one.number)).toEqual([3, 2, 1, 1]);
  await expect(inTransaction((transaction) => insertSetup(transaction, setup(plank.id, 3), now))).rejects.toMatchObject(
    { code: "ER_DUP_ENTRY" },
  );
});

it("leaves undone attempts out of the evidence but not out of the session", async () => {
  const session = {
    id: newId(),
    squadId,
    coachId: coach.id,
    place: "field",
    startedAtMs: now.getTime() + 1,
    pilots: [{ pilotId: pilot.id, stepId: "flip-slow", setupId: null }],
  } as const;
  const attempt = (atMs: number) =>
    ({
      id: newId(),
      sessionId: session.id,
      pilotId: pilot.id,
      stepId: "flip-slow",
      direction: "back",
      outcome: "clean",
      place: "field",
      setupId: null,
      pack: null,
      minutes: null,
      measured: {},
      faults: ["dropped"],
      atMs,
    }) as const;
  const [late, early] = [attempt(now.getTime() + 2000), attempt(now.getTime() + 1000)];
  await inTransaction(async (transaction) => {
    await insertSession(transaction, session);
    await insertAttempt(transaction, late);
    await insertAttempt(transaction, early);
    await setUndone(transaction, late, now);
    await setSessionEnd(transaction, session.id, { at: now, byAccountId: null });
  });
  expect((await listAttempts([pilot.id])).map(({ id, faults }) => ({ id, faults }))).toEqual([
    { id: early.id, faults: ["dropped"] },
  ]);
  expect((await listSessionAttempts(session.id)).map(({ id, undone }) => [id, undone])).toEqual([
    [early.id, false],
    [late.id, true],
  ]);
  expect((await listSessions([pilot.id], 1))[0]).toMatchObject({ id: session.id, endedAtMs: now.getTime() });
});
