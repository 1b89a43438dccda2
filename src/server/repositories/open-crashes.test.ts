import { v7 as newId } from "uuid";
import { airframePresets, firstSettings, type Place } from "@/core";
import { withFreshDatabase } from "../testing/fresh-database";
import {
  insertAircraft,
  insertAttempt,
  insertCoach,
  insertPilot,
  insertSession,
  insertSetup,
  insertSquad,
  inTransaction,
  listAircraft,
  nameAircraft,
} from ".";

withFreshDatabase();

const [squadId, coachId, pilotId, sessionId] = [newId(), newId(), newId(), newId()];
const now = new Date("2026-03-01T10:00:00Z");
const [plank, spare] = [newId(), newId()];
const setups = new Map([plank, spare].map((id) => [id, newId()]));

const crash = (aircraftId: string, minute: number, place: Place = "field") => ({
  id: newId(),
  sessionId,
  pilotId,
  stepId: "hang",
  direction: "right",
  outcome: "crashed" as const,
  place,
  setupId: setups.get(aircraftId)!,
  pack: 1,
  minutes: null,
  measured: {},
  faults: [],
  atMs: now.getTime() + minute * 60_000,
});

it("an aircraft has its own newest crashes, oldest first, no more than a list is good for, and a name with its newest setup", async () => {
  await inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    await insertPilot(transaction, { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" }, now);
    for (const [id, name] of [
      [plank, "Plank"],
      [spare, "Spare"],
    ]) {
      const { airframe } = airframePresets["three-inch"];
      const aircraft = { id, pilotId, name, presetId: "three-inch", airframe, flightState: "flying" } as const;
      await insertAircraft(transaction, aircraft, now);
      const setup = { id: setups.get(id)!, aircraftId: id, settings: firstSettings, reason: "first", coachId };
      await insertSetup(transaction, { ...setup, number: 1 }, now);
    }
    await insertSession(transaction, {
      id: sessionId,
      squadId,
      coachId,
      place: "field",
      startedAtMs: now.getTime(),
      pilots: [{ pilotId, stepId: "hang", setupId: null }],
    });
    for (let minute = 1; minute <= 25; minute++) await insertAttempt(transaction, crash(plank, minute));
    await insertAttempt(transaction, crash(spare, 3));
    await insertAttempt(transaction, crash(spare, 4, "simulator"));
  });
  const found = await listAircraft([pilotId]);
  const minutes = (id: string) =>
    found.find((one) => one.id === id)!.openCrashes.map(({ atMs }) => (atMs - now.getTime()) / 60_000);
  expect(minutes(plank)).toEqual(Array.from({ length: 20 }, (_, i) => i + 6));
  expect(minutes(spare)).toEqual([3]);
  expect((await nameAircraft([pilotId])).map(({ name, setupNumber }) => [name, setupNumber])).toEqual([
    ["Plank", 1],
    ["Spare", 1],
  ]);
});
