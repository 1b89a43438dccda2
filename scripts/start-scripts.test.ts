/** @jest-environment node */
import { execFile, spawn } from "node:child_process";
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";

const root = join(__dirname, "..");
const runFile = promisify(execFile);
let place: string;

beforeEach(() => {
  place = mkdtempSync(join(tmpdir(), "bathygon-scripts-"));
});
afterEach(() => rmSync(place, { recursive: true, force: true }));

/** Runs lines of a module that imports from scripts/lib, and returns what it printed. */
async function play(lines: string): Promise<string> {
  const { stdout } = await runFile(process.execPath, ["--input-type=module", "-e", lines], { cwd: root });
  return stdout;
}
const lib = (name: string) => JSON.stringify(join(root, "scripts/lib", name));

it("the demo says plainly what is wrong with a port", async () => {
  for (const port of ["0", "70000", "abc"]) {
    await expect(
      runFile(process.execPath, ["scripts/demo.mjs"], { cwd: root, env: { ...process.env, PORT: port } }),
    ).rejects.toMatchObject({
      code: 1,
      stderr: expect.stringContaining(`PORT is ${port}; it wants a number from 1 to 65535.`),
    });
  }
});

it("knows a taken port from a free one", async () => {
  const server = createServer().listen(0, "127.0.0.1");
  await new Promise((done) => server.once("listening", done));
  const { port } = server.address() as { port: number };
  const ask = () =>
    play(
      `import { portIsFree, answers } from ${lib("processes.mjs")}; console.log(await portIsFree(${port}), await answers(${port}))`,
    );
  expect((await ask()).trim()).toBe("false true");
  await new Promise((done) => server.close(done));
  expect((await ask()).trim()).toBe("true false");
});

it("a lock lets one in at a time, and is taken over from an owner that is gone", async () => {
  const name = `test-${process.pid}`;
  const folder = join(root, ".bathygon/locks", name);
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, "pid"), "999999999");
  const output = await play(`
    import { withLock } from ${lib("lock.mjs")};
    const order = [];
    const work = (who) => withLock(${JSON.stringify(name)}, async () => {
      order.push(who + " in");
      await new Promise((done) => setTimeout(done, 50));
      order.push(who + " out");
    });
    await Promise.all([work("a"), work("b")]);
    console.log(order.join(", "));`);
  expect(output).toMatch(/a in, a out, b in, b out|b in, b out, a in, a out/);
  expect(existsSync(folder)).toBe(false);
});

it("stops a leftover process only if it works in the folder named", async () => {
  const sleeper = spawn("sleep", ["60"], { cwd: place });
  const stop = (folder: string) =>
    play(
      `import { stopLeftover } from ${lib("processes.mjs")}; console.log(await stopLeftover(${sleeper.pid}, ${JSON.stringify(folder)}))`,
    );
  expect((await stop(join(place, "elsewhere"))).trim()).toBe("false");
  expect(sleeper.exitCode).toBeNull();
  expect((await stop(place)).trim()).toBe("true");
  expect(
    (
      await play(
        `import { stopLeftover } from ${lib("processes.mjs")}; console.log(await stopLeftover(999999999, "/"))`,
      )
    ).trim(),
  ).toBe("false");
});

it("names the packages to install where there is no apt-get", async () => {
  const lines = `
    import { ensureDebianPackages } from ${lib("install.mjs")};
    import { runMain } from ${lib("say.mjs")};
    await runMain(() => ensureDebianPackages({ "no-such-command": "no-such-package" }));`;
  const outcome = runFile(process.execPath, ["--input-type=module", "-e", lines], {
    cwd: root,
    env: { NODE_ENV: "test", PATH: place },
  });
  await expect(outcome).rejects.toMatchObject({
    stderr: expect.stringContaining("Missing: no-such-package. There is no apt-get here"),
  });
});

it("explains a full disk and missing permission instead of showing a stack", async () => {
  const failing = (code: string) => {
    const lines = `
      import { runMain } from ${lib("say.mjs")};
      await runMain(() => { throw Object.assign(new Error("x"), { code: ${JSON.stringify(code)}, path: "/somewhere" }); });`;
    return runFile(process.execPath, ["--input-type=module", "-e", lines], { cwd: root });
  };
  await expect(failing("ENOSPC")).rejects.toMatchObject({ stderr: expect.stringContaining("The disk is full") });
  await expect(failing("EACCES")).rejects.toMatchObject({
    stderr: expect.stringContaining("No permission for /somewhere"),
  });
});

it("a database of our own starts on loopback with a password, is started again when it dies, and stops when asked", async () => {
  const folder = join(place, "db");
  mkdirSync(folder);
  const output = await play(
    `
    import { startMariaDb } from ${lib("mariadb.mjs")};
    import { answers, pause } from ${lib("processes.mjs")};
    const database = await startMariaDb(${JSON.stringify(folder)});
    const first = database.pid;
    const port = Number(database.env.BATHYGON_DB_PORT);
    process.kill(first, "SIGKILL");
    for (let waited = 0; (database.pid === first || !(await answers(port))) && waited < 15000; waited += 100) await pause(100);
    console.log("again", database.pid !== first && (await answers(port)), database.env.BATHYGON_DB_PASSWORD.length >= 32);
    await database.stop();
    console.log("stopped", !(await answers(port)));`,
  );
  expect(output).toContain("again true true");
  expect(output).toContain("stopped true");
  expect(readFileSync(join(folder, "init.sql"), "utf8")).toContain("'bathygon'@'127.0.0.1'");
}, 60_000);

it("ships nothing whose licence asks for more than its text, and the text of what asks for it", async () => {
  const lines = `import { mayBeShipped, shippedPackages } from ${lib("licences.mjs")};
    console.log(JSON.stringify([mayBeShipped, shippedPackages()]));`;
  const [may, shipped] = JSON.parse(await play(lines)) as [string[], { name: string; licence: string; text: string }[]];
  expect(shipped.length).toBeGreaterThan(100);
  // These do not name it as others do: the first has its MIT text, the second that of two clauses, the last says MIT in its read-me.
  const unsaid = shipped.filter(({ licence }) => !may.includes(licence));
  expect(unsaid.map(({ name }) => name)).toEqual(["png-js", "suncalc", "webgl-constants"]);
  expect(unsaid[0].text).toContain("Permission is hereby granted, free of charge");
  expect(unsaid[1].text).toContain("Redistribution and use in source and binary forms, with or without modification");
  const fonts = shipped.filter(({ licence }) => licence === "OFL-1.1");
  expect(fonts).toHaveLength(4);
  for (const { text } of fonts) expect(text).toContain("SIL OPEN FONT LICENSE");
});

it("serve says what is missing of the environment before it does anything", async () => {
  const bare = Object.fromEntries(Object.entries(process.env).filter(([name]) => !name.startsWith("BATHYGON_DB_")));
  const serve = (env: Record<string, string>) =>
    runFile(process.execPath, ["scripts/serve.mjs"], { cwd: root, env: { ...bare, ...env } as NodeJS.ProcessEnv });
  await expect(serve({})).rejects.toMatchObject({
    code: 1,
    stderr: expect.stringContaining("BATHYGON_DB_HOST is not set"),
  });
  await expect(serve({ BATHYGON_DB_HOST: "127.0.0.1" })).rejects.toMatchObject({
    stderr: expect.stringContaining("BATHYGON_DB_USER is not set"),
  });
});

it("reads the password from a file, and wants to know plainly whether the connection is sealed", async () => {
  const file = join(place, "password");
  writeFileSync(file, "brine-fog\n");
  const { databaseAddress } = await import("@/server/database");
  const env = (more: Record<string, string>) => ({ NODE_ENV: "test", ...more }) as NodeJS.ProcessEnv;
  expect(databaseAddress(env({ BATHYGON_DB_PASSWORD_FILE: file }))).toMatchObject({ password: "brine-fog", tls: null });
  expect(databaseAddress(env({ BATHYGON_DB_TLS: "on" })).tls).toEqual({});
  expect(databaseAddress(env({ BATHYGON_DB_TLS: "on", BATHYGON_DB_CA_FILE: file })).tls).toEqual({ ca: "brine-fog\n" });
  expect(() => databaseAddress(env({ BATHYGON_DB_TLS: "maybe" }))).toThrow("BATHYGON_DB_TLS is maybe; it is on or off");
});

it("known weaknesses stop the run where they are grave, and a registry that is silent stops nothing", async () => {
  const answering = async (answer: string, code: number) => {
    writeFileSync(join(place, "npm"), `#!/bin/sh\ncat <<'E'\nnpm warn something\n${answer}\nE\nexit ${code}\n`, {
      mode: 0o755,
    });
    return runFile(process.execPath, ["scripts/audit.mjs"], {
      cwd: root,
      env: { ...process.env, PATH: `${place}:${process.env.PATH}` },
    });
  };
  const found = (counts: object) =>
    JSON.stringify({ metadata: { vulnerabilities: { high: 0, critical: 0, ...counts } } });
  await expect(answering(found({ high: 2, moderate: 1, total: 3 }), 1)).rejects.toMatchObject({
    code: 1,
    stderr: expect.stringContaining("2 high, 1 moderate"),
  });
  expect((await answering(found({ low: 4, total: 4 }), 1)).stdout).toContain("4 low");
  expect((await answering('{"message": "405 Method Not Allowed", "error": {}}', 1)).stdout).toContain("does not say");
});
