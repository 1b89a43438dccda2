import { createDatabase, database, databaseAddress, migrateUp, transact } from "@/server/database";

/** Makes the tables of this test worker's database where there are none yet, and empties them before the tests of a file; lets go of it afterwards. */
export function withFreshDatabase(): void {
  beforeAll(async () => {
    await createDatabase(databaseAddress());
    await migrateUp(database());
    await emptyTables();
  });
  afterAll(async () => {
    await database().destroy();
  });
}

/** Takes every row out: quicker than making the tables anew. */
async function emptyTables(): Promise<void> {
  await transact(async (transaction) => {
    const [rows] = (await transaction.raw("show full tables where table_type = 'BASE TABLE'")) as [object[]];
    const names = rows.map((row) => String(Object.values(row)[0])).filter((name) => !name.startsWith("knex_"));
    await transaction.raw("set foreign_key_checks = 0");
    try {
      for (const name of names) await transaction(name).delete();
    } finally {
      await transaction.raw("set foreign_key_checks = 1");
    }
  });
}
