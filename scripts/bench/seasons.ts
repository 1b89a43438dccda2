import { v7 } from "uuid";
import { airframePresets, firstSettings, outcomes, seededRandom, type Outcome, type Place, DAY_MS } from "@/core";
import { database } from "@/server/database";
import type { LoggedAttempt } from "@/contract";
import {
  insertAttempts,
  insertMilestone,
  insertPilot,
  insertSession,
  inTransaction,
  insertAircraft,
  insertSetup,
  rebuildDigests,
  setSessionEnd,
} from "@/server/repositories";
import { builtInSyllabus, pathOf } from "@/syllabus";

/** How much is made: 30 pilots, three seasons of 80 flying days, 100,000 attempts. All of it is made up. */
const PILOTS = 30;
const DAYS = 240;
const ATTEMPTS_A_DAY = 14;

/** Fills a squad with three seasons of made-up flying. Returns how many attempts there are. */
async function fill(): Promise<number> {
  const random = seededRandom(7);
  const id = (ms: number) =>
    v7({
      msecs: ms,
      random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)),
      seq: Math.floor(random() * 2 ** 31),
    });
  const [squad, coach]: { id: string }[] = [
    await database()("squad").first("id"),
    await database()("coach").first("id"),
  ];
  const path = pathOf(builtInSyllabus, "eyes-first");
  const today = Math.floor(Date.now() / DAY_MS) * DAY_MS;
  const dayMs = (day: number) => today - Math.round(((DAYS - day) * 1000) / DAYS) * DAY_MS;
  const pilots = Array.from({ length: PILOTS }, (_, i) => ({
    id: id(dayMs(0)),
    name: `Made-up pilot ${i + 1}`,
    setup: id(dayMs(0) + 1),
    pace: 0.5 + random(),
  }));
  await inTransaction(async (transaction) => {
    for (const { id: pilotId, name, setup } of pilots) {
      const aircraftId = id(dayMs(0));
      await insertPilot(
        transaction,
        { id: pilotId, squadId: squad.id, name, stickMode: 2, grip: "thumbs" },
        new Date(dayMs(0)),
      );
      await insertAircraft(
        transaction,
        {
          id: aircraftId,
          pilotId,
          name: "Plank",
          presetId: "three-inch",
          airframe: airframePresets["three-inch"].airframe,
          flightState: "flying",
        },
        new Date(dayMs(0)),
      );
      await insertSetup(
        transaction,
        { id: setup, aircraftId, number: 1, settings: firstSettings, reason: "made up", coachId: coach.id },
        new Date(dayMs(0)),
      );
    }
  });
  let count = 0;
  for (let day = 0; day < DAYS; day++) {
    const sessionId = id(dayMs(day));
    const startedAtMs = dayMs(day) + 10 * 3_600_000;
    const attempts: Omit<LoggedAttempt, "undone">[] = [];
    const stepOf = ({ pace }: { pace: number }) =>
      path[Math.min(path.length - 1, Math.floor((pace * day * path.length) / DAYS / 1.2))];
    for (const pilot of pilots) {
      const step = stepOf(pilot);
      for (let n = 0; n < ATTEMPTS_A_DAY; n++) {
        const back = n % 5 === 4 && day > 10 ? (path[Math.floor(random() * path.indexOf(step))] ?? step) : step;
        attempts.push({
          id: id(startedAtMs),
          sessionId,
          pilotId: pilot.id,
          stepId: back.id,
          direction: back.directions[n % back.directions.length].id,
          outcome: (random() < 0.6 ? "clean" : outcomes[1 + Math.floor(random() * 3)]) as Outcome,
          place: (back.mark.kind === "in-places" ? back.mark.places[0] : "field") as Place,
          setupId: pilot.setup,
          pack: 1 + Math.floor(n / 4),
          minutes: null,
          measured: {},
          faults: [],
          atMs: startedAtMs + n * 120_000,
        });
      }
    }
    count += attempts.length;
    await inTransaction(async (transaction) => {
      await insertSession(transaction, {
        id: sessionId,
        squadId: squad.id,
        coachId: coach.id,
        place: "field",
        startedAtMs,
        pilots: pilots.map((pilot) => ({ pilotId: pilot.id, stepId: stepOf(pilot).id, setupId: pilot.setup })),
      });
      await insertAttempts(transaction, attempts);
      await setSessionEnd(transaction, sessionId, {
        at: new Date(startedAtMs + 3 * 3_600_000),
        byAccountId: null,
      });
    });
  }
  await inTransaction(async (transaction) => {
    for (const pilot of pilots) {
      const reached = Math.min(path.length - 1, Math.floor((pilot.pace * DAYS * path.length) / DAYS / 1.2));
      for (const step of path.slice(0, reached))
        await insertMilestone(transaction, {
          id: id(today),
          pilotId: pilot.id,
          coachId: coach.id,
          stepId: step.id,
          note: "",
          evidence: { advice: "advance", sentence: "Made up.", directions: [] },
          signedAtMs: today - DAY_MS,
        });
    }
  });
  await rebuildDigests();
  return count;
}

fill()
  .then((count) => console.log(`${count} attempts of ${PILOTS} pilots on ${DAYS} days`))
  .catch((error) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(() => database().destroy());
