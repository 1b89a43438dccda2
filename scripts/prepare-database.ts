import { connect, createDatabase, database, databaseAddress, migrateUp } from "@/server/database";
import { rebuildDigests } from "@/server/repositories";
import { loadDemo } from "./demo-data/load";
import { loadRecordings } from "./demo-data/recordings";

/**
 * Brings the tables up to date; with --create makes the database first, with --demo also loads the made-up camp into an empty database, and with
 * --recordings=1 no more than one of its recordings.
 */
async function main(): Promise<void> {
  if (process.argv.includes("--create")) await createDatabase(databaseAddress());
  const patient = connect(databaseAddress(), { longestStatementMs: null });
  const ran = await migrateUp(patient).finally(() => patient.destroy());
  console.log(ran.length ? `Tables brought up to date: ${ran.join(", ")}` : "Tables are up to date");
  const rebuilt = await rebuildDigests();
  if (rebuilt > 0) console.log(`Digests of ${rebuilt} steps made anew`);
  if (process.argv.includes("--demo")) {
    const password = process.env.BATHYGON_DEMO_PASSWORD;
    if (!password) throw new Error("BATHYGON_DEMO_PASSWORD is not set: the made-up coaches need a password");
    const now = new Date();
    if (!(await loadDemo(now, password))) return console.log("Demo data is already there");
    const most = process.argv.find((one) => one.startsWith("--recordings="))?.slice("--recordings=".length);
    const recordings = await loadRecordings(now, most === undefined ? Infinity : Number(most));
    console.log(`Demo data loaded, with ${recordings} recordings`);
  }
}

main()
  .catch((error) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(() => database().destroy());
