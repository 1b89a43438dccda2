/** @jest-environment node */
import { execFile } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { gunzipSync, gzipSync } from "node:zlib";
import { connect, createDatabase, databaseAddress } from "@/server/database";

const root = join(__dirname, "..");
const runFile = promisify(execFile);
const place = mkdtempSync(join(tmpdir(), "bathygon-backup-"));
const file = join(place, "all.sql.gz");
afterAll(() => rmSync(place, { recursive: true, force: true }));

type Env = Record<string, string>;
const here: Env = { BATHYGON_DB_NAME: `bathygon_backup_${process.pid}` };
const node = (args: string[], env: Env) =>
  runFile(process.execPath, args, { cwd: root, env: { ...process.env, ...env } });
const typescript = ["--conditions=react-server", "--import", "tsx"];

/** Every row of every table, and how each table is made. */
async function everything(env: Env): Promise<unknown> {
  const database = connect(databaseAddress({ ...process.env, ...env }));
  try {
    const [tables] = (await database.raw("show tables")) as [object[]];
    const found: Record<string, unknown> = {};
    for (const row of tables) {
      const name = Object.values(row)[0] as string;
      const [[{ "Create Table": made }]] = (await database.raw("show create table ??", [name])) as [
        [{ "Create Table": string }],
      ];
      const rows = (await database(name)).map((one: object) => JSON.stringify(one)).sort();
      found[name] = [made.replace(/AUTO_INCREMENT=\d+ /, ""), rows];
    }
    return found;
  } finally {
    await database.destroy();
  }
}

/** Runs `work` with a new, empty server of its own. */
async function onEmptyServer(work: (env: Env) => Promise<void>): Promise<void> {
  const folder = join(place, "other");
  mkdirSync(folder);
  const lines = `
    import { startMariaDb } from ${JSON.stringify(join(root, "scripts/lib/mariadb.mjs"))};
    const database = await startMariaDb(${JSON.stringify(folder)}, { throwAway: true });
    console.log("at " + JSON.stringify(database.env));
    process.stdin.on("end", () => database.stop().then(() => process.exit(0))).resume();`;
  const running = runFile(process.execPath, ["--input-type=module", "-e", lines], { cwd: root });
  const env = await new Promise<Env>((done, fail) => {
    let text = "";
    running.child.stdout!.on("data", (chunk: string) => {
      text += chunk;
      const found = /^at (.*)$/m.exec(text);
      if (found) done(JSON.parse(found[1]) as Env);
    });
    running.catch(fail);
  });
  try {
    await work(env);
  } finally {
    running.child.stdin!.end();
    await running;
  }
}

it("the whole database goes into one file and comes back the same on an empty server; a bad file changes nothing", async () => {
  await createDatabase(databaseAddress({ ...process.env, ...here }));
  await node([...typescript, "scripts/prepare-database.ts", "--demo", "--recordings=1"], {
    ...here,
    BATHYGON_DEMO_PASSWORD: "four plain words here",
  });
  const before = await everything(here);
  expect(Object.keys(before as object).length).toBeGreaterThan(15);
  await node(["scripts/backup.mjs", file], here);
  expect(statSync(file).mode & 0o077).toBe(0);
  await expect(node(["scripts/backup.mjs", file], here)).rejects.toMatchObject({
    stderr: expect.stringContaining("is there already and is not overwritten"),
  });
  const { stdout } = await node(["scripts/restore.mjs", file, "--try"], here);
  const attempts = (before as Record<string, [string, string[]]>).attempt[1].length;
  expect(stdout).toMatch(new RegExp(`comes back: \\d+ tables, ${attempts} attempts, the newest deed at 20`));
  expect(await everything(here)).toEqual(before);

  await onEmptyServer(async (env) => {
    const restore = (name: string, ...more: string[]) => node(["scripts/restore.mjs", join(place, name), ...more], env);
    await restore("all.sql.gz");
    expect(await everything(env)).toEqual(before);
    await expect(restore("all.sql.gz")).rejects.toMatchObject({ stderr: expect.stringContaining("say --replace") });

    const text = gunzipSync(readFileSync(file)).toString();
    writeFileSync(join(place, "cut.sql.gz"), gzipSync(text.slice(0, text.indexOf("-- Dump completed"))));
    // In the middle of the last line, which says what tables there were.
    writeFileSync(join(place, "cut-late.sql.gz"), gzipSync(text.slice(0, -100)));
    writeFileSync(join(place, "torn.sql.gz"), readFileSync(file).subarray(0, 3000));
    writeFileSync(join(place, "other.sql.gz"), gzipSync("create table x (y int);\n-- Dump completed\n"));
    writeFileSync(join(place, "broken.sql.gz"), gzipSync(text.replace("INSERT INTO `pilot`", "INSERT INTO `nobody`")));
    for (const [name, words] of [
      ["cut", "is cut off"],
      ["cut-late", "is cut off"],
      ["torn", "cannot be read as a backup"],
      ["other", "is not a backup of Bathygon"],
      ["broken", "nobody"],
      ["missing", "is not there"],
    ]) {
      await expect(restore(`${name}.sql.gz`, "--replace")).rejects.toMatchObject({
        stderr: expect.stringContaining(words),
      });
      expect(await everything(env)).toEqual(before);
    }
    await restore("all.sql.gz", "--replace");
    expect(await everything(env)).toEqual(before);
  });
}, 300_000);

it("whoever keeps the server makes a way back for a coach who forgot the password", async () => {
  const { stdout } = await node(["scripts/way-back.mjs", "maren tolvik"], here);
  expect(stdout).toMatch(/\/join#[\w-]{43}$/m);
  await expect(node(["scripts/way-back.mjs", "Nobody Atall"], here)).rejects.toMatchObject({
    stderr: expect.stringContaining("Nobody signs in here by the name"),
  });
});
