import { v7 as newId } from "uuid";
import { database } from "../database";
import { withFreshDatabase } from "../testing/fresh-database";
import { inTransaction, insertCoach, insertPilot, insertSquad, leavePilotTrail, leaveTrail, listTrail } from ".";

const ids = { coach: newId(), squad: newId(), other: newId(), pilot: newId() };
const at = (minute: number) => new Date(Date.UTC(2026, 10, 28, 12, minute));
const leave = (minute: number, name: string, squadId = ids.squad) =>
  inTransaction((transaction) =>
    leaveTrail(transaction, { who: "Ann Pell", done: { kind: "named-squad", name }, squadId }, at(minute)),
  );

withFreshDatabase();
beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: ids.coach, name: "Ann Pell" }, at(0));
    for (const id of [ids.squad, ids.other])
      await insertSquad(transaction, { id, name: "Pans", ownerId: ids.coach }, at(0));
    const pilot = { id: ids.pilot, squadId: ids.squad, name: "Odo Fenn", stickMode: 2, grip: "thumbs" } as const;
    await insertPilot(transaction, pilot, at(0));
  }),
);
beforeEach(() => database()("trail").delete());

it("keeps who did what as a kind with its names, newest first, and no sentence", async () => {
  await leave(1, "Lower pans");
  await inTransaction((transaction) =>
    leavePilotTrail(
      transaction,
      { who: "Ann Pell", done: { kind: "signed-off", step: "Slow flip" }, pilotId: ids.pilot },
      at(2),
    ),
  );
  expect(await listTrail([ids.squad], { limit: 10 })).toMatchObject([
    {
      atMs: at(2).getTime(),
      pilotId: ids.pilot,
      pilotName: "Odo Fenn",
      done: { kind: "signed-off", step: "Slow flip" },
    },
    { atMs: at(1).getTime(), pilotId: null, pilotName: null, done: { kind: "named-squad", name: "Lower pans" } },
  ]);
  expect(await database()("trail").whereNotNull("says")).toEqual([]);
});

it("a line says the name of the moment, whatever the pilot is called later", async () => {
  const done = { kind: "changed-school" } as const;
  await inTransaction((transaction) =>
    leavePilotTrail(transaction, { who: "Ann Pell", done, pilotId: ids.pilot }, at(1)),
  );
  await database()("pilot").where({ id: ids.pilot }).update({ name: "Odo Marr" });
  expect((await listTrail([ids.squad], { limit: 1 }))[0].pilotName).toBe("Odo Fenn");
});

it("is read page by page, and by nobody else's squad", async () => {
  for (const minute of [1, 2, 3]) await leave(minute, `Name ${minute}`);
  await leave(4, "Theirs", ids.other);
  const names = async (limit: number, beforeMs?: number) =>
    (await listTrail([ids.squad], { limit, beforeMs })).map(({ done }) => ("name" in done ? done.name : ""));
  expect(await names(2)).toEqual(["Name 3", "Name 2"]);
  expect(await names(2, at(2).getTime())).toEqual(["Name 1"]);
  expect(await listTrail([], { limit: 10 })).toEqual([]);
});

it("a deed whose transaction fails leaves no line", async () => {
  await expect(
    inTransaction(async (transaction) => {
      await leaveTrail(transaction, { who: "Ann Pell", done: { kind: "left-squad" }, squadId: ids.squad }, at(1));
      throw new Error("and then the database was gone");
    }),
  ).rejects.toThrow("gone");
  expect(await listTrail([ids.squad], { limit: 10 })).toEqual([]);
});
