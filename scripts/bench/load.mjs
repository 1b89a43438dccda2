import autocannon from "autocannon";
import { spawn } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { v7 as newId } from "uuid";
import { runTypeScript, startApplication } from "../lib/application.mjs";
import { ensureBuild } from "../lib/build.mjs";
import { databasePackages, prepareMachine } from "../lib/install.mjs";
import { startMariaDb } from "../lib/mariadb.mjs";
import { root } from "../lib/paths.mjs";
import { answers, freePort, pause, residentMb, run, stopChild } from "../lib/processes.mjs";
import { say } from "../lib/say.mjs";
import { typablePassword } from "../lib/secrets.mjs";

/**
 * `npm run bench -- load [minutes]`: what one process and one database carry with 100,800 attempts: every page visited by twenty at once, beside a page of
 * the framework with nothing on it in the same run; then one visit at a time; then so many minutes of all that a squad does, and what memory does
 * meanwhile. Ratios tell more than times: the load comes from the same machine.
 */
const CONNECTIONS = 20;
const SECONDS = 20;
const VISITS = 40;

/** At most, as a share of the bare page's and of the account page's median. */
const LIMITS = { pageToAccount: 2.5, oneVisitMs: 150 };

/** Twenty at once for some seconds: the median in ms, how many a second, and what was not answered 200. */
async function underLoad(address, { path, headers = {}, connections = CONNECTIONS, seconds = SECONDS }) {
  const result = await autocannon({ url: `${address}${path}`, headers, connections, duration: seconds, timeout: 60 });
  return {
    medianMs: result.latency.p50,
    slowMs: result.latency.p97_5,
    aSecond: result.requests.average,
    failed: result.non2xx + result.errors + result.timeouts,
  };
}

async function oneAtATime(address, { path, headers }) {
  const times = [];
  for (let n = 0; n < VISITS; n++) {
    const started = performance.now();
    const answer = await fetch(`${address}${path}`, { headers });
    await answer.arrayBuffer();
    if (answer.status !== 200) throw new Error(`${path} was answered ${answer.status}`);
    times.push(performance.now() - started);
  }
  times.sort((a, b) => a - b);
  return { medianMs: times[VISITS / 2], slowMs: times[Math.floor(0.95 * (VISITS - 1))] };
}

/** A page of the framework with nothing on it, built and served as ours are. */
async function startBarePage(folder) {
  cpSync(join(root, "scripts/bench/bare-page"), folder, { recursive: true });
  symlinkSync(join(root, "node_modules"), join(folder, "node_modules"));
  writeFileSync(join(folder, "package.json"), JSON.stringify({ private: true, type: "module" }));
  writeFileSync(
    join(folder, "next.config.mjs"),
    `export default { turbopack: { root: ${JSON.stringify(root)} }, typescript: { ignoreBuildErrors: true } };\n`,
  );
  const next = join(root, "node_modules/next/dist/bin/next");
  await run(process.execPath, [next, "build", "--webpack"], { cwd: folder, env: { NODE_ENV: "production" } });
  const port = await freePort();
  const child = spawn(process.execPath, [next, "start", "-p", String(port), "-H", "127.0.0.1"], {
    cwd: folder,
    env: { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
    stdio: "ignore",
  });
  for (let waited = 0; waited < 30_000 && !(await answers(port)); waited += 100) await pause(100);
  return { address: `http://127.0.0.1:${port}`, stop: () => stopChild(child) };
}

/** Somebody's session, and what there is to visit. */
async function lookAround(address, password) {
  const signIn = await fetch(`${address}/api/sign-in`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ name: "Maren Tolvik", password }),
  });
  const headers = { cookie: signIn.headers.getSetCookie()[0].split(";")[0] };
  const text = async (path) => (await fetch(`${address}${path}`, { headers })).text();
  const pilots = [
    ...new Set(
      [...(await text("/squad")).matchAll(/pilot=([0-9a-f-]{36})[^"]*"[^>]*>Made-up pilot \d+</g)].map(([, id]) => id),
    ),
  ];
  const session = /\/session\/([0-9a-f-]{36})/.exec(await text("/session"))[1];
  return { headers, pilots, session };
}

const PAGES = [
  "/account",
  "/squad",
  "/pilot",
  "/setup",
  "/brief",
  "/lab",
  "/session",
  "/syllabus",
  "/season",
  "/calendar",
  "/people",
  "/records",
];

const row = (name, cells) => console.log(`  ${name.padEnd(26)}${cells.map((cell) => cell.padStart(11)).join("")}`);

export async function measureLoad(minutes) {
  await prepareMachine(databasePackages);
  const build = await ensureBuild();
  const scratch = mkdtempSync(join(tmpdir(), "bathygon-load-"));
  const stops = [async () => rmSync(scratch, { recursive: true, force: true })];
  try {
    const bareFolder = join(scratch, "bare");
    mkdirSync(bareFolder);
    say("A page of the framework with nothing on it");
    const bare = await startBarePage(bareFolder);
    stops.push(bare.stop);
    const database = await startMariaDb(join(scratch), { throwAway: true });
    stops.push(database.stop);
    const password = typablePassword();
    await runTypeScript("prepare-database.ts", ["--demo"], { ...database.env, BATHYGON_DEMO_PASSWORD: password });
    await runTypeScript("bench/seasons.ts", [], database.env, { quiet: false });
    const application = await startApplication(build, await freePort(), database.env);
    stops.push(application.stop);
    const { address } = application;
    const { headers, pilots, session } = await lookAround(address, password);
    // Who is tapped for by twenty at once has hundreds of attempts of a minute afterwards: another is visited.
    const [pilot, tapped] = pilots;
    const pages = PAGES.map((name) => ({ name, path: name === "/account" ? name : `${name}?pilot=${pilot}`, headers }));
    const papers = [`/reports/${pilot}/season.pdf`, `/debriefs/${session}`].map((path) => ({
      name: path.replace(/\/[0-9a-f-]{36}/, ""),
      path,
      headers,
    }));

    say(`${CONNECTIONS} at once`);
    row("", ["median", "97.5 %", "a second", "to bare", "to account", "failed"]);
    await underLoad(bare.address, { path: "/", seconds: 3 });
    const nothing = await underLoad(bare.address, { path: "/" });
    let account = null;
    const toAccount = ({ medianMs }, isPage) => {
      const ratio = account && medianMs / account.medianMs;
      // Papers wait for each other in a thread of their own.
      return ratio === null ? "" : `${ratio.toFixed(2)}${isPage && ratio > LIMITS.pageToAccount ? " OVER" : ""}`;
    };
    for (const one of [{ name: "bare page", result: nothing }, ...pages, ...papers]) {
      if (!one.result) await underLoad(address, { ...one, connections: 2, seconds: 2 });
      const result = one.result ?? (await underLoad(address, one));
      if (one.name === "/account") account = result;
      row(one.name, [
        `${result.medianMs} ms`,
        `${result.slowMs} ms`,
        result.aSecond.toFixed(1),
        (result.medianMs / nothing.medianMs).toFixed(1),
        toAccount(result, pages.includes(one)),
        String(result.failed),
      ]);
    }
    say("Taps of twenty at once, of one pilot at one step and of the whole squad");
    await taps(address, headers, { name: "one pilot", pilots: [tapped] });
    await taps(address, headers, { name: "squad", pilots });

    say(`One visit at a time, ${VISITS} each`);
    row("", ["median", "95 %"]);
    // The bare page tells how quiet the machine is just now.
    await oneAtATime(bare.address, { path: "/" });
    for (const one of [{ name: "bare page", path: "/", address: bare.address }, ...pages]) {
      const { medianMs, slowMs } = await oneAtATime(one.address ?? address, one);
      row(one.name, [`${medianMs.toFixed(0)} ms`, `${slowMs.toFixed(0)} ms`, slowMs < LIMITS.oneVisitMs ? "" : "OVER"]);
    }
    if (minutes > 0) {
      say(`${minutes} minutes of everything, resident memory of the application`);
      for (let minute = 0; minute < minutes; minute++) {
        const requests = [...pages, ...papers].map(({ path }) => ({ method: "GET", path, headers }));
        const {
          non2xx,
          errors,
          requests: made,
        } = await autocannon({ url: address, connections: 4, duration: 60, timeout: 60, requests });
        row(`minute ${minute + 1}`, [
          `${residentMb(application.pid)} MB`,
          `${made.total} answered`,
          `${non2xx + errors} failed`,
        ]);
      }
    }
  } finally {
    for (const stop of stops.reverse()) await stop();
  }
}

/** How many attempts a second are acknowledged, logged by twenty at once. */
async function taps(address, headers, { name, pilots }) {
  const json = { ...headers, "content-type": "application/json" };
  const id = newId();
  const started = await fetch(`${address}/api/start-session`, {
    method: "POST",
    headers: json,
    body: JSON.stringify({
      id,
      place: "field",
      pilots: pilots.map((pilotId) => ({ pilotId, stepId: "hang", setupId: null })),
    }),
  });
  if (started.status !== 200) throw new Error(`a session could not be started: ${await started.text()}`);
  const result = await autocannon({
    url: `${address}/api/log-attempt`,
    connections: CONNECTIONS,
    duration: SECONDS,
    setupClient: (client) =>
      client.setRequests([
        {
          method: "POST",
          path: "/api/log-attempt",
          headers: json,
          setupRequest: (request) => ({
            ...request,
            body: JSON.stringify({
              id: newId(),
              sessionId: id,
              pilotId: pilots[Math.floor(Math.random() * pilots.length)],
              stepId: "hang",
              direction: "right",
              outcome: "clean",
              flownAtMs: Date.now(),
            }),
          }),
        },
      ]),
  });
  row(name, [
    `${result.latency.p50} ms`,
    `${result.latency.p97_5} ms`,
    result.requests.average.toFixed(1),
    "",
    "",
    String(result.non2xx + result.errors),
  ]);
}
