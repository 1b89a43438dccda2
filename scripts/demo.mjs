import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { runTypeScript, startApplication } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { addressFileOf } from "./lib/database.mjs";
import { databasePackages, prepareMachine } from "./lib/install.mjs";
import { startMariaDb } from "./lib/mariadb.mjs";
import { own, ownFolder } from "./lib/paths.mjs";
import { isAlive, portIsFree, stopLeftover } from "./lib/processes.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";
import { startStandIn } from "./lib/stand-in.mjs";
import { keptSecret, typablePassword } from "./lib/secrets.mjs";

const reset = process.argv.includes("--reset");
const port = Number(process.env.PORT ?? 3000);
const stops = [];
const MOST_STARTS_A_MINUTE = 5;
let stopping = null;

/** Stops what was started, last first; a second signal while stopping changes nothing. */
function stopAll() {
  stopping ??= (async () => {
    for (const stop of [...stops].reverse()) await stop();
  })();
  return stopping;
}

for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) {
  process.on(signal, async () => {
    if (!stopping) say("Stopping");
    await stopAll();
    say("Stopped");
    process.exit(0);
  });
}

await runMain(async () => {
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new PlainFailure(`PORT is ${process.env.PORT}; it wants a number from 1 to 65535.`);
  await prepareMachine(databasePackages);
  const folder = ownFolder("demo");
  const runningFile = join(folder, "running");
  if (existsSync(runningFile)) {
    const [pid, address, applicationPid] = readFileSync(runningFile, "utf8").split("\n");
    if (isAlive(Number(pid)) && Number(pid) !== process.pid)
      throw new PlainFailure(`The demo already runs at ${address} (process ${pid}). Stop that one first.`);
    say("An earlier run was cut off; clearing up after it");
    await stopLeftover(Number(applicationPid), own);
    rmSync(runningFile);
  }
  if (!(await portIsFree(port))) {
    throw new PlainFailure(
      `Port ${port} is taken. Stop what uses it, or choose another:\n  PORT=${port + 1} npm run demo`,
    );
  }
  writeFileSync(runningFile, `${process.pid}\nhttp://127.0.0.1:${port}\n`);
  stops.push(async () => rmSync(runningFile, { force: true }));
  try {
    const build = await ensureBuild();
    if (reset) {
      say("Removing the demo's database");
      rmSync(join(folder, "database"), { recursive: true, force: true });
    }
    say("Starting the database");
    const databaseFolder = ownFolder("demo", "database");
    const database = await startMariaDb(databaseFolder);
    stops.push(database.stop);
    const addressFile = addressFileOf(databaseFolder);
    writeFileSync(addressFile, JSON.stringify(database.env), { mode: 0o600 });
    stops.push(async () => rmSync(addressFile, { force: true }));
    const password = keptSecret(join(databaseFolder, "coach-password"), typablePassword);
    say("Bringing the tables up to date and loading the demo once");
    const { output } = await runTypeScript("prepare-database.ts", ["--demo"], {
      ...database.env,
      BATHYGON_DEMO_PASSWORD: password,
    });
    for (const line of output.trim().split("\n").filter(Boolean)) say(line);
    const standIn = await startStandIn(`http://127.0.0.1:${port}`);
    stops.push(standIn.stop);
    say("Starting the application");
    let application;
    const started = [];
    const start = async () => {
      application = await startApplication(build, port, { ...database.env, BATHYGON_STAND_IN: standIn.address });
      started.push(Date.now());
      writeFileSync(runningFile, `${process.pid}\n${application.address}\n${application.pid}\n`);
      application.child.once("exit", (code) => void again(code));
    };
    /** One that ends by itself is started again, but not one that ends again and again. */
    const again = async (code) => {
      if (stopping) return;
      console.error(`The application ended by itself (code ${code}).`);
      try {
        if (started.filter((at) => Date.now() - at < 60_000).length > MOST_STARTS_A_MINUTE)
          throw new PlainFailure("It ends again and again; stopping.");
        say("Starting it again");
        await start();
      } catch (error) {
        console.error(error.message);
        process.exitCode = 1;
        await stopAll();
        process.exit(1);
      }
    };
    await start();
    stops.push(() => application.stop());
    say("Bathygon is ready. Ctrl-C stops it.");
    console.log(`\n  ${application.address}\n`);
    console.log(
      `  Made-up sign-ins: the coaches Maren Tolvik and Edda Rusk, and the pilot Odalie Venn; the password of all: ${password}\n`,
    );
  } catch (error) {
    await stopAll();
    throw error;
  }
});
