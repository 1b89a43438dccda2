import { createReadStream, createWriteStream, existsSync, renameSync, rmSync, statSync } from "node:fs";
import { createInterface } from "node:readline";
import { pipeline } from "node:stream/promises";
import { createGunzip, createGzip } from "node:zlib";
import { query, startClient } from "./database.mjs";
import { PlainFailure } from "./say.mjs";

const LAST_LINE = "-- Dump completed";
/** After it: how many tables there were, and which. Backups from before the number was written say only which. */
const TABLES = "-- Tables: ";

/** A stream with something after its end. */
async function* endedBy(stream, end) {
  yield* stream;
  yield end;
}

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
    const tables = await tablesOf(env, env.BATHYGON_DB_NAME);
    const whole = endedBy(child.stdout, `${TABLES}${tables.length} ${tables.join(" ")}\n`);
    await Promise.all([pipeline(whole, createGzip(), createWriteStream(part, { mode: 0o600 })), ended]);
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
  const before = `${name}_before`;
  const there = await tablesOf(env, name);
  if (there.length > 0 && !replace) {
    throw new PlainFailure(
      `The database ${name} holds ${there.length} tables already. Nothing was changed. To put the backup in their place, say --replace.`,
    );
  }
  await makeAnew(env, tryOut);
  try {
    await load(env, tryOut, file);
    await requireTables(env, tryOut, file);
    if (there.length === 0) await query(env, "", `create database if not exists \`${name}\``);
    // What was tried out takes the place of what was there, all at once or not at all; nothing is loaded a second time.
    await makeAnew(env, before);
    const moved = (tables, from, to) => tables.map((table) => `\`${from}\`.\`${table}\` to \`${to}\`.\`${table}\``);
    const now = await tablesOf(env, tryOut);
    await query(env, "", `rename table ${[...moved(there, name, before), ...moved(now, tryOut, name)].join(", ")}`);
  } finally {
    await query(env, "", `drop database if exists \`${tryOut}\``);
    await query(env, "", `drop database if exists \`${before}\``);
  }
  return (await tablesOf(env, name)).length;
}

/**
 * Loads a backup beside the database, looks at what came, and drops it again: the database itself is only read. Returns how many tables and attempts there
 * were, and when the newest deed of its trail was done, as text. Fails plainly when the backup has nobody in it, or less than the database had when it was made.
 */
export async function tryOut(env, file) {
  if (!existsSync(file)) throw new PlainFailure(`${file} is not there.`);
  await requireWhole(file);
  const name = env.BATHYGON_DB_NAME;
  const beside = `${name}_nightly`;
  await makeAnew(env, beside);
  try {
    await load(env, beside, file);
    await requireTables(env, beside, file);
    const number = async (sql, database = beside) => Number((await query(env, database, sql))[0]);
    if ((await number("select count(*) from coach")) === 0) throw new PlainFailure(`${file} has no coach in it.`);
    const [newest] = await query(env, beside, "select coalesce(max(at), '') from trail");
    const done = `select count(*) from trail where at <= '${newest}'`;
    const [here, kept] = [await number(done, name), await number(done)];
    if (newest && kept < here)
      throw new PlainFailure(`${file} has ${kept} deeds until ${newest}, and the database has ${here}.`);
    return {
      tables: (await tablesOf(env, beside)).length,
      attempts: await number("select count(*) from attempt"),
      newest,
    };
  } finally {
    await query(env, "", `drop database if exists \`${beside}\``);
  }
}

/** An empty database of this name, whatever it held. */
async function makeAnew(env, name) {
  await query(env, "", `drop database if exists \`${name}\``);
  await query(env, "", `create database \`${name}\` character set utf8mb4 collate utf8mb4_unicode_ci`);
}

async function load(env, database, file) {
  const { child, ended } = startClient("mariadb", env, ["--batch", database]);
  const ends = await Promise.allSettled([ended, pipeline(createReadStream(file), createGunzip(), child.stdin)]);
  // A client that gives up leaves the pipe broken; what it says of the file comes before that.
  for (const end of ends) if (end.status === "rejected") throw end.reason;
}

const tablesOf = (env, name) =>
  query(env, "", `select table_name from information_schema.tables where table_schema = '${name}'`);

/** Fails plainly when a table that the backup says it has, or that another refers to, is not in it. */
async function requireTables(env, database, file) {
  const made = new Set(await tablesOf(env, database));
  const referred = await query(
    env,
    "",
    `select distinct referenced_table_name from information_schema.key_column_usage where table_schema = '${database}' and referenced_table_name is not null`,
  );
  const lacking = [...new Set([...(await tablesSaid(file)), ...referred])].filter((table) => !made.has(table));
  if (lacking.length > 0)
    throw new PlainFailure(`${file} lacks what it says it has: ${lacking.join(", ")}. Nothing was changed.`);
}

/** The tables a backup says it has; none for one from before backups said so. */
async function tablesSaid(file) {
  let said = [];
  const lines = createInterface({ input: createReadStream(file).pipe(createGunzip()), crlfDelay: Infinity });
  for await (const line of lines) if (line.startsWith(TABLES)) said = listedIn(line).tables;
  return said;
}

/** The tables of the line that lists them, and whether as many as it says. */
function listedIn(line) {
  const words = line.slice(TABLES.length).trim().split(" ");
  if (!/^\d+$/.test(words[0])) return { tables: words, whole: true };
  const [count, ...tables] = words;
  return { tables, whole: tables.length === Number(count) };
}

/** Fails plainly for a file that is no backup of this program, or not all of one. */
async function requireWhole(file) {
  const wrong = (what) => new PlainFailure(`${file} ${what}. Nothing was changed.`);
  let last = "";
  let ours = false;
  let whole = true;
  try {
    const lines = createInterface({ input: createReadStream(file).pipe(createGunzip()), crlfDelay: Infinity });
    for await (const line of lines) {
      if (line.startsWith("CREATE TABLE `knex_migrations`")) ours = true;
      if (line.startsWith(TABLES)) whole = listedIn(line).whole;
      else if (line) last = line.slice(0, 40);
    }
  } catch {
    throw wrong("cannot be read as a backup");
  }
  if (!ours) throw wrong("is not a backup of Bathygon");
  if (!whole || !last.startsWith(LAST_LINE)) throw wrong("is cut off");
}
