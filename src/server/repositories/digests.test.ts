import fc from "fast-check";
import { v7 as newId } from "uuid";
import { digestOf, recentOf, type Outcome } from "@/core";
import { database } from "@/server/database";
import { withFreshDatabase } from "../testing/fresh-database";
import {
  insertAttempt,
  insertCoach,
  insertPilot,
  insertSession,
  insertSquad,
  inTransaction,
  listFlown,
  listFlownBriefly,
  listStepAttempts,
  rebuildDigests,
  setUndone,
  updateAttempt,
} from ".";

withFreshDatabase();

const [squadId, coachId, pilotId, sessionId] = [newId(), newId(), newId(), newId()];
const now = new Date("2026-03-01T10:00:00Z");
beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    await insertPilot(transaction, { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" }, now);
    await insertSession(transaction, {
      id: sessionId,
      squadId,
      coachId,
      place: "field",
      startedAtMs: now.getTime(),
      pilots: [{ pilotId, stepId: "hang", setupId: null }],
    });
  }),
);

const attempt = (stepId: string, atMs: number, outcome: Outcome = "clean") => ({
  id: newId(),
  sessionId,
  pilotId,
  stepId,
  direction: atMs % 2 ? "right" : "left",
  outcome,
  place: "field" as const,
  setupId: null,
  pack: 1,
  minutes: null,
  measured: {},
  faults: ["throttle-open"],
  atMs: now.getTime() + atMs,
});

/** The digest says what all attempts that stand say. */
async function expectTrue(stepId: string): Promise<void> {
  const attempts = await listStepAttempts(pilotId, stepId);
  const kept = (await listFlown([pilotId])).get(pilotId)!.get(stepId);
  if (attempts.length === 0) return expect(kept).toBeUndefined();
  expect(kept!.digest).toEqual(JSON.parse(JSON.stringify(digestOf(attempts, "UTC"))));
  const told = ({
    direction,
    outcome,
    atMs,
    faults = [],
  }: {
    direction: string;
    outcome: string;
    atMs: number;
    faults?: readonly string[];
  }) => [direction, outcome, atMs, faults];
  expect(kept!.recent.map(told)).toEqual(recentOf(attempts).map(told));
}

it("follows whatever is logged, taken back, changed and brought back, in any order", async () => {
  const deed = fc.record({
    what: fc.constantFrom("log", "undo", "restore", "fault"),
    step: fc.constantFrom("hang", "roll-pure"),
    at: fc.integer({ min: 0, max: 1e9 }),
    outcome: fc.constantFrom<Outcome>("clean", "rough", "crashed"),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { minLength: 1, maxLength: 8 }), async (deeds) => {
      const logged: ReturnType<typeof attempt>[] = [];
      for (const { what, step, at, outcome } of deeds) {
        const one = logged[at % Math.max(1, logged.length)];
        await inTransaction(async (transaction) => {
          if (what === "log" || !one) {
            const next = attempt(step, at, outcome);
            logged.push(next);
            await insertAttempt(transaction, next);
          } else if (what === "fault") await updateAttempt(transaction, one, { faults: ["lost-height"] });
          else await setUndone(transaction, one, what === "undo" ? now : null);
        });
      }
      await expectTrue("hang");
      await expectTrue("roll-pure");
    }),
    { numRuns: 12 },
  );
});

it("counts every one of many taps that come at once", async () => {
  const taps = Array.from({ length: 24 }, (_, i) => attempt("split-s", i));
  await Promise.all(taps.map((tap) => inTransaction((transaction) => insertAttempt(transaction, tap))));
  await expectTrue("split-s");
  expect((await listFlown([pilotId])).get(pilotId)!.get("split-s")!.digest.attempts).toBe(24);
});

it("is made anew where it is missing or of another shape, and left alone where it is right", async () => {
  await database()("step_digest").where({ step_id: "split-s" }).delete();
  await database()("step_digest").where({ step_id: "hang" }).update({ format: 0, digest: "{}" });
  expect(await rebuildDigests()).toBe(2);
  expect(await rebuildDigests()).toBe(0);
  await expectTrue("split-s");
  await expectTrue("hang");
});

it("reads for a squad the recent attempts of the steps asked for only, and of what is known only that it is the same", async () => {
  const look = async () => {
    let queries = 0;
    const count = () => queries++;
    database().on("query", count);
    const flown = (await listFlownBriefly([pilotId], () => [[pilotId, "split-s"]])).get(pilotId)!;
    database().removeListener("query", count);
    return { flown, queries };
  };
  const first = await look();
  expect(first.queries).toBe(3);
  expect(first.flown.get("split-s")!.recent).toHaveLength(24);
  expect(first.flown.get("hang")!.recent).toEqual([]);
  expect(first.flown.get("hang")!.digest.attempts).toBeGreaterThan(0);
  const again = await look();
  expect(again.queries).toBe(1);
  expect(again.flown).toBe(first.flown);
  // A fault noted afterwards changes no count; what else the step holds stays what was read.
  const [oldest] = await listStepAttempts(pilotId, "split-s");
  await inTransaction((transaction) => updateAttempt(transaction, oldest, { faults: ["late-stop"] }));
  const noted = (await look()).flown;
  expect(noted.get("split-s")!.recent[0].faults).toEqual(["late-stop"]);
  expect(noted.get("split-s")!.digest).toBe(first.flown.get("split-s")!.digest);
  expect((await listFlown([pilotId])).get(pilotId)!.get("split-s")!.recent[0].faults).toEqual(["late-stop"]);
});
