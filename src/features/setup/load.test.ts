import { v7 as newId } from "uuid";
import { airframePresets, firstSettings, type Outcome, type Place } from "@/core";
import type { SignedIn } from "@/server/accounts";
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
  listPilots,
  setUndone,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { loadSetup } from "./load";

withFreshDatabase();

const [squadId, coachId, pilotId, sessionId, aircraftId] = [newId(), newId(), newId(), newId(), newId()];
const [first, second, unflown] = [newId(), newId(), newId()];
const now = new Date("2026-03-01T10:00:00Z");

/** Minute, setup, step, outcome, place. */
const flown: readonly (readonly [number, string, string, Outcome, Place])[] = [
  [1, first, "flip-slow", "clean", "field"],
  [2, first, "hang", "crashed", "field"],
  [3, first, "hang", "clean", "by-eye"],
  [4, first, "hang", "clean", "simulator"],
  // The step that was flown first with the second setup is the one that is compared.
  [5, second, "flip-slow", "clean", "simulator"],
  [6, second, "hang", "clean", "field"],
  [7, second, "hang", "clean", "field"],
  [8, second, "flip-slow", "rough", "field"],
  [9, second, "hang", "crashed", "field"],
];

it("a setup is compared with the one before at the step flown first with it: what stands, and was flown for real", async () => {
  const undone = newId();
  await inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    await insertPilot(transaction, { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" }, now);
    const { airframe } = airframePresets["three-inch"];
    const aircraft = { id: aircraftId, pilotId, name: "Plank", presetId: "three-inch", airframe } as const;
    await insertAircraft(transaction, { ...aircraft, flightState: "flying" }, now);
    for (const [i, id] of [first, second, unflown].entries())
      await insertSetup(
        transaction,
        { id, aircraftId, number: i + 1, settings: firstSettings, reason: "tried", coachId },
        now,
      );
    await insertSession(transaction, {
      ...{ id: sessionId, squadId, coachId, place: "field", startedAtMs: now.getTime() },
      pilots: [{ pilotId, stepId: "hang", setupId: null }],
    });
    for (const [minute, setupId, stepId, outcome, place] of flown) {
      const id = minute === 9 ? undone : newId();
      const attempt = { id, sessionId, pilotId, stepId, direction: "right", outcome, place, setupId };
      const rest = { pack: 1, minutes: null, measured: {}, faults: [], atMs: now.getTime() + minute * 60_000 };
      await insertAttempt(transaction, { ...attempt, ...rest });
    }
    await setUndone(transaction, { id: undone, pilotId, stepId: "hang" }, now);
  });
  const who = { coachId } as SignedIn;
  const [pilot] = await listPilots(who);
  const { changes } = await loadSetup(who, pilot, (await listAircraft([pilotId]))[0]);
  expect(changes).toEqual({
    [second]: {
      stepName: expect.any(String),
      before: { attempts: 2, clean: 1 },
      after: { attempts: 2, clean: 2 },
    },
  });
});
