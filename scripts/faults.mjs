import { createHash, randomBytes } from "node:crypto";
import { appendFileSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { spawn } from "node:child_process";
import { connect, createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { after, before } from "node:test";
import { chromium } from "@playwright/test";
import { v7 as newId } from "uuid";
import { runTypeScript, startApplication } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { query, startClient } from "./lib/database.mjs";
import {
  PATIENCE_MS,
  RETRY_MS,
  TRIES,
  attempt,
  begin,
  expect,
  expectAllThere,
  faultTest,
  health,
  honest,
  manyWrites,
  post,
  seat,
  sql,
  twoApplications,
  twoEditors,
  untilTaken,
  untilWell,
} from "./lib/fault-test.mjs";
import { backupPackages, browserPackages, findBrowser, prepareMachine } from "./lib/install.mjs";
import { startMariaDb } from "./lib/mariadb.mjs";
import { root } from "./lib/paths.mjs";
import { freePort, pause, run, stopChild } from "./lib/processes.mjs";
import { say } from "./lib/say.mjs";

/**
 * Breaks things on purpose, on loopback and on data of its own, and looks whether every write that was acknowledged is there afterwards, whole
 * and once: npm run test:faults. Every loop is bounded.
 */
const ROUNDS = 3;

const stops = [];

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

/** Rows of an aircraft that hovers, and the pieces that the recording of them is sent in. */
function longRecording() {
  const names = "time_s,stick_roll,stick_pitch,stick_yaw,throttle,gyro_roll_dps,gyro_pitch_dps,gyro_yaw_dps";
  const row = (_, i) => `${i / 100},0,0,0,0.4,${Math.random().toFixed(6)},${Math.random().toFixed(6)},0`;
  const bytes = Buffer.from([names, ...Array.from({ length: 120_000 }, row), ""].join("\n"));
  const pieces = [];
  for (let at = 0; at < bytes.length; at += PIECE_BYTES) pieces.push(gzipSync(bytes.subarray(at, at + PIECE_BYTES)));
  return { bytes, pieces, sha256: createHash("sha256").update(bytes).digest("hex") };
}
const PIECE_BYTES = 512 * 1024;

/** A recording is sent while the database dies in the middle of it: it is whole in the end or not there at all. */
async function recordingCutOff(world, database, [address]) {
  const { bytes, pieces, sha256 } = longRecording();
  const id = newId();
  const refusals = [];
  const sent = (action, input) => untilTaken(() => address, action, input, refusals);
  const packedBytes = pieces.reduce((sum, { length }) => sum + length, 0);
  const announced = { id, pilotId: world.pilots[0], setupId: null, name: "pack.csv", sha256, bytes: bytes.length };
  await sent("begin-recording", { ...announced, packedBytes, recordedAtMs: null, mapping: null });
  const fetched = async () => {
    const answer = await fetch(`${address}/recordings/${id}/whole.csv`, { headers: { cookie: seat.cookie } });
    return { status: answer.status, body: Buffer.from(await answer.arrayBuffer()) };
  };
  const back = async () => {
    await pause(2500);
    await untilWell(address);
  };
  let well = null;
  const taken = [];
  for (const [number, piece] of pieces.entries()) {
    // Between the first piece and the second, however fast either is.
    if (number === 1) {
      process.kill(database.pid, "SIGKILL");
      well = back();
    }
    taken.push(await sent("keep-piece", { id, number, packed: piece.toString("base64") }));
  }
  await well;
  expect("some pieces met the dead database", refusals.length > 0, refusals.length);
  expect("every piece was taken in the end", taken.every(Boolean), taken.filter((one) => !one).length);
  const half = await fetched();
  expect("until it is whole there is no such file", half.status === 404, half.status);
  const found = { fromS: 0, toS: 1200, sampleHz: 100, rows: 120_000, tricks: [], cruise: null, smoothness: null };
  await sent("finish-recording", { id, found: { ...found, reach: { roll: 0, pitch: 0, yaw: 0 } } });
  const whole = await fetched();
  expect("then it is the file that was sent, byte for byte", whole.body.equals(bytes), whole.body.length);
  const kept = await sql(`select count(*) from recording_piece where recording_id = '${id}'`);
  expect("each piece is kept once", Number(kept[0]) === pieces.length, kept);
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

async function poolExhausted(world, [address]) {
  const { child, ended } = startClient("mariadb", seat.databaseEnv, ["--batch", seat.databaseEnv.BATHYGON_DB_NAME]);
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
  const page = fetch(`${address}/squad`, { headers: { cookie: seat.cookie, accept: "text/html" } });
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
  const between = cutter(Number(seat.databaseEnv.BATHYGON_DB_PORT));
  const env = { ...seat.databaseEnv, BATHYGON_DB_PORT: String(await between.listen()) };
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
  const kept = { ...seat };
  const own = [];
  try {
    const database = await startMariaDb(disk);
    own.push(database.stop);
    seat.databaseEnv = { ...database.env, BATHYGON_DB_NAME: "bathygon_full" };
    await runTypeScript("prepare-database.ts", ["--create"], seat.databaseEnv);
    const application = await startApplication(await ensureBuild(), await freePort(), seat.databaseEnv);
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
    Object.assign(seat, kept);
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
    executablePath: findBrowser(),
    args: ["--no-sandbox", "--disable-quic", "--no-first-run"],
  });
  try {
    const context = await browser.newContext();
    const [name, value] = seat.cookie.split("=");
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
      env: { ...process.env, ...seat.databaseEnv, PORT: String(port), ...env },
      stdio: ["ignore", "pipe", "pipe"],
    });
  const ended = (child) => new Promise((done) => child.once("exit", done));
  const empty = `${seat.databaseEnv.BATHYGON_DB_NAME}_empty`;
  await query(seat.databaseEnv, seat.databaseEnv.BATHYGON_DB_NAME, `create database ${empty}`);
  const early = serve({ BATHYGON_DB_NAME: empty });
  let words = "";
  early.stderr.on("data", (chunk) => (words += chunk));
  expect(
    "nothing is served before the tables are there, and it says what to do",
    (await ended(early)) === 1 && words.includes("npm run migrate"),
    words,
  );
  const child = serve({ BATHYGON_DRAIN_S: "6", BATHYGON_METRICS_PORT: String(metricsPort) });
  stops.push(() => stopChild(child));
  const ready = () => fetch(`${address}/readyz`).catch(() => null);
  for (let waited = 0; waited < PATIENCE_MS && !(await ready())?.ok; waited += 200) await pause(200);
  expect("it says that it is ready", (await ready())?.ok === true);
  // What was asked before the numbers were set up, as the first look at readiness may be, is not among them.
  await ready();
  const readNumbers = async () => (await fetch(`http://127.0.0.1:${metricsPort}/metrics`)).text();
  let numbers = await readNumbers();
  for (let waited = 0; waited < 5000 && !numbers.includes("bathygon_request_seconds_count"); waited += 200) {
    await pause(200);
    numbers = await readNumbers();
  }
  expect(
    "its numbers are on a port of their own",
    numbers.includes("bathygon_request_seconds_count"),
    numbers.slice(0, 200),
  );
  // Whoever writes an attempt waits until the table is let go.
  startClient("mariadb", seat.databaseEnv, [
    "--execute=lock tables attempt write; do sleep(9)",
    seat.databaseEnv.BATHYGON_DB_NAME,
  ]);
  await pause(500);
  const id = newId();
  const underWay = post(address, "log-attempt", attempt(world, id, world.pilots[0]));
  await pause(500);
  const exit = ended(child);
  child.kill("SIGTERM");
  let draining = await ready();
  for (let waited = 0; waited < 5500 && draining?.ok; waited += 100) {
    await pause(100);
    draining = await ready();
  }
  const why = draining && (await draining.json()).why;
  expect("while it stops it says that nothing more is to come", why === "stopping", `${draining?.status} ${why}`);
  let taken = await ready();
  // Six seconds are asked for; a busy machine takes longer to come round to it.
  for (let waited = 0; waited < 30_000 && taken !== null; waited += 200) {
    await pause(200);
    taken = await ready();
  }
  expect("then it takes nothing more", taken === null);
  const { status } = await underWay;
  if (status === 200) world.attempts.push(id);
  expect("what was under way is answered", status === 200, status);
  expect("and it ends as it was told", (await exit) === 0);
  const kept = await sql(`select id from attempt where id = '${id}'`);
  expect("what was acknowledged is there", kept.length === 1);
}

let build, scratch, database, applications, addresses, world;
const restart = async () => {
  const started = await startApplication(build, new URL(addresses[0]).port, seat.databaseEnv);
  stops.push(started.stop);
  return started;
};
const again = () => startMariaDb(scratch, { port: Number(seat.databaseEnv.BATHYGON_DB_PORT) });

before(async () => {
  await prepareMachine({ ...backupPackages, ...browserPackages });
  build = await ensureBuild();
  scratch = mkdtempSync(join(tmpdir(), "bathygon-faults-"));
  stops.push(async () => rmSync(scratch, { recursive: true, force: true }));
  database = await startMariaDb(scratch);
  seat.databaseEnv = { ...database.env, BATHYGON_DB_NAME: `bathygon_${randomBytes(3).toString("hex")}` };
  await runTypeScript("prepare-database.ts", ["--create"], seat.databaseEnv);
  applications = [];
  for (let n = 0; n < 2; n++) applications.push(await startApplication(build, await freePort(), seat.databaseEnv));
  stops.push(...applications.map(({ stop }) => stop), database.stop);
  addresses = applications.map(({ address }) => address);
  world = await begin(addresses[0]);
});
after(async () => {
  for (const stop of stops.splice(0).reverse()) await stop();
});

faultTest(`MariaDB killed in the middle of writes, ${ROUNDS} times`, () => databaseKilled(world, database, addresses));
faultTest("MariaDB killed in the middle of a recording that is sent", () =>
  recordingCutOff(world, database, addresses),
);
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
