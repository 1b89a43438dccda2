import { spawn } from "node:child_process";
import { existsSync, mkdtempSync, openSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { findCommand } from "./install.mjs";
import { answers, freePort, pause, run, stopChild, stopLeftover } from "./processes.mjs";
import { PlainFailure, say } from "./say.mjs";
import { keptSecret } from "./secrets.mjs";

const QUICK_DEATH_MS = 3000;

/** Settings that keep a small server small. */
const FRUGAL = [
  "--innodb-buffer-pool-size=64M",
  "--innodb-log-file-size=32M",
  "--key-buffer-size=2M",
  "--max-connections=60",
  "--table-open-cache=256",
  "--performance-schema=OFF",
];

/** For data that a test throws away: no waiting for the disk. */
const THROW_AWAY = [
  "--innodb-flush-log-at-trx-commit=0",
  "--innodb-flush-method=nosync",
  "--innodb-doublewrite=OFF",
  "--sync-frm=OFF",
];

/**
 * Starts a MariaDB server of our own on a free port of 127.0.0.1 with its data in `folder`, and waits until it answers.
 * Any other server on the machine is left alone: no shared configuration, socket, port or data.
 * Returns the environment that leads to it and how to stop it.
 */
export async function startMariaDb(folder, { throwAway = false, port: wantedPort } = {}) {
  const data = join(folder, "data");
  const pidFile = join(folder, "mariadb.pid");
  const asUser = process.getuid?.() === 0 ? ["--user=root"] : [];
  await clearLeftover(pidFile, data);
  if (!existsSync(join(data, "mysql"))) {
    say("Making the database's data folder");
    await run(findCommand("mariadb-install-db"), [
      "--no-defaults",
      `--datadir=${data}`,
      "--auth-root-authentication-method=normal",
      "--skip-test-db",
      ...asUser,
    ]);
  }
  const password = keptSecret(join(folder, "password"));
  // Read at every start: makes the account and takes the password-less one away.
  const initFile = join(folder, "init.sql");
  writeFileSync(
    initFile,
    [
      "CREATE DATABASE IF NOT EXISTS bathygon CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;",
      `CREATE OR REPLACE USER 'bathygon'@'127.0.0.1' IDENTIFIED BY '${password}';`,
      "GRANT ALL PRIVILEGES ON `bathygon%`.* TO 'bathygon'@'127.0.0.1';",
      "DROP USER IF EXISTS ''@'localhost';",
      `ALTER USER IF EXISTS 'root'@'localhost' IDENTIFIED BY '${password}';`,
      "",
    ].join("\n"),
    { mode: 0o600 },
  );
  const port = wantedPort ?? (await freePort());
  const socketFolder = mkdtempSync(join(tmpdir(), "bathygon-db-"));
  const logFile = join(folder, "mariadb.log");
  const log = openSync(logFile, "a", 0o600);
  const settings = [
    "--no-defaults",
    `--datadir=${data}`,
    `--socket=${join(socketFolder, "s")}`,
    `--pid-file=${pidFile}`,
    `--port=${port}`,
    `--init-file=${initFile}`,
    "--bind-address=127.0.0.1",
    "--skip-name-resolve",
    "--character-set-server=utf8mb4",
    "--collation-server=utf8mb4_unicode_ci",
    ...FRUGAL,
    ...(throwAway ? THROW_AWAY : []),
    ...asUser,
  ];
  let stopping = false;
  // A process group of its own, so that Ctrl-C reaches it only through us, after the application has let go.
  const launch = () => spawn(findCommand("mariadbd"), settings, { stdio: ["ignore", log, log], detached: true });
  const server = { child: launch() };
  await untilAnswering(server.child, port, logFile);

  /** A server that dies by itself is started again on the same port and data; one that dies at once is left dead. */
  const watch = (startedAt) =>
    server.child.once("exit", async () => {
      if (stopping) return;
      if (Date.now() - startedAt < QUICK_DEATH_MS) return say(`The database keeps ending by itself; see ${logFile}`);
      say("The database ended by itself; starting it again");
      server.child = launch();
      watch(Date.now());
      await untilAnswering(server.child, port, logFile).catch((error) => say(error.message));
    });
  watch(Date.now() - QUICK_DEATH_MS);
  return {
    get pid() {
      return server.child.pid;
    },
    env: {
      BATHYGON_DB_HOST: "127.0.0.1",
      BATHYGON_DB_PORT: String(port),
      BATHYGON_DB_USER: "bathygon",
      BATHYGON_DB_PASSWORD: password,
      BATHYGON_DB_NAME: "bathygon",
    },
    stop: async () => {
      stopping = true;
      await stopChild(server.child, 20_000);
      rmSync(socketFolder, { recursive: true, force: true });
    },
  };
}

async function untilAnswering(child, port, logFile) {
  const ended = new Promise((done) => child.once("exit", done));
  for (let waited = 0; !(await answers(port)); waited += 50) {
    if (child.exitCode !== null || waited > 30_000) {
      const lastWords = readFileSync(logFile, "utf8").split("\n").slice(-12).join("\n");
      throw new PlainFailure(`MariaDB did not start. Its last words:\n${lastWords}`);
    }
    await Promise.race([pause(50), ended]);
  }
}

/** Stops a server that an interrupted run left on this very data folder; drops a pid file whose process is gone. */
async function clearLeftover(pidFile, data) {
  if (!existsSync(pidFile)) return;
  const stopped = await stopLeftover(Number(readFileSync(pidFile, "utf8")), data);
  say(stopped ? "Stopped a database that an earlier run left behind" : "Dropped a stale pid file of the database");
  rmSync(pidFile, { force: true });
}
