import { join } from "node:path";
import { withDatabase } from "./lib/database.mjs";
import { backUp } from "./lib/dump.mjs";
import { backupPackages, prepareMachine } from "./lib/install.mjs";
import { ownFolder } from "./lib/paths.mjs";
import { runMain, say } from "./lib/say.mjs";

/** The whole database into one file: npm run backup -- [file]. */
await runMain(async () => {
  await prepareMachine(backupPackages);
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(":", "");
  const [file = join(ownFolder("backups"), `bathygon-${stamp}.sql.gz`)] = process.argv.slice(2);
  const bytes = await withDatabase((env) => backUp(env, file));
  say(`Backed up to ${file}, ${(bytes / 1024).toFixed(0)} kB`);
  say("It holds people's records: keep it where only you can read it, and delete it when its time is over");
});
