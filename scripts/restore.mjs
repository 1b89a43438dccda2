import { runTypeScript } from "./lib/application.mjs";
import { withDatabase } from "./lib/database.mjs";
import { restore } from "./lib/dump.mjs";
import { backupPackages, prepareMachine } from "./lib/install.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";

/** A backup back into the database: npm run restore -- <file> [--replace]. */
await runMain(async () => {
  const [file, ...more] = process.argv.slice(2).filter((word) => word !== "--replace");
  if (!file || more.length) throw new PlainFailure("Say which file: npm run restore -- <file> [--replace]");
  await prepareMachine(backupPackages);
  await withDatabase(async (env) => {
    const tables = await restore(env, file, { replace: process.argv.includes("--replace") });
    // A backup from an older version has older tables.
    const { output } = await runTypeScript("prepare-database.ts", [], env);
    say(`Restored ${tables} tables from ${file}`);
    for (const line of output.trim().split("\n").filter(Boolean)) say(line);
  });
});
