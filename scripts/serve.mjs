import { spawn } from "node:child_process";
import { join } from "node:path";
import { runTypeScript } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { prepareMachine } from "./lib/install.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";

/**
 * Serves the production build against the operator's own database: npm run serve. Everything comes from the environment, see docs/operate.md. It
 * ends with the application, and passes on the signal to stop.
 */
await runMain(async () => {
  for (const name of ["BATHYGON_DB_HOST", "BATHYGON_DB_USER", "BATHYGON_DB_NAME"])
    if (!process.env[name])
      throw new PlainFailure(
        `${name} is not set. Name the database; docs/operate.md has the table of the environment.`,
      );
  await prepareMachine({});
  const build = await ensureBuild();
  const { code, output } = await runTypeScript("migrations-missing.ts", [], {}, { allowFailure: true });
  if (code !== 0) throw new PlainFailure(output.trim());
  const port = process.env.PORT ?? "3000";
  const host = process.env.HOSTNAME ?? "127.0.0.1";
  say(`Serving on http://${host}:${port}`);
  const heap = process.env.BATHYGON_HEAP_MB ?? "256";
  const child = spawn(process.execPath, [`--max-old-space-size=${heap}`, join(build, "start.cjs")], {
    cwd: build,
    env: { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1", HOSTNAME: host, PORT: port },
    stdio: "inherit",
  });
  for (const signal of ["SIGTERM", "SIGINT", "SIGHUP"])
    process.on(signal, () => child.kill(signal === "SIGHUP" ? "SIGTERM" : signal));
  process.exitCode = await new Promise((done) => child.once("exit", (ended, by) => done(by ? 1 : ended)));
});
