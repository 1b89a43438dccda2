import { spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { findCommand } from "./install.mjs";
import { startMariaDb } from "./mariadb.mjs";
import { own } from "./paths.mjs";
import { answers } from "./processes.mjs";
import { PlainFailure } from "./say.mjs";

/** Where a running demo leaves word of its database. */
export const addressFileOf = (databaseFolder) => join(databaseFolder, "address.json");

/**
 * Runs `work` with the environment that leads to the database: the one that BATHYGON_DB_* names, else the demo's, which is started for the time
 * of the work when it does not run.
 */
export async function withDatabase(work) {
  if (process.env.BATHYGON_DB_HOST || process.env.BATHYGON_DB_PORT || process.env.BATHYGON_DB_NAME)
    return work(named());
  const folder = join(own, "demo", "database");
  if (!existsSync(join(folder, "data")))
    throw new PlainFailure(
      "There is no database here. Run the demo once, or name one with BATHYGON_DB_HOST and so on.",
    );
  const file = addressFileOf(folder);
  if (existsSync(file)) {
    const env = JSON.parse(readFileSync(file, "utf8"));
    if (await answers(Number(env.BATHYGON_DB_PORT))) return work(env);
  }
  const database = await startMariaDb(folder);
  try {
    return await work(database.env);
  } finally {
    await database.stop();
  }
}

const named = () => ({
  BATHYGON_DB_HOST: process.env.BATHYGON_DB_HOST ?? "127.0.0.1",
  BATHYGON_DB_PORT: process.env.BATHYGON_DB_PORT ?? "3306",
  BATHYGON_DB_USER: process.env.BATHYGON_DB_USER ?? "bathygon",
  BATHYGON_DB_PASSWORD: process.env.BATHYGON_DB_PASSWORD_FILE
    ? readFileSync(process.env.BATHYGON_DB_PASSWORD_FILE, "utf8").replace(/\r?\n$/, "")
    : (process.env.BATHYGON_DB_PASSWORD ?? ""),
  BATHYGON_DB_NAME: process.env.BATHYGON_DB_NAME ?? "bathygon",
});

/**
 * Starts one of MariaDB's own client programs on the database. The password goes in a file that only its owner reads, never on the command
 * line. Returns the child with its streams, and a promise that fails with the program's last words.
 */
export function startClient(program, env, args) {
  const folder = mkdtempSync(join(tmpdir(), "bathygon-client-"));
  const options = join(folder, "options");
  const quoted = env.BATHYGON_DB_PASSWORD.replaceAll("\\", "\\\\").replaceAll('"', '\\"');
  writeFileSync(options, `[client]\npassword="${quoted}"\n`, { mode: 0o600 });
  const connection = [
    `--defaults-file=${options}`,
    "--protocol=tcp",
    `--host=${env.BATHYGON_DB_HOST}`,
    `--port=${env.BATHYGON_DB_PORT}`,
    `--user=${env.BATHYGON_DB_USER}`,
    "--default-character-set=utf8mb4",
    ...(process.env.BATHYGON_DB_TLS === "on" ? ["--ssl", "--ssl-verify-server-cert"] : []),
    ...(process.env.BATHYGON_DB_CA_FILE ? [`--ssl-ca=${process.env.BATHYGON_DB_CA_FILE}`] : []),
  ];
  const child = spawn(findCommand(program), [...connection, ...args], { stdio: ["pipe", "pipe", "pipe"] });
  let words = "";
  child.stderr.on("data", (chunk) => (words += chunk));
  const ended = new Promise((done, fail) => {
    child.once("error", fail);
    child.once("close", (code) => {
      rmSync(folder, { recursive: true, force: true });
      if (code === 0) done();
      else fail(new PlainFailure(`${program} failed: ${words.trim().split("\n").slice(-5).join("\n")}`));
    });
  });
  // Whoever awaits it gets the failure; until then it is not unheard.
  ended.catch(() => {});
  return { child, ended };
}

/** Runs one statement and returns its rows, as columns parted by tabs. */
export async function query(env, database, sql) {
  const { child, ended } = startClient("mariadb", env, [
    "--batch",
    "--skip-column-names",
    `--execute=${sql}`,
    database,
  ]);
  let output = "";
  child.stdout.on("data", (chunk) => (output += chunk));
  await ended;
  return output.split("\n").filter(Boolean);
}
