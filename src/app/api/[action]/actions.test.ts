import { firstSettings, measurementKinds } from "@/core";
import fc from "fast-check";
import { v7 as newId } from "uuid";
import { signedInBy } from "@/server/accounts";
import { database } from "@/server/database";
import {
  carrying,
  checkLog,
  findAircraft,
  listAttempts,
  listCoaches,
  listLoads,
  listMilestones,
  listPilots,
  listSetups,
} from "@/server/repositories";
import { browser, requestTo } from "@/server/testing/browser";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { actionNames } from "./registry";
import { POST } from "./route";

jest.mock(
  "@/server/accounts/current",
  () => jest.requireActual<typeof import("@/server/testing/browser")>("@/server/testing/browser").accountOfBrowser,
);

withFreshDatabase();

interface Answer {
  readonly status: number;
  readonly body: { ok: boolean; message: string; fields: Record<string, string>; data?: { number?: number } };
}

async function post(action: string, body: unknown, headers: Record<string, string> = {}): Promise<Answer> {
  const response = await POST(requestTo(action, body, headers), { params: Promise.resolve({ action }) });
  return { status: response.status, body: (await response.json()) as Answer["body"] };
}

const ids = {
  coach: newId(),
  squad: newId(),
  pilot: newId(),
  aircraft: newId(),
  setup: newId(),
  session: newId(),
};
const pilot = { id: ids.pilot, squadId: ids.squad, name: "Tester Pell", stickMode: 2, grip: "thumbs" };
const aircraft = {
  id: ids.aircraft,
  pilotId: ids.pilot,
  name: "Plank",
  presetId: "five-inch-freestyle",
  flightState: "flying",
  massG: "",
  thrustToWeight: "",
};
const setup = {
  id: ids.setup,
  aircraftId: ids.aircraft,
  basedOn: 0,
  reason: "first",
  settings: firstSettings,
};
const reach = { coachId: ids.coach, pilotId: null };
const session = {
  id: ids.session,
  place: "field",
  pilots: [{ pilotId: ids.pilot, stepId: "flip-slow", setupId: ids.setup }],
};
const attempt = (change: object = {}) => ({
  id: newId(),
  sessionId: ids.session,
  pilotId: ids.pilot,
  stepId: "flip-slow",
  direction: "back",
  outcome: "clean",
  flownAtMs: Date.now(),
  ...change,
});

beforeAll(async () => {
  for (const [action, input] of [
    ["begin", { id: ids.coach, name: "Coach Ann", password: "four plain words here" }],
    ["add-squad", { id: ids.squad, name: "Second squad" }],
    ["add-pilot", pilot],
    ["add-aircraft", aircraft],
    ["save-setup", setup],
    ["start-session", session],
  ] as const) {
    expect(await post(action, input)).toMatchObject({ status: 200 });
  }
});

describe("a repeated send changes nothing", () => {
  it("for everything that makes a row", async () => {
    const tap = attempt();
    const note = { id: newId(), pilotId: ids.pilot, text: "once" };
    const counts = async () => {
      const tables = ["coach", "pilot", "aircraft", "setup", "session", "session_pilot", "attempt", "note"];
      return Promise.all(tables.map(async (table) => Number((await database()(table).count({ n: "*" }))[0].n)));
    };
    await post("log-attempt", tap);
    await post("add-note", note);
    const before = await counts();
    for (const [action, input] of [
      ["add-pilot", pilot],
      ["add-aircraft", aircraft],
      ["save-setup", setup],
      ["start-session", session],
      ["log-attempt", tap],
      ["add-note", note],
    ] as const) {
      expect((await post(action, input)).status).toBe(200);
    }
    // Another thing under an id that is taken is not swallowed.
    for (const [action, input] of [
      ["log-attempt", { ...tap, outcome: "crashed" }],
      ["add-note", { ...note, text: "another" }],
      ["add-pilot", { ...pilot, name: "Somebody Else" }],
    ] as const)
      expect(await post(action, input)).toMatchObject({ status: 409 });
    expect(await counts()).toEqual(before);
    expect((await listAttempts([ids.pilot])).find((one) => one.id === tap.id)?.outcome).toBe("clean");
  });

  it("also when both arrive at once", async () => {
    const tap = attempt();
    const answers = await Promise.all(Array.from({ length: 6 }, () => post("log-attempt", tap)));
    expect(answers.map(({ status }) => status)).toEqual(Array(6).fill(200));
    expect((await listAttempts([ids.pilot])).filter((one) => one.id === tap.id)).toHaveLength(1);
  });
});

describe("setups", () => {
  it("of a pilot whose settings are frozen change only where that is said", async () => {
    const other = { ...pilot, id: newId(), name: "Tester Cold", settingsFrozen: true };
    const craft = { ...aircraft, id: newId(), pilotId: other.id };
    const first = { ...setup, id: newId(), aircraftId: craft.id };
    await post("add-pilot", { ...other, settingsFrozen: undefined });
    await post("edit-pilot", { ...other, version: 1 });
    await post("add-aircraft", craft);
    expect((await post("save-setup", first)).status).toBe(200);
    const next = { ...first, id: newId(), basedOn: 1, reason: "scatter" };
    expect(await post("save-setup", next)).toMatchObject({
      status: 409,
      body: { message: expect.stringContaining("frozen") },
    });
    expect(await post("save-setup", { ...next, evenFrozen: true })).toMatchObject({ status: 200 });
  });

  it("are kept as versions, and the second of two editors is told and loses nothing", async () => {
    const second = {
      ...setup,
      id: newId(),
      basedOn: 1,
      reason: "more tilt",
      settings: { ...firstSettings, tiltDeg: 30 },
    };
    expect((await post("save-setup", second)).body.data).toEqual({ number: 2 });
    const late = { ...second, id: newId(), reason: "less tilt", settings: { ...firstSettings, tiltDeg: 10 } };
    expect(await post("save-setup", late)).toMatchObject({
      status: 409,
      body: { message: expect.stringContaining("Setup 2") },
    });
    expect((await post("save-setup", { ...late, basedOn: 2 })).body.data).toEqual({ number: 3 });
    expect((await listSetups(ids.pilot)).map((one) => one.settings.tiltDeg).sort((a, b) => a - b)).toEqual([
      10, 15, 30,
    ]);
  });

  it("never get the same number from two editors at once", async () => {
    const [latest] = await listSetups(ids.pilot);
    const answers = await Promise.all(
      [1, 2, 3].map((n) => post("save-setup", { ...setup, id: newId(), basedOn: latest.number, reason: `rival ${n}` })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
  });

  it("name the field of the core that is out of range, and store nothing unknown", async () => {
    const before = (await listSetups(ids.pilot)).length;
    const broken = {
      ...firstSettings,
      rates: { ...firstSettings.rates, roll: { ...firstSettings.rates.roll, expo: 4 } },
    };
    expect(await post("save-setup", { ...setup, id: newId(), basedOn: before, settings: broken })).toMatchObject({
      status: 422,
      body: { fields: { "rates.roll.expo": "Roll expo must be between 0 and 1 (now 4)" } },
    });
    for (const settings of [
      {},
      [],
      "x",
      { ...firstSettings, modes: null },
      { ...firstSettings, throttle: { mid: "NaN" } },
    ]) {
      expect((await post("save-setup", { ...setup, id: newId(), basedOn: before, settings })).status).toBe(422);
    }
    const extra = { ...firstSettings, __proto__x: 1, markup: "<b>" };
    expect((await post("save-setup", { ...setup, id: newId(), basedOn: before, settings: extra })).status).toBe(200);
    expect(Object.keys((await listSetups(ids.pilot))[0].settings)).toEqual([
      "rates",
      "throttle",
      "tiltDeg",
      "camera",
      "modes",
    ]);
  });
});

it("keeps the motors' thrust when an aircraft is weighed heavier, and doubts a weight they could not lift", async () => {
  const weighed = { ...aircraft, id: newId(), massG: "1300" };
  expect((await post("add-aircraft", weighed)).status).toBe(200);
  const { airframe } = (await findAircraft(weighed.id))!;
  expect(airframe.massKg).toBe(1.3);
  expect(airframe.thrustToWeight).toBeCloseTo(7.5 / 2, 9);
  expect((await post("add-aircraft", { ...aircraft, id: newId(), massG: "9000" })).body.fields).toHaveProperty("massG");
});

it("keeps what an aircraft carries, weighed or measured, and flies a session only with what it may carry", async () => {
  const plank = { ...aircraft, id: newId() };
  await post("add-aircraft", plank);
  const load = { id: newId(), aircraftId: plank.id, name: "Long pack", massG: "780", thrustToWeight: "" };
  expect((await post("add-load", load)).status).toBe(200);
  const [kept] = await listLoads([plank.id]);
  expect(kept).toEqual({ id: load.id, aircraftId: plank.id, name: "Long pack", massKg: 0.78, thrustToWeight: null });
  const { airframe, name } = carrying((await findAircraft(plank.id))!, kept);
  expect(name).toBe(`${plank.name}, Long pack`);
  expect(airframe.thrustToWeight).toBeCloseTo((7.5 * 0.65) / 0.78, 9);
  const camera = { ...load, id: newId(), name: "Camera" };
  expect((await post("add-load", { ...camera, massG: "" })).body.fields).toHaveProperty("massG");
  expect((await post("add-load", { ...camera, massG: "9000" })).body.fields).toHaveProperty("massG");
  expect((await post("add-load", { ...camera, thrustToWeight: "0.5" })).body.fields).toHaveProperty("thrustToWeight");
  expect((await post("remove-load", { id: load.id })).status).toBe(200);
  expect(await listLoads([plank.id])).toEqual([]);
  expect((await post("restore-load", { id: load.id })).status).toBe(200);
});

it("keeps check flights, defects, readings of the tilt and the mount, and clears only what flew well with nothing open", async () => {
  const plank = { ...aircraft, id: newId(), flightState: "new" };
  const aircraftId = plank.id;
  await post("add-aircraft", plank);
  const now = async () => (await findAircraft(aircraftId))!;
  const well = { sense: "right", drift: "none", noise: "smooth", heat: "cool" };
  const drifts = { id: newId(), aircraftId, found: { ...well, drift: "drifts" }, defects: [] as object[] };
  drifts.defects = [{ id: newId(), kind: "drift", what: "to the left" }];
  for (const status of [200, 200]) expect((await post("check-flight", drifts)).status).toBe(status);
  expect(await now()).toMatchObject({ flightState: "repaired", openDefects: [{ kind: "drift", what: "to the left" }] });
  // Flown well, but something is still open.
  const again = { id: newId(), aircraftId, found: well, defects: [] };
  expect((await post("check-flight", again)).status).toBe(200);
  expect((await now()).flightState).toBe("repaired");
  const [{ id: defectId }] = (await now()).openDefects;
  expect((await post("mend-defect", { id: defectId, aircraftId: aircraft.id, mended: true })).status).toBe(404);
  expect((await post("mend-defect", { id: defectId, aircraftId, mended: true })).status).toBe(200);
  expect((await post("check-flight", { ...again, id: newId() })).status).toBe(200);
  expect(await now()).toMatchObject({ flightState: "flying", openDefects: [] });
  expect((await checkLog(aircraftId)).flights.map(({ drift }) => drift)).toEqual(["none", "none", "drifts"]);
  // Two sends of one reading are one; the mean and the spread are kept.
  const tilt = { id: newId(), aircraftId, readingsDeg: [24.6, 25.2] };
  for (const status of [200, 200]) expect((await post("read-tilt", tilt)).status).toBe(status);
  expect((await now()).lastTilt).toMatchObject({ tiltDeg: expect.closeTo(24.9, 9), spreadDeg: expect.closeTo(0.6, 9) });
  expect((await checkLog(aircraftId)).tilts).toHaveLength(1);
  expect((await post("read-tilt", { ...tilt, id: newId(), readingsDeg: [95] })).status).toBe(422);
  expect((await post("read-tilt", { ...tilt, id: newId(), readingsDeg: [] })).status).toBe(422);
  expect((await post("add-defect", { id: newId(), aircraftId, what: "  " })).body.fields).toHaveProperty("what");
  const { version } = await now();
  expect((await post("set-mount", { id: aircraftId, version, mount: "fixed" })).status).toBe(200);
  expect((await post("set-mount", { id: aircraftId, version, mount: "adjustable" })).status).toBe(409);
  expect((await post("set-mount", { id: aircraftId, version: version + 1, mount: "glued" })).status).toBe(422);
  expect((await now()).mount).toBe("fixed");
});

it("fits an aircraft to what was measured, on the version that was read, and back to the estimate without", async () => {
  const plank = { ...aircraft, id: newId() };
  await post("add-aircraft", plank);
  const measure = (version: number, measurements: object[]) =>
    post("measure-aircraft", { id: plank.id, version, measurements });
  expect((await measure(1, [{ kind: "hover", command: 0.4 }])).status).toBe(200);
  const fitted = (await findAircraft(plank.id))!;
  expect(fitted.airframe.thrustToWeight).toBeCloseTo(1 / (0.3 * 0.4 + 0.7 * 0.16), 6);
  expect(fitted).toMatchObject({ version: 2, estimate: { thrustToWeight: 7.5 } });
  expect((await measure(1, [])).status).toBe(409);
  expect((await measure(2, [{ kind: "hover", command: 4 }])).body.fields).toHaveProperty("command");
  expect((await measure(2, [{ kind: "hover" }])).status).toBe(422);
  expect((await measure(2, [{ kind: "smell", command: 1 }])).status).toBe(422);
  expect((await measure(2, [{ kind: "hover", command: 0.02 }])).status).toBe(422);
  const everyKind = [
    { kind: "weight", massKg: 0.66 },
    { kind: "hover", command: 0.3, elevationM: 900 },
    { kind: "cruise-throttle", tiltDeg: 20, command: 0.4 },
    { kind: "cruise-speed", tiltDeg: 20, speedMps: 14 },
    { kind: "top-speed", speedMps: 33 },
    { kind: "run-on", rateDps: 660, deg: 30 },
    { kind: "late-punch", freshS: 1, lateS: 1.2, usedShare: 0.8 },
    { kind: "hang", punchS: 0.6, command: 0.5, hangS: 0.9 },
  ];
  expect(everyKind.map(({ kind }) => kind)).toEqual([...measurementKinds]);
  expect(await measure(2, everyKind)).toMatchObject({ status: 200 });
  expect((await findAircraft(plank.id))!.measurements).toEqual(everyKind);
  expect((await measure(3, [])).status).toBe(200);
  expect((await findAircraft(plank.id))!.airframe.thrustToWeight).toBe(7.5);
});

it("takes a pilot's change only onto the version that was read", async () => {
  expect((await post("edit-pilot", { ...pilot, name: "Tester Two", version: 1 })).status).toBe(200);
  expect((await post("edit-pilot", { ...pilot, name: "Tester Three", version: 1 })).status).toBe(409);
  expect((await listPilots(reach)).find(({ id }) => id === pilot.id)).toMatchObject({ name: "Tester Two", version: 2 });
});

it("makes a clean attempt a rough one by what was missed, and its tap may be sent again after that", async () => {
  const tap = attempt({ outcome: "clean" });
  await post("log-attempt", tap);
  const missed = (measured: object) => post("set-measured", { id: tap.id, minutes: null, measured });
  expect((await missed({ laps: 3, missedPoles: 1 })).status).toBe(200);
  expect((await missed({ laps: 2.5 })).body.fields).toHaveProperty("measured");
  expect((await post("log-attempt", tap)).status).toBe(200);
  const [kept] = (await listAttempts([ids.pilot])).filter(({ id }) => id === tap.id);
  expect(kept).toMatchObject({ outcome: "rough", measured: { laps: 3, missedPoles: 1 } });
  // Taken back, it stays what it became.
  await missed({});
  expect((await post("log-attempt", tap)).status).toBe(200);
});

it("undoes, restores and marks faults; refuses a fault of another step", async () => {
  const tap = attempt({ outcome: "rough" });
  await post("log-attempt", tap);
  expect((await post("set-faults", { id: tap.id, faults: ["sky-at-stop"] })).status).toBe(200);
  expect((await post("set-faults", { id: tap.id, faults: ["no-such"] })).body.fields).toHaveProperty("faults");
  const stands = async () => (await listAttempts([ids.pilot])).find((one) => one.id === tap.id);
  expect(await stands()).toMatchObject({ faults: ["sky-at-stop"] });
  await post("undo-attempt", { id: tap.id });
  expect(await stands()).toBeUndefined();
  await post("restore-attempt", { id: tap.id });
  expect(await stands()).toBeDefined();
});

it("signs off once, with the evidence of that moment, and can be taken back and restored", async () => {
  const signOff = { id: newId(), pilotId: ids.pilot, stepId: "flip-slow", note: "calm" };
  expect((await post("sign-off", signOff)).status).toBe(200);
  expect((await post("sign-off", signOff)).status).toBe(200);
  expect((await post("sign-off", { ...signOff, id: newId() })).status).toBe(409);
  const [milestone] = await listMilestones([ids.pilot]);
  expect(milestone).toMatchObject({ stepId: "flip-slow", coachName: "Coach Ann", note: "calm" });
  expect(milestone.evidence.directions.map((one) => one.direction)).toEqual(["back", "front"]);
  expect(milestone.evidence.reason?.kind).toBe(milestone.evidence.advice);
  expect(milestone.evidence.judgedBy?.mark).toMatchObject({ kind: "in-places" });
  await post("withdraw-sign-off", { id: signOff.id });
  expect(await listMilestones([ids.pilot])).toHaveLength(0);
  await post("restore-sign-off", { id: signOff.id });
  expect(await listMilestones([ids.pilot])).toHaveLength(1);
});

describe("accounts", () => {
  const password = "four plain words here";
  const signIn = (name: string, word: string) => post("sign-in", { name, password: word });
  const strangersMay = ["begin", "sign-in", "open-invitation", "accept-invitation", "take-way-back"];

  it("a stranger may do nothing but begin, sign in and use an invitation, whatever they send", async () => {
    const token = browser.token;
    browser.token = null;
    for (const action of actionNames.filter((name) => !strangersMay.includes(name))) {
      for (const input of [{}, { id: ids.pilot }, attempt(), pilot])
        expect([action, (await post(action, input)).status]).toEqual([action, 401]);
    }
    browser.token = "x".repeat(43);
    expect((await post("add-pilot", { ...pilot, id: newId() })).status).toBe(401);
    browser.token = token;
  });

  it("begins only once", async () => {
    expect((await post("begin", { id: newId(), name: "Usurper", password: "another four plain words" })).status).toBe(
      409,
    );
  });

  it("signs in by name without regard to case, with a new token each time, and keeps only a hash of it", async () => {
    const before = browser.token;
    expect((await signIn("  coach ANN ", password)).status).toBe(200);
    expect(browser.token).not.toBe(before);
    expect(JSON.stringify(await database()("sign_in"))).not.toContain(browser.token);
    expect(JSON.stringify(await database()("account"))).not.toContain(password);
    expect((await database()("account"))[0].password_hash).toMatch(/^\$argon2id\$/);
  });

  it("says the same for a wrong name and a wrong password, and slows down the tries on both", async () => {
    const wrong = await signIn("Coach Ann", "not the right words");
    const nobody = await signIn("Nobody Atall", "not the right words");
    expect(wrong).toEqual(nobody);
    expect(wrong.status).toBe(422);
    for (let n = 0; n < 6; n++) await signIn("Coach Ann", "not the right words");
    const slowed = await signIn("Coach Ann", password);
    expect(slowed).toMatchObject({ status: 429, body: { message: expect.stringMatching(/Wait \d+ seconds/) } });
    await database()("failed_sign_in").delete();
    expect((await signIn("Coach Ann", password)).status).toBe(200);
  });

  it("changes the password for the present one only, refuses a poor one, and signs other devices out", async () => {
    const here = browser.token;
    browser.token = null;
    await signIn("Coach Ann", password);
    const there = browser.token;
    const next = "five other plain words now";
    expect((await post("change-password", { password: "guess", newPassword: next })).body.fields).toHaveProperty(
      "password",
    );
    for (const poor of ["short", "password1234", "coach ann 12345", "aaaaaaaaaaaaaaa"]) {
      expect((await post("change-password", { password, newPassword: poor })).body.fields).toHaveProperty(
        "newPassword",
      );
    }
    expect((await post("change-password", { password, newPassword: next })).status).toBe(200);
    browser.token = here;
    expect((await post("add-note", {})).status).toBe(401);
    browser.token = there;
    expect((await post("add-note", {})).status).toBe(422);
    expect((await post("change-password", { password: next, newPassword: password })).status).toBe(200);
  });

  it("ends a sign-in on another device, and by time without use and in any case", async () => {
    const here = browser.token!;
    browser.token = null;
    await signIn("Coach Ann", password);
    const there = browser.token!;
    const { signInId } = (await signedInBy(here, new Date()))!;
    expect((await post("end-sign-in", { id: signInId })).status).toBe(200);
    expect(await signedInBy(here, new Date())).toBeNull();
    const day = 86_400_000;
    expect(await signedInBy(there, new Date(Date.now() + 6 * day))).not.toBeNull();
    expect(await signedInBy(there, new Date(Date.now() + 6 * day + 8 * day))).toBeNull();
    await database()("sign_in").update({ seen_at: new Date(Date.now() + 30 * day) });
    expect(await signedInBy(there, new Date(Date.now() + 31 * day))).toBeNull();
    await database()("sign_in").update({ seen_at: new Date() });
  });

  it("signs out here and nowhere else", async () => {
    const here = browser.token;
    browser.token = null;
    await signIn("Coach Ann", password);
    expect((await post("sign-out", { everywhere: false })).status).toBe(200);
    expect(browser.token).toBeNull();
    browser.token = here;
    expect((await post("add-note", {})).status).toBe(422);
  });
});

it("signs out everywhere when asked to", async () => {
  const here = browser.token!;
  await post("sign-in", { name: "Coach Ann", password: "four plain words here" });
  await post("sign-out", { everywhere: true });
  expect(await signedInBy(here, new Date())).toBeNull();
  await post("sign-in", { name: "Coach Ann", password: "four plain words here" });
});

describe("bad input", () => {
  it.each([
    ["add-pilot", { ...pilot, id: newId(), name: "" }, "name", 422],
    ["add-pilot", { ...pilot, id: newId(), name: "x".repeat(10_000) }, "name", 422],
    ["add-pilot", { ...pilot, id: newId(), name: "<script>alert(1)</script>" }, "name", 422],
    ["add-pilot", { ...pilot, id: newId(), name: 7 }, "name", 422],
    ["add-pilot", { ...pilot, id: newId(), stickMode: 5 }, "stickMode", 422],
    ["add-pilot", { ...pilot, id: newId(), stickMode: null }, "stickMode", 422],
    ["add-pilot", { ...pilot, id: "1" }, "id", 422],
    ["add-pilot", { ...pilot, id: newId(), surprise: 1 }, "surprise", 422],
    ["add-aircraft", { ...aircraft, id: newId(), massG: "1e99" }, "massG", 422],
    ["add-aircraft", { ...aircraft, id: newId(), massG: "heavy" }, "massG", 422],
    ["add-aircraft", { ...aircraft, id: newId(), presetId: "__proto__" }, "presetId", 422],
    ["log-attempt", attempt({ outcome: "great" }), "outcome", 422],
    ["log-attempt", attempt({ direction: "sideways" }), "direction", 422],
    ["log-attempt", attempt({ flownAtMs: 1e300 }), "flownAtMs", 422],
    ["start-session", { ...session, id: newId(), pilots: [] }, "pilots", 422],
    ["start-session", { ...session, id: newId(), pilots: [session.pilots[0], session.pilots[0]] }, "pilots", 422],
  ])("%s %# says it at the field", async (action, input, field, status) => {
    const answer = await post(action, input);
    expect(answer.status).toBe(status);
    expect(answer.body.fields[field]).toEqual(expect.any(String));
    expect(answer.body.message.length).toBeLessThan(300);
  });

  it.each([
    ["log-attempt", attempt({ sessionId: newId() })],
    ["log-attempt", attempt({ pilotId: newId() })],
    ["add-aircraft", { ...aircraft, id: newId(), pilotId: newId() }],
    ["save-setup", { ...setup, id: newId(), aircraftId: newId() }],
    ["sign-off", { id: newId(), pilotId: newId(), stepId: "flip-slow", note: "" }],
    ["undo-attempt", { id: newId() }],
    ["no-such-action", {}],
  ])("%s of something unknown is a 404", async (action, input) => {
    expect((await post(action, input)).status).toBe(404);
  });

  it("refuses what is no JSON, too long, of another kind or from another site", async () => {
    expect((await post("add-pilot", "{")).status).toBe(400);
    expect((await post("add-pilot", "[]")).status).toBe(400);
    expect((await post("add-pilot", "null")).status).toBe(400);
    expect((await post("add-pilot", JSON.stringify({ name: "x".repeat(70_000) }))).status).toBe(413);
    expect((await post("add-pilot", pilot, { "content-type": "text/plain" })).status).toBe(415);
    expect((await post("add-pilot", pilot, { origin: "https://elsewhere.example" })).status).toBe(403);
  });

  it("of any shape at any action is never a 5xx and stores nothing", async () => {
    const before = await Promise.all([
      listCoaches(),
      listPilots(reach),
      listAttempts([ids.pilot]),
      listMilestones([ids.pilot]),
    ]);
    const value = fc.oneof(
      fc.anything({ maxDepth: 2 }),
      fc.constantFrom(newId(), ids.pilot, "", "flip-slow", "back", -1, 1e308),
    );
    const fieldName = fc.constantFrom(
      "id",
      "pilotId",
      "sessionId",
      "stepId",
      "settings",
      "pilots",
      "faults",
      "coachId",
      "note",
      "text",
    );
    const isId = (id: unknown) => typeof id === "string" && /^[0-9a-f-]{36}$/.test(id);
    const shape = fc.oneof(fc.anything({ maxDepth: 3 }), fc.dictionary(fieldName, value));
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...actionNames.filter((name) => name !== "sign-out")),
        shape,
        async (action, input) => {
          // Nothing is malformed about removing a pilot who is there, or about an invitation with nothing but its id.
          const { id } = (input ?? {}) as { id?: unknown };
          fc.pre(!(action === "remove-pilot" && id === ids.pilot) && !(action === "invite-coach" && isId(id)));
          let text: string | undefined;
          try {
            text = JSON.stringify(input);
          } catch {
            // What JSON cannot say cannot be sent either.
            return;
          }
          const { status } = await post(action, text ?? "undefined");
          expect(status).toBeGreaterThanOrEqual(400);
          expect(status).toBeLessThan(500);
        },
      ),
      { numRuns: 400 },
    );
    expect(
      await Promise.all([listCoaches(), listPilots(reach), listAttempts([ids.pilot]), listMilestones([ids.pilot])]),
    ).toEqual(before);
  });
});
