import assert from "node:assert/strict";
import { test } from "node:test";
import { v7 as newId } from "uuid";
import { runTypeScript } from "./application.mjs";
import { query } from "./database.mjs";
import { pause } from "./processes.mjs";

/**
 * People who write while something is broken on purpose, and what is expected of their writes: whatever was acknowledged is there, whole and once.
 * Shared by the faults of one machine and of a cluster. Every loop is bounded.
 */
const WRITERS = 6;
const WRITES_EACH = 25;
export const TRIES = 80;
export const RETRY_MS = 100;
const PASSWORD = "four plain words here";

/** No answer within this is no answer, also on a machine that does much else. */
export const PATIENCE_MS = 60_000;

/** Whose session it is, and the database that they write to. */
export const seat = { cookie: "", databaseEnv: null };

/** Rows of the database that is written to. */
export const sql = (statement) => query(seat.databaseEnv, seat.databaseEnv.BATHYGON_DB_NAME, statement);

/** The fault under way, and what is expected of it: a test each, so that one which fails keeps none from being looked at. */
let fault = null;
let expected = [];

/** One expectation, and what was there instead. */
export const expect = (what, holds, found = "") =>
  expected.push(fault.test(what, () => assert.ok(holds, String(found))));

/** One fault as a test with its expectations. */
export const faultTest = (name, work) =>
  test(name, async (context) => {
    fault = context;
    expected = [];
    await work();
    await Promise.all(expected);
  });

export async function post(address, action, input) {
  try {
    const response = await fetch(`${address}/api/${action}`, {
      method: "POST",
      headers: { "content-type": "application/json", cookie: seat.cookie },
      body: JSON.stringify(input),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    const fresh = response.headers.getSetCookie()[0];
    if (fresh) seat.cookie = fresh.split(";")[0];
    return { status: response.status, ...(await response.json()) };
  } catch {
    return { status: 0 };
  }
}

/** Sends until it is acknowledged, as the field tally does. Notes every answer that was no success. */
export async function untilTaken(addressOf, action, input, refusals) {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const { status, message } = await post(addressOf(), action, input);
    if (status === 200) return true;
    refusals.push({ status, message });
    await pause(RETRY_MS);
  }
  return false;
}

/** Several people tap and start sessions at once, until every one of their writes was acknowledged, and how long the longest of them waited. */
export async function manyWrites(world, addressOf, { each = WRITES_EACH } = {}) {
  const refusals = [];
  let longestWaitMs = 0;
  const taken = { attempt: [], session: [] };
  await Promise.all(
    Array.from({ length: WRITERS }, async (_, writer) => {
      for (let n = 0; n < each; n++) {
        const id = newId();
        const [kind, action, input] =
          n % 5 === 4
            ? ["session", "start-session", { id, place: "field", pilots: world.pilots.map(member) }]
            : ["attempt", "log-attempt", attempt(world, id, world.pilots[writer % world.pilots.length])];
        const began = Date.now();
        if (await untilTaken(addressOf, action, input, refusals)) taken[kind].push(id);
        longestWaitMs = Math.max(longestWaitMs, Date.now() - began);
      }
    }),
  );
  return { taken, refusals, asked: WRITERS * each, longestWaitMs };
}

const member = (pilotId) => ({ pilotId, stepId: "flip-slow", setupId: null });
export const attempt = (world, id, pilotId) => ({
  id,
  sessionId: world.session,
  pilotId,
  stepId: "flip-slow",
  direction: "back",
  outcome: "clean",
  flownAtMs: Date.now(),
});

/** What was acknowledged is there, once and whole; nothing else is. */
export async function expectAllThere(world, { taken, asked }) {
  world.attempts.push(...taken.attempt);
  world.sessions.push(...taken.session);
  expect(
    `all ${asked} writes were acknowledged in the end`,
    taken.attempt.length + taken.session.length === asked,
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

/** Refusals that were neither nobody there nor "try again". */
export const honest = ({ refusals }) => refusals.filter(({ status }) => status !== 0 && status !== 503);

export async function health(address) {
  const response = await fetch(`${address}/healthz`).catch(() => null);
  return response ? { status: response.status, ...(await response.json()) } : { status: 0 };
}

export async function untilWell(address) {
  for (let waited = 0; waited < PATIENCE_MS; waited += 100) {
    if ((await health(address)).status === 200) return;
    await pause(100);
  }
  throw new Error(`${address} did not become well again`);
}

/** The first coach, a squad, two pilots, an aircraft and a session to write to. */
export async function begin(address) {
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

/** Writes through two processes in turn, and the same tap through both at once. */
export async function twoApplications(world, [first, second]) {
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

/** Two people save the same setup through two processes. */
export async function twoEditors(world, [first, second]) {
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
