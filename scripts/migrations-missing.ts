import { database, migrationsMissing } from "@/server/database";

/** Says which migrations the database lacks, and fails if there are any or if it cannot be asked. */
async function main(): Promise<void> {
  const missing = await migrationsMissing(database()).catch((error: Error) => {
    throw new Error(`The database cannot be asked: ${error.message}`);
  });
  if (missing.length > 0)
    throw new Error(`The tables are not up to date (${missing.join(", ")}). Run npm run migrate first.`);
}

main()
  .catch((error: Error) => {
    console.error(error.message);
    process.exitCode = 1;
  })
  .finally(() => database().destroy());
