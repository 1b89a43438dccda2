import { runTypeScript } from "./lib/application.mjs";
import { withDatabase } from "./lib/database.mjs";
import { databasePackages, prepareMachine } from "./lib/install.mjs";
import { PlainFailure, runMain } from "./lib/say.mjs";

/** A one-time link to a new password, for whoever keeps the server: npm run way-back -- "<name to sign in by>". */
await runMain(async () => {
  const [name] = process.argv.slice(2);
  if (!name) throw new PlainFailure('Say whose: npm run way-back -- "Name to sign in by"');
  await prepareMachine(databasePackages);
  const { output } = await withDatabase((env) => runTypeScript("way-back.ts", [name], env));
  console.log(output.trim());
});
