import { runTypeScript } from "./lib/application.mjs";
import { withDatabase } from "./lib/database.mjs";
import { databasePackages, prepareMachine } from "./lib/install.mjs";
import { runMain, say } from "./lib/say.mjs";

/** Brings the tables of the database that BATHYGON_DB_* names up to date, or the demo's: npm run migrate. Twice changes nothing. */
await runMain(async () => {
  await prepareMachine(process.env.BATHYGON_DB_HOST ? {} : databasePackages);
  const { output } = await withDatabase((env) => runTypeScript("prepare-database.ts", [], env));
  for (const line of output.trim().split("\n").filter(Boolean)) say(line);
});
