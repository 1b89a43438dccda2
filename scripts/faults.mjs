import assert from "node:assert/strict";
import { randomBytes } from "node:crypto";
import { appendFileSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { spawn } from "node:child_process";
import { connect, createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { after, before, test } from "node:test";
import { chromium } from "@playwright/test";
import { v7 as newId } from "uuid";
import { runTypeScript, startApplication } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { query, startClient } from "./lib/database.mjs";
import { backupPackages, browserPackages, findCommand, prepareMachine } from "./lib/install.mjs";
import { startMariaDb } from "./lib/mariadb.mjs";
import { root } from "./lib/paths.mjs";
import { freePort, pause, run, stopChild } from "./lib/processes.mjs";
import { say } from "./lib/say.mjs";

/**
 * Breaks things on purpose, on loopback and on data of its own, and looks whether every write that was acknowledged is there afterwards, whole
 * and once: npm run test:faults. Every loop is bounded.
 */
const WRITERS = 6;
const WRITES_EACH = 25;
const ROUNDS = 3;
const TRIES = 80;
const RETRY_MS = 100;
const PASSWORD = "four plain words here";

/** No answer within this is no answer, also on a machine that does much else. */
const PATIENCE_MS = 60_000;

const stops = [];
let cookie = "";

/** The fault under way, and what is expected of it: a test each, so that one which fails keeps none from being looked at. */
let fault = null;
let expected = [];

/** One expectation, and what was there instead. */
const expect = (what, holds, found = "") => expected.push(fault.test(what, () => assert.ok(holds, String(found))));

/** One fault as a test with its expectations. */
const faultTest = (name, work) =>
  test(name, async (context) => {
    fault = context;
    expected = [];
    await work();
    await Promise.all(expected);
  });

async function post(address, action, input) {
  try {
    const response = await fetch(`${address}/api/${action}`, {
      method: "POST",
      headers: { "content-type": "application/json", cookie },
      body: JSON.stringify(input),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    const fresh = response.headers.getSetCookie()[0];
    if (fresh) cookie = fresh.split(";")[0];
    return { status: response.status, ...(await response.json()) };
  } catch {
    return { status: 0 };
  }
}

/** Sends until it is acknowledged, as the field tally does. Notes every answer that was no success. */
async function untilTaken(addressOf, action, input, refusals) {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const { status, message } = await post(addressOf(), action, input);
    if (status === 200) return true;
    refusals.push({ status, message });
    await pause(RETRY_MS);
  }
  return false;
}

/** Several people tap, start sessions and sign off at once, until every one of their writes was acknowledged. */
async function manyWrites(world, addressOf) {
  const refusals = [];
  const taken = { attempt: [], session: [] };
  await Promise.all(
    Array.from({ length: WRITERS }, async (_, writer) => {
      for (let n = 0; n < WRITES_EACH; n++) {
        const id = newId();
        const [kind, action, input] =
          n % 5 === 4
            ? ["session", "start-session", { id, place: "field", pilots: world.pilots.map(member) }]
            : ["attempt", "log-attempt", attempt(world, id, world.pilots[writer % world.pilots.length])];
        if (await untilTaken(addressOf, action, input, refusals)) taken[kind].push(id);
      }
    }),
  );
  return { taken, refusals };
}

const member = (pilotId) => ({ pilotId, stepId: "flip-slow", setupId: null });
const attempt = (world, id, pilotId) => ({
  id,
  sessionId: world.session,
  pilotId,
  stepId: "flip-slow",
  direction: "back",
  outcome: "clean",
  flownAtMs: Date.now(),
});

/** What was acknowledged is there, once and whole; nothing else is. */
async function expectAllThere(world, { taken }) {
  world.attempts.push(...taken.attempt);
  world.sessions.push(...taken.session);
  expect(
    `all ${WRITERS * WRITES_EACH} writes were acknowledged in the end`,
    taken.attempt.length + taken.session.length === WRITERS * WRITES_EACH,
    `${taken.attempt.length + taken.session.length}`,
  );
  const kept = new Set(await sql("select id from attempt"));
  const lost = world.attempts.filter((id) => !kept.has(id));
  expect(
    "every acknowledged attempt is there, and no other",
    lost.length === 0 && kept.size === world.attempts.length,
    lost,
  );
  const sessions = new Set(await sql("select id from session"));
  expect(
    "every acknowledged session is there, and no other",
    world.sessions.every((id) => sessions.has(id)) && sessions.size === world.sessions.length,
    `${sessions.size} for ${world.sessions.length}`,
  );
  const half = await sql(
    `select session.id from session left join session_pilot on session_id = session.id group by session.id having count(pilot_id) <> ${world.pilots.length}`,
  );
  expect("no session is half-written", half.length === 0, half);
}

let databaseEnv;
const sql = (statement) => query(databaseEnv, databaseEnv.BATHYGON_DB_NAME, statement);
const honest = ({ refusals }) => refusals.filter(({ status }) => status !== 0 && status !== 503);

async function health(address) {
  const response = await fetch(`${address}/healthz`).catch(() => null);
  return response ? { status: response.status, ...(await response.json()) } : { status: 0 };
}

async function untilWell(address) {
  for (let waited = 0; waited < PATIENCE_MS; waited += 100) {
    if ((await health(address)).status === 200) return;
    await pause(100);
  }
  throw new Error(`${address} did not become well again`);
}

async function begin(address) {
  const world = { pilots: [newId(), newId()], session: newId(), aircraft: newId(), attempts: [], sessions: [] };
  await post(address, "begin", { id: newId(), name: "Ann Pell", password: PASSWORD });
  const squadId = newId();
  await post(address, "add-squad", { id: squadId, name: "Pans" });
  for (const [i, id] of world.pilots.entries())
    await post(address, "add-pilot", { id, squadId, name: `Pilot ${"AB"[i]}`, stickMode: 2, grip: "thumbs" });
  await post(address, "add-aircraft", {
    id: world.aircraft,
    pilotId: world.pilots[0],
    name: "Plank",
    presetId: "three-inch",
    flightState: "flying",
    massG: "",
    thrustToWeight: "",
  });
  const { status, message } = await post(address, "start-session", {
    id: world.session,
    place: "field",
    pilots: world.pilots.map(member),
  });
  if (status !== 200) throw new Error(`could not begin: ${status} ${message}`);
  world.sessions.push(world.session);
  return world;
}

async function databaseKilled(world, database, [address]) {
  let writing = true;
  const kills = (async () => {
    for (let round = 0; round < ROUNDS && writing; round++) {
      await pause(250);
      process.kill(database.pid, "SIGKILL");
      await pause(3200);
      await untilWell(address);
    }
  })();
  const outcome = await manyWrites(world, () => address);
  writing = false;
  await kills;
  await untilWell(address);
  expect("some writes met the dead database", outcome.refusals.length > 0, outcome.refusals.length);
  expect(
    "each of them was told so (503), none was a fault of ours",
    honest(outcome).length === 0,
    JSON.stringify(honest(outcome)[0]),
  );
  await expectAllThere(world, outcome);
}

async function applicationKilled(world, applications, restart) {
  const writes = manyWrites(world, () => applications[0].address);
  await pause(300);
  process.kill(applications[0].pid, "SIGKILL");
  await pause(500);
  applications[0] = await restart();
  const outcome = await writes;
  expect("some writes met nobody", outcome.refusals.length > 0, outcome.refusals.length);
  await expectAllThere(world, outcome);
}

async function twoApplications(world, [first, second]) {
  let turn = 0;
  const outcome = await manyWrites(world, () => [first, second][turn++ % 2]);
  await expectAllThere(world, outcome);
  const id = newId();
  const answers = await Promise.all(
    [first, second, first, second].map((address) => post(address, "log-attempt", attempt(world, id, world.pilots[0]))),
  );
  world.attempts.push(id);
  expect(
    "one tap sent to both at once is taken by both and kept once",
    answers.every(({ status }) => status === 200) &&
      (await sql(`select id from attempt where id = '${id}'`)).length === 1,
    answers.map(({ status }) => status),
  );
}

async function twoEditors(world, [first, second]) {
  const { settings } = JSON.parse((await runTypeScript("first-settings.ts", [], {})).output);
  const save = (address, basedOn, tiltDeg) =>
    post(address, "save-setup", {
      id: newId(),
      aircraftId: world.aircraft,
      basedOn,
      reason: `tilt ${tiltDeg}`,
      settings: { ...settings, tiltDeg },
    });
  await save(first, 0, 10);
  for (let round = 1; round <= 5; round++) {
    const both = await Promise.all([save(first, round, 10 + round), save(second, round, 20 + round)]);
    const statuses = both.map(({ status }) => status).sort();
    expect(
      `round ${round}: one is saved, the other is told and keeps their input`,
      statuses.join() === "200,409" && both.some(({ message }) => message?.includes("was saved meanwhile")),
      statuses,
    );
  }
  const numbers = await sql("select number from setup order by number");
  expect("every version has a number of its own, without gaps", numbers.join() === "1,2,3,4,5,6", numbers);
  const told = await sql("select id from trail where deed = 'saved-setup'");
  expect(
    "the trail has a line for each version, and for none that was refused",
    told.length === numbers.length,
    told.length,
  );
}

async function poolExhausted(world, [address]) {
  const { child, ended } = startClient("mariadb", databaseEnv, ["--batch", databaseEnv.BATHYGON_DB_NAME]);
  child.stdin.write(`begin; select id from pilot for update;\n`);
  await pause(600);
  const asked = world.pilots.flatMap((pilotId) => Array.from({ length: 12 }, () => ({ pilotId, id: newId() })));
  const waiting = asked.map((one) =>
    post(address, "ask-sign-off", { id: one.id, pilotId: one.pilotId, stepId: "flip-slow", message: "" }).then(
      ({ status, message }) => ({ ...one, status, message }),
    ),
  );
  await pause(6500);
  child.stdin.end("rollback;\n");
  await ended;
  const answers = await Promise.all(waiting);
  const told = answers.filter(({ status }) => status === 503);
  expect(
    "those who got no connection are told to try again (503)",
    told.length > 0 && told.every(({ message }) => message.includes("Try again")),
    JSON.stringify(answers.map(({ status }) => status)),
  );
  expect(
    "nobody gets a fault of ours",
    answers.every(({ status }) => [200, 409, 503].includes(status)),
    JSON.stringify(answers.map(({ status }) => status)),
  );
  const open = await sql("select pilot_id from sign_off_request where answered_at is null");
  expect("a step is asked for once, whoever came first", open.length > 0 && new Set(open).size === open.length, open);
  const id = newId();
  world.attempts.push(id);
  const { status, message } = await post(address, "log-attempt", attempt(world, id, world.pilots[0]));
  expect("and it works again at once", status === 200, `${status} ${message}`);
}

/** How long each of so many notes at once is waited for, ms, and what they were answered. */
async function notesAtOnce(world, address, n) {
  return Promise.all(
    Array.from({ length: n }, async () => {
      const began = Date.now();
      const { status } = await post(address, "add-note", { id: newId(), pilotId: world.pilots[0], text: "x" });
      return { status, ms: Date.now() - began };
    }),
  );
}

/** No answer of ours takes longer than a connection and a statement may. */
const LONGEST_ANSWER_MS = 20_000;

async function databaseStopped(world, database, [address]) {
  process.kill(database.pid, "SIGSTOP");
  const page = fetch(`${address}/squad`, { headers: { cookie, accept: "text/html" } });
  const notes = await notesAtOnce(world, address, 12);
  expect("a page is answered 503 meanwhile", (await page).status === 503, (await page).status);
  process.kill(database.pid, "SIGCONT");
  expect(
    "those who write are told so (503) before long",
    notes.every(({ status, ms }) => status === 503 && ms < LONGEST_ANSWER_MS),
    JSON.stringify(notes),
  );
  await untilWell(address);
  expect(
    "and it works again",
    (await notesAtOnce(world, address, 12)).every(({ status }) => status === 200),
  );
}

/** Stands between the application and the database, and can stop carrying anything without closing anything. */
function cutter(port) {
  const pairs = new Set();
  let cut = false;
  const server = createServer((near) => {
    const far = connect(port, "127.0.0.1");
    const pair = { near, far };
    pairs.add(pair);
    const carry = (from, to) => {
      from.on("data", (chunk) => !pair.cut && !cut && to.write(chunk));
      from.on("error", () => undefined);
      from.on("close", () => {
        pairs.delete(pair);
        to.destroy();
      });
    };
    carry(near, far);
    carry(far, near);
  });
  return {
    listen: () => new Promise((done) => server.listen(0, "127.0.0.1", () => done(server.address().port))),
    /** What is open now says nothing any more; what is opened afterwards is carried. */
    cutWhatIsOpen: () => {
      for (const pair of pairs) pair.cut = true;
    },
    stop: async () => {
      cut = true;
      for (const { near, far } of pairs) for (const socket of [near, far]) socket.destroy();
      server.close();
    },
  };
}

async function databaseCutOff(world, build) {
  const between = cutter(Number(databaseEnv.BATHYGON_DB_PORT));
  const env = { ...databaseEnv, BATHYGON_DB_PORT: String(await between.listen()) };
  const application = await startApplication(build, await freePort(), env);
  stops.push(application.stop, between.stop);
  const { address } = application;
  await notesAtOnce(world, address, 12);
  between.cutWhatIsOpen();
  const notes = await notesAtOnce(world, address, 12);
  expect(
    "each that met a cut one is told so (503) before long, the others are taken",
    notes.every(({ status, ms }) => [200, 503].includes(status) && ms < LONGEST_ANSWER_MS) &&
      notes.some(({ status }) => status === 503),
    JSON.stringify(notes),
  );
  await untilWell(address);
  expect(
    "new connections are found",
    (await notesAtOnce(world, address, 12)).every(({ status }) => status === 200),
  );
}

/** On a small disk of its own, where this machine lets us have one. */
async function diskFull() {
  const disk = mkdtempSync(join(tmpdir(), "bathygon-disk-"));
  const mounted = await run("mount", ["-t", "tmpfs", "-o", "size=190m", "tmpfs", disk], {
    allowFailure: true,
    quiet: true,
  });
  if (mounted.code !== 0) {
    say("This machine mounts no disk of memory; left out");
    rmSync(disk, { recursive: true, force: true });
    return;
  }
  const kept = { cookie, databaseEnv };
  const own = [];
  try {
    const database = await startMariaDb(disk);
    own.push(database.stop);
    databaseEnv = { ...database.env, BATHYGON_DB_NAME: "bathygon_full" };
    await runTypeScript("prepare-database.ts", ["--create"], databaseEnv);
    const application = await startApplication(await ensureBuild(), await freePort(), databaseEnv);
    own.push(application.stop);
    const world = await begin(application.address);
    writeFileSync(join(disk, "ballast"), Buffer.alloc(1024));
    await fill(disk);
    const text = "x".repeat(1900);
    const statuses = [];
    for (let n = 0; n < 4000 && !statuses.includes(503); n++) {
      const { status } = await post(application.address, "add-note", { id: newId(), pilotId: world.pilots[0], text });
      statuses.push(status);
    }
    const odd = statuses.filter((status) => status !== 200 && status !== 503);
    expect(
      "who writes on a full disk is told so (503), and nobody gets a fault of ours",
      odd.length === 0 && statuses.includes(503),
      JSON.stringify([...new Set(statuses)]),
    );
    rmSync(join(disk, "ballast"));
    let well = false;
    for (let n = 0; n < TRIES && !well; n++) {
      well =
        (await post(application.address, "add-note", { id: newId(), pilotId: world.pilots[0], text: "y" })).status ===
        200;
      if (!well) await pause(RETRY_MS);
    }
    expect("with room again it works again", well);
  } finally {
    for (const stop of own.reverse()) await stop();
    await run("umount", ["-l", disk], { allowFailure: true, quiet: true });
    rmSync(disk, { recursive: true, force: true });
    ({ cookie, databaseEnv } = kept);
  }
}

/** Writes into a file until nothing fits any more. */
async function fill(disk) {
  const block = Buffer.alloc(1024 * 1024);
  for (let n = 0; n < 400; n++) {
    try {
      appendFileSync(join(disk, "ballast"), block);
    } catch {
      return;
    }
  }
}

async function databaseAway(world, database, again, [address]) {
  const browser = await chromium.launch({
    executablePath: findCommand("chromium"),
    args: ["--no-sandbox", "--disable-quic", "--no-first-run"],
  });
  try {
    const context = await browser.newContext();
    const [name, value] = cookie.split("=");
    await context.addCookies([{ name, value, url: address }]);
    const tally = await context.newPage();
    await tally.goto(`${address}/session/${world.session}`);
    await tally.getByText("All sent").waitFor({ timeout: PATIENCE_MS });
    await database.stop();
    const { status, application, database: says } = await health(address);
    expect(
      "health tells application and database apart",
      status === 503 && application === "up" && says === "away",
      status,
    );
    const page = await context.newPage();
    await page.goto(`${address}/squad`);
    await page.getByText("The records cannot be read just now").waitFor({ timeout: PATIENCE_MS });
    expect("a page says what happened", true);
    for (let n = 0; n < 3; n++) await tally.keyboard.press("c");
    await tally.getByText("3 waiting on this device, safe").waitFor({ timeout: PATIENCE_MS });
    expect("taps wait on the device and it says so", true);
    stops.push((await again()).stop);
    await page.getByRole("heading", { name: "Squad" }).waitFor({ timeout: PATIENCE_MS });
    expect("the page comes back by itself", true);
    await tally.getByText("All sent").waitFor({ timeout: PATIENCE_MS });
    const kept = await sql(`select id from attempt where session_id = '${world.session}'`);
    expect(
      "the taps were sent by themselves, once each",
      kept.length === world.attempts.length + 3,
      `${kept.length} for ${world.attempts.length + 3}`,
    );
  } finally {
    await browser.close();
  }
}

/** Served as an operator does, and told to stop while a request is under way. */
async function toldToStop(world) {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const metricsPort = await freePort();
  const serve = (env) =>
    spawn(process.execPath, [join(root, "scripts/serve.mjs")], {
      env: { ...process.env, ...databaseEnv, PORT: String(port), ...env },
      stdio: ["ignore", "pipe", "pipe"],
    });
  const ended = (child) => new Promise((done) => child.once("exit", done));
  const empty = `${databaseEnv.BATHYGON_DB_NAME}_empty`;
  await query(databaseEnv, databaseEnv.BATHYGON_DB_NAME, `create database ${empty}`);
  const early = serve({ BATHYGON_DB_NAME: empty });
  let words = "";
  early.stderr.on("data", (chunk) => (words += chunk));
  expect(
    "nothing is served before the tables are there, and it says what to do",
    (await ended(early)) === 1 && words.includes("npm run migrate"),
    words,
  );
  const child = serve({ BATHYGON_DRAIN_S: "3", BATHYGON_METRICS_PORT: String(metricsPort) });
  stops.push(() => stopChild(child));
  const ready = () => fetch(`${address}/readyz`).catch(() => null);
  for (let waited = 0; waited < PATIENCE_MS && !(await ready())?.ok; waited += 200) await pause(200);
  expect("it says that it is ready", (await ready())?.ok === true);
  const numbers = await (await fetch(`http://127.0.0.1:${metricsPort}/metrics`)).text();
  expect(
    "its numbers are on a port of their own",
    numbers.includes("bathygon_request_seconds_count"),
    numbers.slice(0, 200),
  );
  // Whoever writes an attempt waits until the table is let go.
  startClient("mariadb", databaseEnv, [
    "--execute=lock tables attempt write; do sleep(6)",
    databaseEnv.BATHYGON_DB_NAME,
  ]);
  await pause(500);
  const id = newId();
  const underWay = post(address, "log-attempt", attempt(world, id, world.pilots[0]));
  await pause(500);
  const exit = ended(child);
  child.kill("SIGTERM");
  let draining = await ready();
  for (let waited = 0; waited < 2500 && draining?.ok; waited += 100) {
    await pause(100);
    draining = await ready();
  }
  const why = draining && (await draining.json()).why;
  expect("while it stops it says that nothing more is to come", why === "stopping", `${draining?.status} ${why}`);
  await pause(4000);
  expect("then it takes nothing more", (await ready()) === null);
  const { status } = await underWay;
  if (status === 200) world.attempts.push(id);
  expect("what was under way is answered", status === 200, status);
  expect("and it ends as it was told", (await exit) === 0);
  const kept = await sql(`select id from attempt where id = '${id}'`);
  expect("what was acknowledged is there", kept.length === 1);
}

let build, scratch, database, applications, addresses, world;
const restart = async () => {
  const started = await startApplication(build, new URL(addresses[0]).port, databaseEnv);
  stops.push(started.stop);
  return started;
};
const again = () => startMariaDb(scratch, { port: Number(databaseEnv.BATHYGON_DB_PORT) });

before(async () => {
  await prepareMachine({ ...backupPackages, ...browserPackages });
  build = await ensureBuild();
  scratch = mkdtempSync(join(tmpdir(), "bathygon-faults-"));
  stops.push(async () => rmSync(scratch, { recursive: true, force: true }));
  database = await startMariaDb(scratch);
  databaseEnv = { ...database.env, BATHYGON_DB_NAME: `bathygon_${randomBytes(3).toString("hex")}` };
  await runTypeScript("prepare-database.ts", ["--create"], databaseEnv);
  applications = [];
  for (let n = 0; n < 2; n++) applications.push(await startApplication(build, await freePort(), databaseEnv));
  stops.push(...applications.map(({ stop }) => stop), database.stop);
  addresses = applications.map(({ address }) => address);
  world = await begin(addresses[0]);
});
after(async () => {
  for (const stop of stops.splice(0).reverse()) await stop();
});

faultTest(`MariaDB killed in the middle of writes, ${ROUNDS} times`, () => databaseKilled(world, database, addresses));
faultTest("The application killed in the middle of writes, and started again", () =>
  applicationKilled(world, applications, restart),
);
faultTest("Two application processes on one database", () => twoApplications(world, addresses));
faultTest("Two people change the same setup at the same moment, on two processes", () => twoEditors(world, addresses));
faultTest("Served as an operator does, and told to stop while somebody writes", () => toldToStop(world));
faultTest("Every connection of the pool held up", () => poolExhausted(world, addresses));
faultTest("MariaDB stopped where it stands, without a word", () => databaseStopped(world, database, addresses));
faultTest("Connections to the database cut without a word, as by a cable", () => databaseCutOff(world, build));
faultTest("A disk that runs full", () => diskFull());
faultTest("A page, a tally and the health answer while the database is away, and afterwards", () =>
  databaseAway(world, database, again, addresses),
);
