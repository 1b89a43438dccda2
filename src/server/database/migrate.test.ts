import { v7 as newId } from "uuid";
import { createDatabase, database, databaseAddress, migrateDown, migrateUp } from ".";
import * as kinds from "./migrations/0019-kinds";
import * as rise from "./migrations/0022-rise";

afterAll(() => database().destroy());

it("goes all the way up, down and up again, leaving nothing behind below", async () => {
  await createDatabase(databaseAddress());
  const tables = async () =>
    ((await database().raw("show tables"))[0] as object[])
      .map((row) => Object.values(row)[0] as string)
      .filter((name) => !name.startsWith("knex_"));
  await migrateDown(database());
  expect(await tables()).toEqual([]);
  expect(await migrateUp(database())).toContain("0001-first-dive");
  const made = await tables();
  expect(made).toEqual(
    expect.arrayContaining(["aircraft", "attempt", "coach", "milestone", "pilot", "session", "setup"]),
  );
  expect(await migrateUp(database())).toEqual([]);
  await migrateDown(database());
  expect(await tables()).toEqual([]);
  await migrateUp(database());
  expect(await tables()).toEqual(made);
});

it("deeds and reasons kept as sentences stay readable when kinds come, and are sentences again without them", async () => {
  await migrateUp(database());
  await kinds.down(database());
  const block = { kind: "main", stepId: "flip-slow", minutes: 4, firstDirection: null };
  const ids = { session_id: newId(), pilot_id: newId() };
  const deed = { id: newId(), at: new Date(0), who: "Ann Pell", deed: "signed-off" };
  const says = "signed off slow flip for Odo Fenn";
  await database().transaction(async (transaction) => {
    await transaction.raw("set foreign_key_checks = 0");
    const blocks = [
      { ...block, why: "Due again." },
      { ...block, why: "" },
    ];
    const plan = JSON.stringify({ blocks, turns: [0, 2] });
    await transaction("session_pilot").insert({ ...ids, position: 0, step_id: "flip-slow", plan });
    await transaction("trail").insert({ ...deed, says });
    await transaction.raw("set foreign_key_checks = 1");
  });
  const planOf = async () => {
    const { plan } = await database()("session_pilot").where(ids).first("plan");
    return typeof plan === "string" ? JSON.parse(plan) : plan;
  };
  try {
    await kinds.up(database());
    expect(await planOf()).toEqual({
      blocks: [
        { ...block, reason: { kind: "said", says: "Due again." } },
        { ...block, reason: null },
      ],
      turns: [0, 2],
    });
    expect(await database()("trail").where({ id: deed.id }).first()).toMatchObject({ says, done: null });
    const later = { ...deed, id: newId(), deed: "took-back" };
    await database()("trail").insert({ ...later, done: JSON.stringify({ kind: "took-back", step: "Slow flip" }) });
    await kinds.down(database());
    expect((await planOf()).blocks.map(({ why }: { why: string }) => why)).toEqual(["Due again.", ""]);
    expect((await database()("trail").where({ id: later.id }).first()).says).toBe("took back");
  } finally {
    await database()("trail").where({ who: deed.who }).delete();
    await database()("session_pilot").where(ids).delete();
    await kinds.up(database());
  }
});

it("names the second number of the first rate family rise, and back", async () => {
  await migrateUp(database());
  const id = newId();
  const now = { family: "base-rise", base: 1, expo: 0.1, rise: 0.7 };
  const cubic = { family: "end-cubic", endDps: 300, expo: 0.4 };
  const settingsOf = async () => {
    const { settings } = await database()("setup").where({ id }).first("settings");
    return (typeof settings === "string" ? JSON.parse(settings) : settings).rates;
  };
  await database().transaction(async (transaction) => {
    await transaction.raw("set foreign_key_checks = 0");
    const settings = JSON.stringify({ rates: { roll: now, pitch: cubic, yaw: cubic }, tiltDeg: 20 });
    const common = { aircraft_id: newId(), coach_id: newId(), number: 1, reason: "r", created_at: new Date(0) };
    await transaction("setup").insert({ id, settings, ...common });
    await transaction.raw("set foreign_key_checks = 1");
  });
  try {
    await rise.down(database());
    expect(await settingsOf()).toEqual({
      roll: { family: "base-super", base: 1, expo: 0.1, super: 0.7 },
      pitch: cubic,
      yaw: cubic,
    });
    await rise.up(database());
    expect(await settingsOf()).toEqual({ roll: now, pitch: cubic, yaw: cubic });
  } finally {
    await database()("setup").where({ id }).delete();
  }
});
