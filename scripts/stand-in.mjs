import { prepareMachine } from "./lib/install.mjs";
import { runMain, say } from "./lib/say.mjs";
import { startStandIn } from "./lib/stand-in.mjs";

/** Made-up aircraft on a line, for an application that runs elsewhere: npm run stand-in -- --origin=http://127.0.0.1:3000 [--port=4100]. */
await runMain(async () => {
  await prepareMachine({});
  const more = process.argv.slice(2);
  const origin = more.find((one) => one.startsWith("--origin="))?.slice("--origin=".length) ?? "http://127.0.0.1:3000";
  const { address, child } = await startStandIn(origin, more);
  say(`Made-up aircraft for pages of ${origin}. Start the application with`);
  console.log(`\n  BATHYGON_STAND_IN='${address}'\n`);
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
  await new Promise((done) => child.once("exit", done));
});
