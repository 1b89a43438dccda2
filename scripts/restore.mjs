import { runTypeScript } from "./lib/application.mjs";
import { withDatabase } from "./lib/database.mjs";
import { restore, tryOut } from "./lib/dump.mjs";
import { backupPackages, prepareMachine } from "./lib/install.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";

/** A backup back into the database, or tried out beside it and dropped again: npm run restore -- <file> [--replace | --try]. */
await runMain(async () => {
  const words = process.argv.slice(2);
  const [file, ...more] = words.filter((word) => !word.startsWith("--"));
  const [option, ...others] = words.filter((word) => word.startsWith("--"));
  if (!file || more.length || others.length || ![undefined, "--replace", "--try"].includes(option))
    throw new PlainFailure("Say which file: npm run restore -- <file> [--replace | --try]");
  await prepareMachine(backupPackages);
  await withDatabase(async (env) => {
    if (option === "--try") {
      const { tables, attempts, newest } = await tryOut(env, file);
      return say(
        `${file} comes back: ${tables} tables, ${attempts} attempts, the newest deed at ${newest || "no time"} UTC`,
      );
    }
    const tables = await restore(env, file, { replace: option === "--replace" });
    // A backup from an older version has older tables.
    const { output } = await runTypeScript("prepare-database.ts", [], env);
    say(`Restored ${tables} tables from ${file}`);
    for (const line of output.trim().split("\n").filter(Boolean)) say(line);
  });
});
