import { v7 as newId } from "uuid";
import { airframePresets, firstSettings, type Outcome, type Place } from "@/core";
import type { SignedIn } from "../accounts";
import {
  insertAircraft,
  insertAttempt,
  insertCoach,
  insertPilot,
  insertSession,
  insertSetup,
  insertSquad,
  inTransaction,
  setUndone,
} from "../repositories";

/** Minute, setup, step, direction, outcome, place. */
export type Flown = readonly [number, string, string, string, Outcome, Place];

/** A coach with one pilot, who has an aircraft with some setups and has flown one session. The last attempt is taken back. */
export async function onePilot(now: Date, setupIds: readonly string[], flown: readonly Flown[]) {
  const [squadId, coachId, pilotId, sessionId, aircraftId] = [newId(), newId(), newId(), newId(), newId()];
  await inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    await insertPilot(transaction, { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" }, now);
    const { airframe } = airframePresets["three-inch"];
    const aircraft = { id: aircraftId, pilotId, name: "Plank", presetId: "three-inch", airframe } as const;
    await insertAircraft(transaction, { ...aircraft, flightState: "flying" }, now);
    for (const [i, id] of setupIds.entries()) {
      const setup = { id, aircraftId, number: i + 1, settings: firstSettings, reason: "tried", coachId };
      await insertSetup(transaction, setup, now);
    }
    await insertSession(transaction, {
      ...{ id: sessionId, squadId, coachId, place: "field", startedAtMs: now.getTime() },
      pilots: [{ pilotId, stepId: "hang", setupId: null }],
    });
    for (const [i, [minute, setupId, stepId, direction, outcome, place]] of flown.entries()) {
      const attempt = { id: newId(), sessionId, pilotId, stepId, direction, outcome, place, setupId };
      const rest = { pack: 1, minutes: null, measured: {}, faults: [], atMs: now.getTime() + minute * 60_000 };
      await insertAttempt(transaction, { ...attempt, ...rest });
      if (i === flown.length - 1) await setUndone(transaction, attempt, now);
    }
  });
  return { who: { coachId } as SignedIn, pilotId, sessionId, aircraftId };
}
