import { v7 as newId } from "uuid";
import { runAction, type Asker } from "@/server/actions";
import { requirePilotRecord } from "@/server/files";
import { loadProgress } from "@/server/progress";
import {
  findPilot,
  insertCoach,
  insertPilot,
  insertSquad,
  inTransaction,
  listMilestones,
  listTrail,
  readRecord,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { builtInSyllabus, currentStepOf, pathOf } from "@/syllabus";
import { pilotActions } from "./actions";

withFreshDatabase();

const coach = { id: newId(), name: "Ann Pell" };
const squadId = newId();
const pilot = { id: newId(), squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" } as const;
const asker: Asker = {
  identify: async () => ({ signInId: "s", accountId: "a", name: coach.name, coachId: coach.id, pilotId: null }),
  address: "local",
  device: "",
  requestId: "r",
  setToken: async () => {},
};
const send = (action: "place-pilot" | "unplace-pilot" | "sign-off", input: object) =>
  runAction(pilotActions[action] as never, async () => ({ pilotId: pilot.id, ...input }), asker);
const way = pathOf(builtInSyllabus, "eyes-first").filter(({ optional }) => !optional);
const before = way.findIndex(({ id }) => id === "flip-slow");
const at = async () => currentStepOf((await loadProgress([(await findPilot(pilot.id))!])).get(pilot.id)!)?.id;

beforeAll(() =>
  inTransaction(async (transaction) => {
    const now = new Date();
    await insertCoach(transaction, coach, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coach.id }, now);
    await insertPilot(transaction, pilot, now);
  }),
);

it("places who comes with experience: everything before on their way is signed off at once, and all of it is taken back", async () => {
  expect(await at()).toBe(way[0].id);
  await send("sign-off", { id: newId(), stepId: way[2].id, note: "" });
  const placing = { id: newId(), stepId: "flip-slow" };
  expect(await send("place-pilot", placing)).toMatchObject({ ok: true, data: { count: before - 1 } });
  expect(await at()).toBe("flip-slow");
  // The same sent twice signs nothing off again.
  expect(await send("place-pilot", placing)).toMatchObject({ ok: true, data: { count: 0 } });
  const milestones = await listMilestones([pilot.id]);
  expect(milestones).toHaveLength(before);
  expect(milestones.filter(({ evidence }) => evidence.sentence?.includes("placed at slow flip"))).toHaveLength(
    before - 1,
  );
  // It goes out and comes in again like any record.
  const record = JSON.parse(JSON.stringify(await readRecord(pilot.id, new Date()))) as unknown;
  expect(requirePilotRecord(record, builtInSyllabus).milestones).toHaveLength(before);
  expect(await send("unplace-pilot", placing)).toMatchObject({ ok: true, data: { count: before - 1 } });
  // What a coach saw stays.
  expect((await listMilestones([pilot.id])).map(({ stepId }) => stepId)).toEqual([way[2].id]);
  const kinds = (await listTrail([squadId], { limit: 10 })).map(({ done }) => done.kind);
  expect(kinds).toEqual(expect.arrayContaining(["placed", "unplaced"]));
});

it("refuses a step that is not on the pilot's way", async () => {
  expect(await send("place-pilot", { id: newId(), stepId: "level-hover" })).toMatchObject({
    ok: false,
    fields: { stepId: "That step is not on this pilot's way." },
  });
});
