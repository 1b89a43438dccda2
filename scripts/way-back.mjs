import { runTypeScript } from "./lib/application.mjs";
import { withDatabase } from "./lib/database.mjs";
import { databasePackages, prepareMachine } from "./lib/install.mjs";
import { PlainFailure, runMain } from "./lib/say.mjs";

/** A one-time link to a new password, for whoever keeps the server: npm run way-back -- "<name to sign in by>". With
 * --without-code the second factor of who lost phone and recovery codes is turned off too. */
await runMain(async () => {
  const given = process.argv.slice(2);
  const [name] = given.filter((one) => !one.startsWith("--"));
  if (!name) throw new PlainFailure('Say whose: npm run way-back -- "Name to sign in by" [--without-code]');
  await prepareMachine(databasePackages);
  const { output } = await withDatabase((env) => runTypeScript("way-back.ts", given, env));
  console.log(output.trim());
});
