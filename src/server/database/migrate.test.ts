import { createDatabase, database, databaseAddress, migrateDown, migrateUp } from ".";

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
