import { createDatabase, database, databaseAddress, migrateDown, migrateUp } from "@/server/database";

/** Empties this test worker's database and makes its tables anew before the tests of a file; lets go of it afterwards. */
export function withFreshDatabase(): void {
  beforeAll(async () => {
    await createDatabase(databaseAddress());
    await migrateDown(database());
    await migrateUp(database());
  });
  afterAll(async () => {
    await database().destroy();
  });
}
