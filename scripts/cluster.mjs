import { randomBytes } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { after, before } from "node:test";
import { v7 as newId } from "uuid";
import { runTypeScript, startApplication } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { query } from "./lib/database.mjs";
import {
  attempt,
  begin,
  expect,
  expectAllThere,
  faultTest,
  honest,
  manyWrites,
  post,
  seat,
  sql,
  twoApplications,
  twoEditors,
  untilWell,
} from "./lib/fault-test.mjs";
import { clusterPackages, startCluster } from "./lib/galera.mjs";
import { prepareMachine } from "./lib/install.mjs";
import { freePort, pause } from "./lib/processes.mjs";
import { say } from "./lib/say.mjs";

/**
 * Three database nodes that hold the same data, haproxy in front of them and two processes of the application, all on loopback and on data of their own:
 * every node and every process is killed in turn and comes back while people write: npm run test:cluster.
 */
const WRITES_EACH = 150;

const stops = [];
let scratch, cluster, build, applications, world;
const addresses = () => applications.map(({ address }) => address);

/** The nodes that the application has connections to: one, the one that is written to. */
async function writtenTo() {
  const found = await Promise.all(
    cluster.nodes.map((node) =>
      query(
        node.env,
        "information_schema",
        `select id from processlist where db = '${seat.databaseEnv.BATHYGON_DB_NAME}'`,
      ).catch(() => []),
    ),
  );
  return cluster.nodes.filter((_, n) => found[n].length > 0);
}

/** Writes through both processes until `breaking` is through and every one of them was acknowledged. */
async function writeWhile(breaking) {
  let turn = 0;
  const [outcome] = await Promise.all([
    manyWrites(world, () => addresses()[turn++ % 2], { each: WRITES_EACH }),
    breaking(),
  ]);
  for (const address of addresses()) await untilWell(address);
  say(
    `${outcome.asked} writes, ${outcome.refusals.length} told to try again; the longest waited ${(outcome.longestWaitMs / 1000).toFixed(1)} s`,
  );
  const others = honest(outcome);
  const nodes = (await writtenTo()).map(({ name }) => name);
  expect("one node is written to", nodes.length === 1, nodes);
  expect("nobody got a fault of ours", others.length === 0, JSON.stringify(others[0]));
  await expectAllThere(world, outcome);
  return outcome;
}

/** Every node has the same rows, and what is kept beside the attempts is what they come to when worked out anew. */
async function expectSameEverywhere() {
  const tables = await sql("show tables");
  const sums = await Promise.all(
    cluster.nodes.map(({ env }) =>
      query(
        env,
        "information_schema",
        `set session wsrep_sync_wait = 1; checksum table ${tables.map((name) => `${seat.databaseEnv.BATHYGON_DB_NAME}.${name}`).join(", ")}`,
      ),
    ),
  );
  expect("every node has the same rows", new Set(sums.map(String)).size === 1, JSON.stringify(sums));
  const digests = () => sql("select pilot_id, step_id, digest, recent from step_digest order by pilot_id, step_id");
  const kept = await digests();
  await sql("update step_digest set format = 0");
  await runTypeScript("prepare-database.ts", [], seat.databaseEnv);
  const anew = await digests();
  expect(
    "digests are what the attempts come to",
    kept.length > 0 && String(kept) === String(anew),
    `${kept.length} for ${anew.length}`,
  );
}

async function nodeKilled(node) {
  await writeWhile(async () => {
    await pause(500);
    await node.kill();
    // The others wait 5 s for a node that says nothing before they go on without it.
    await pause(9000);
    await node.start();
  });
  await expectSameEverywhere();
}

async function processKilled(n) {
  await writeWhile(async () => {
    await pause(300);
    const { pid, address } = applications[n];
    process.kill(pid, "SIGKILL");
    await pause(1000);
    applications[n] = await startApplication(build, new URL(address).port, seat.databaseEnv);
    stops.push(applications[n].stop);
  });
}

/** The same deed at the same moment by two people, each through a process of their own: one stands, and both know. */
async function races() {
  const [first, second] = addresses();
  await twoApplications(world, [first, second]);
  await twoEditors(world, [first, second]);
  const rounds = 10;
  for (const pilotId of world.pilots) {
    for (let round = 0; round < rounds; round++) {
      const asked = await Promise.all(
        [first, second].map((address) =>
          post(address, "ask-sign-off", { id: newId(), pilotId, stepId: "hang", message: "" }),
        ),
      );
      if (asked.some(({ status }) => ![200, 409].includes(status)))
        expect("a race ends with yes or no", false, JSON.stringify(asked));
    }
    const open = await sql(
      `select id from sign_off_request where pilot_id = '${pilotId}' and step_id = 'hang' and answered_at is null`,
    );
    expect("a step is asked for once", open.length === 1, open.length);
  }
  const same = Array.from({ length: 40 }, () => newId());
  const answers = await Promise.all(
    same.flatMap((id) =>
      [first, second].map((address) => post(address, "log-attempt", attempt(world, id, world.pilots[0]))),
    ),
  );
  world.attempts.push(...same);
  expect(
    "forty taps at once, each through both, are all taken",
    answers.every(({ status }) => status === 200),
    JSON.stringify(answers.find(({ status }) => status !== 200)),
  );
  const kept = await sql(`select id from attempt where id in (${same.map((id) => `'${id}'`).join(", ")})`);
  expect("and kept once each", kept.length === same.length, kept.length);
  await expectSameEverywhere();
}

before(async () => {
  await prepareMachine(clusterPackages);
  build = await ensureBuild();
  scratch = mkdtempSync(join(tmpdir(), "bathygon-cluster-"));
  stops.push(async () => rmSync(scratch, { recursive: true, force: true }));
  say("Starting three nodes");
  cluster = await startCluster(scratch);
  stops.push(cluster.stop);
  seat.databaseEnv = { ...cluster.env, BATHYGON_DB_NAME: `bathygon_${randomBytes(3).toString("hex")}` };
  await runTypeScript("prepare-database.ts", ["--create"], seat.databaseEnv);
  applications = [];
  for (let n = 0; n < 2; n++) applications.push(await startApplication(build, await freePort(), seat.databaseEnv));
  stops.push(...applications.map(({ stop }) => stop));
  world = await begin(addresses()[0]);
});
after(async () => {
  for (const stop of stops.splice(0).reverse()) await stop();
});

faultTest("Two people at the same records through two processes", races);
faultTest("The node that is written to killed, and back", async () => nodeKilled((await writtenTo())[0]));
for (const n of [0, 1, 2]) faultTest(`Node ${n + 1} killed, and back`, () => nodeKilled(cluster.nodes[n]));
for (const n of [0, 1])
  faultTest(`Process ${n + 1} of the application killed, and started again`, () => processKilled(n));
