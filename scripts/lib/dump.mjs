import { createReadStream, createWriteStream, existsSync, renameSync, rmSync, statSync } from "node:fs";
import { createInterface } from "node:readline";
import { pipeline } from "node:stream/promises";
import { createGunzip, createGzip } from "node:zlib";
import { query, startClient } from "./database.mjs";
import { PlainFailure } from "./say.mjs";

const LAST_LINE = "-- Dump completed";

/** Writes the whole database, as of one moment, into one file that only its owner reads. The file appears when it is whole. */
export async function backUp(env, file) {
  if (existsSync(file)) throw new PlainFailure(`${file} is there already and is not overwritten.`);
  const part = `${file}.part`;
  const { child, ended } = startClient("mariadb-dump", env, [
    "--single-transaction",
    "--skip-lock-tables",
    "--no-tablespaces",
    "--hex-blob",
    "--tz-utc",
    env.BATHYGON_DB_NAME,
  ]);
  try {
    await Promise.all([pipeline(child.stdout, createGzip(), createWriteStream(part, { mode: 0o600 })), ended]);
    await requireWhole(part);
    renameSync(part, file);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
  return statSync(file).size;
}

/**
 * Puts a backup into a database. The file is tried out beside it first, so that a bad one changes nothing; a database that holds anything is
 * left alone unless `replace` is true.
 */
export async function restore(env, file, { replace = false } = {}) {
  if (!existsSync(file)) throw new PlainFailure(`${file} is not there.`);
  await requireWhole(file);
  const name = env.BATHYGON_DB_NAME;
  const tryOut = `${name}_tryout`;
  const there = await tablesOf(env, name);
  if (there.length > 0 && !replace) {
    throw new PlainFailure(
      `The database ${name} holds ${there.length} tables already. Nothing was changed. To put the backup in their place, say --replace.`,
    );
  }
  const make = (database) =>
    query(env, "", `create database \`${database}\` character set utf8mb4 collate utf8mb4_unicode_ci`);
  await query(env, "", `drop database if exists \`${tryOut}\``);
  await make(tryOut);
  try {
    await load(env, tryOut, file);
    await query(env, "", `drop database if exists \`${name}\``);
    await make(name);
    await load(env, name, file);
  } finally {
    await query(env, "", `drop database if exists \`${tryOut}\``);
  }
  return (await tablesOf(env, name)).length;
}

async function load(env, database, file) {
  const { child, ended } = startClient("mariadb", env, ["--batch", database]);
  const ends = await Promise.allSettled([ended, pipeline(createReadStream(file), createGunzip(), child.stdin)]);
  // A client that gives up leaves the pipe broken; what it says of the file comes before that.
  for (const end of ends) if (end.status === "rejected") throw end.reason;
}

const tablesOf = (env, name) =>
  query(env, "", `select table_name from information_schema.tables where table_schema = '${name}'`);

/** Fails plainly for a file that is no backup of this program, or not all of one. */
async function requireWhole(file) {
  const wrong = (what) => new PlainFailure(`${file} ${what}. Nothing was changed.`);
  let last = "";
  let ours = false;
  try {
    const lines = createInterface({ input: createReadStream(file).pipe(createGunzip()), crlfDelay: Infinity });
    for await (const line of lines) {
      if (line.startsWith("CREATE TABLE `knex_migrations`")) ours = true;
      if (line) last = line.slice(0, 40);
    }
  } catch {
    throw wrong("cannot be read as a backup");
  }
  if (!ours) throw wrong("is not a backup of Bathygon");
  if (!last.startsWith(LAST_LINE)) throw wrong("is cut off");
}
