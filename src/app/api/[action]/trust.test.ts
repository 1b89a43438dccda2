import { v7 as newId } from "uuid";
import { signedInBy } from "@/server/accounts";
import { database } from "@/server/database";
import { listMilestones, listTrail } from "@/server/repositories";
import { browser, requestTo } from "@/server/testing/browser";
import { longPunch } from "@/server/testing/long-punch";
import { twoTricks } from "@/server/testing/two-tricks";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { POST } from "./route";

/** Each of these got through once: done as it was done, and what holds now. */

jest.mock(
  "@/server/accounts/current",
  () => jest.requireActual<typeof import("@/server/testing/browser")>("@/server/testing/browser").accountOfBrowser,
);

withFreshDatabase();

interface Answer {
  readonly status: number;
  readonly message?: string;
  readonly fields?: Readonly<Record<string, string>>;
  readonly data?: { readonly token: string };
}

async function post(action: string, body: unknown, headers: Readonly<Record<string, string>> = {}): Promise<Answer> {
  const response = await POST(requestTo(action, body, headers), { params: Promise.resolve({ action }) });
  return { status: response.status, ...((await response.json()) as object) };
}
const statuses = async (posts: readonly Promise<Answer>[]) => (await Promise.all(posts)).map(({ status }) => status);
const times = <T>(n: number, make: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => make(i));

const password = "four plain words here";
const ids = { ann: newId(), squad: newId(), pilot: newId(), session: newId() };
const pilotFields = { stickMode: 2, grip: "thumbs" };
const member = { pilotId: ids.pilot, stepId: "flip-slow", setupId: null };
const tap = () => ({
  id: newId(),
  sessionId: ids.session,
  pilotId: ids.pilot,
  stepId: "flip-slow",
  direction: "back",
  outcome: "clean",
  flownAtMs: Date.now(),
});
const asAnn = async () => {
  browser.token = null;
  expect((await post("sign-in", { name: "Ann Pell", password })).status).toBe(200);
};

beforeAll(async () => {
  for (const [action, input] of [
    ["begin", { id: ids.ann, name: "Ann Pell", password }],
    ["add-squad", { id: ids.squad, name: "Pans" }],
    ["add-pilot", { id: ids.pilot, squadId: ids.squad, name: "Odo Fenn", ...pilotFields }],
    ["start-session", { id: ids.session, place: "field", pilots: [member] }],
  ] as const)
    expect(await post(action, input)).toMatchObject({ status: 200 });
});

describe("files that are made to do harm", () => {
  it.each([
    ["millions of small things", `{"squadId":"${ids.squad}","record":{"a":[${"{},".repeat(1_600_000)}{}]}}`, 413],
    [
      "a hundred thousand fields",
      `{"squadId":"${ids.squad}","record":{${times(100_000, (i) => `"k${i}":1`).join(",")}}}`,
      422,
    ],
    ["endless nesting", `{"squadId":"${ids.squad}","record":${"[".repeat(5000)}${"]".repeat(5000)}}`, 422],
    [
      "as many things as are taken, none of them known",
      `{"squadId":"${ids.squad}","record":{"a":[${"1,".repeat(700_000)}1]}}`,
      422,
    ],
  ])("%s are turned away before anything is made of them", async (_, body, status) => {
    expect(await post("import-record", body)).toMatchObject({ status });
  });

  it("reads text that looks like structure as text", async () => {
    expect(await post("add-note", { id: newId(), pilotId: ids.pilot, text: '{[,"\\'.repeat(40) })).toMatchObject({
      status: 200,
    });
  });
});

describe("many at once", () => {
  it("fifty of an action that reads while it writes all succeed, more than the pool has connections", async () => {
    const taps = times(50, tap);
    expect(new Set(await statuses(taps.map((one) => post("log-attempt", one))))).toEqual(new Set([200]));
    const faults = taps.map(({ id }) => post("set-faults", { id, faults: ["sky-at-stop"] }));
    expect(new Set(await statuses(faults))).toEqual(new Set([200]));
    const steps = ["sticks", "arm-reflex", "first-setup", "los-hover", "los-nose-in", "los-circles", "los-eight"];
    const signed = steps.map((stepId) => post("sign-off", { id: newId(), pilotId: ids.pilot, stepId, note: "" }));
    expect(new Set(await statuses(signed))).toEqual(new Set([200]));
  });

  it("undone and restored at once an attempt ends as one of both, and nobody is failed by it", async () => {
    const one = tap();
    await post("log-attempt", one);
    const answers = await statuses(times(40, (i) => post(i % 2 ? "undo-attempt" : "restore-attempt", { id: one.id })));
    expect(answers.filter((status) => status !== 200 && status !== 409)).toEqual([]);
  });

  it("what is erased while others write into it is gone, and they are told", async () => {
    const id = newId();
    const session = newId();
    await post("add-pilot", { id, squadId: ids.squad, name: "Una Marsh", ...pilotFields });
    const pilots = [{ ...member, pilotId: id }];
    await post("start-session", { id: session, place: "field", pilots });
    const writes = times(12, (i) =>
      i === 4
        ? post("erase-pilot", { id, name: "Una Marsh" })
        : i % 2
          ? post("add-note", { id: newId(), pilotId: id, text: "x" })
          : post("log-attempt", { ...tap(), sessionId: session, pilotId: id }),
    );
    expect((await statuses(writes)).filter((status) => status >= 500)).toEqual([]);
    // The last word is the erasure's, once more if it collided.
    const again = await post("erase-pilot", { id, name: "Una Marsh" });
    expect([200, 404]).toContain(again.status);
    expect(await database()("attempt").where({ pilot_id: id })).toEqual([]);
  });

  it("an attempt tapped while its prepared session is dropped is kept or refused, never failed", async () => {
    for (let n = 0; n < 8; n++) {
      const session = newId();
      await post("start-session", { id: session, place: "field", prepared: true, pilots: [member] });
      const answers = await statuses([
        post("log-attempt", { ...tap(), sessionId: session }),
        post("drop-session", { id: session }),
      ]);
      expect(answers.filter((status) => status >= 500)).toEqual([]);
    }
  });
});

describe("sign-offs", () => {
  it("two that are restored at once do not both stand", async () => {
    const signOff = async () => {
      const id = newId();
      expect((await post("sign-off", { id, pilotId: ids.pilot, stepId: "flip-ease-quarter", note: "" })).status).toBe(
        200,
      );
      expect((await post("withdraw-sign-off", { id })).status).toBe(200);
      return id;
    };
    const both = [await signOff(), await signOff()];
    for (let round = 0; round < 6; round++) {
      const answers = await statuses(both.map((id) => post("restore-sign-off", { id })));
      expect([...answers].sort()).toEqual([200, 409]);
      const standing = (await listMilestones([ids.pilot])).filter(({ stepId }) => stepId === "flip-ease-quarter");
      expect(standing).toHaveLength(1);
      await post("withdraw-sign-off", { id: standing[0].id });
    }
    // A repeated send leaves no second line.
    const lines = async () => (await listTrail([ids.squad], { limit: 500 })).length;
    const before = await lines();
    await post("withdraw-sign-off", { id: both[0] });
    expect(await lines()).toBe(before);
  });

  it("the database itself lets only one stand", async () => {
    const row = {
      pilot_id: ids.pilot,
      step_id: "hang",
      coach_id: ids.ann,
      evidence: "{}",
      note: "",
      signed_at: new Date(),
    };
    await database()("milestone").insert({ ...row, id: newId() });
    await expect(database()("milestone").insert({ ...row, id: newId() })).rejects.toMatchObject({
      code: "ER_DUP_ENTRY",
    });
    await database()("milestone").where({ step_id: "hang" }).delete();
  });
});

describe("guesses", () => {
  const from = (address: string) => ({ "x-forwarded-for": address });
  const guess = (address: string) =>
    post("sign-in", { name: "Ann Pell", password: "wrong words these" }, from(address));
  const token = browser;
  beforeEach(() => database()("failed_sign_in").delete());

  it("at the same moment are slowed like guesses one after the other", async () => {
    const answers = await statuses(times(40, () => guess("10.0.0.1")));
    expect(answers.filter((status) => status === 422).length).toBeLessThanOrEqual(5);
    expect(answers.every((status) => status === 422 || status === 429)).toBe(true);
  });

  it("from elsewhere do not lock the owner of the name out, and are hopeless all the same", async () => {
    for (let n = 0; n < 6; n++) await guess("10.0.0.2");
    expect((await guess("10.0.0.2")).status).toBe(429);
    expect((await post("sign-in", { name: "Ann Pell", password }, from("10.0.0.3"))).status).toBe(200);
    const everywhere = await statuses(times(60, (i) => guess(`10.0.1.${i}`)));
    expect(everywhere.filter((status) => status === 422).length).toBeLessThanOrEqual(22);
  });

  it("that end in the right password are forgotten, also for the address", async () => {
    for (let n = 0; n < 4; n++) await guess("10.0.0.4");
    expect((await post("sign-in", { name: "Ann Pell", password }, from("10.0.0.4"))).status).toBe(200);
    expect(await database()("failed_sign_in")).toEqual([]);
  });

  it("at one's present password are slowed too", async () => {
    await asAnn();
    const wrong = () =>
      post("change-password", { password: "wrong words these", newPassword: "five other plain words" });
    const answers = await statuses(times(20, wrong));
    expect(answers.filter((status) => status === 422).length).toBeLessThanOrEqual(5);
    expect(answers.filter((status) => status === 429).length).toBeGreaterThanOrEqual(15);
  });

  it("a sign-in ends the one this browser had", async () => {
    await asAnn();
    const before = token.token!;
    expect((await post("sign-in", { name: "Ann Pell", password })).status).toBe(200);
    expect(await signedInBy(before, new Date())).toBeNull();
    expect(await signedInBy(token.token!, new Date())).not.toBeNull();
  });

  it("begin is refused before anything costly is done", async () => {
    const answers = await Promise.all(times(80, () => post("begin", { id: newId(), name: "Eve Moss", password })));
    // Hashing them all would have met the limit of those that wait for it.
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([409]));
  });

  it("no more hash at once than wait for it; the rest is told to come back", async () => {
    const answers = await statuses(
      times(70, (i) => post("sign-in", { name: `Nobody ${i}`, password }, from(`10.9.0.${i}`))),
    );
    expect(answers.filter((status) => status === 422).length).toBeGreaterThan(40);
    expect(answers.every((status) => status === 422 || status === 429)).toBe(true);
    // What was not compared is held against nobody: each try that was stands at its name, its address and both.
    const [{ failures }]: { failures: string }[] = await database()("failed_sign_in").sum("failures as failures");
    expect(Number(failures)).toBe(3 * answers.filter((status) => status === 422).length);
  });
});

describe("other people's things", () => {
  it("a coach who shares a squad takes no pilot out of it; an owner does, and both trails say so", async () => {
    await asAnn();
    const edda = newId();
    const eddas = newId();
    const { data } = await post("invite-coach", { id: newId(), squadId: ids.squad });
    browser.token = null;
    const accepted = await post("accept-invitation", { id: edda, token: data!.token, name: "Edda Lind", password });
    expect(accepted.status).toBe(200);
    await post("add-squad", { id: eddas, name: "Edda's own" });
    const move = { id: ids.pilot, squadId: eddas, name: "Odo Fenn", version: 1, ...pilotFields };
    expect((await post("edit-pilot", move)).status).toBe(403);
    expect((await database()("pilot").where({ id: ids.pilot }).first()).squad_id).toBe(ids.squad);
    await asAnn();
    const other = newId();
    await post("add-squad", { id: other, name: "Upper pans" });
    expect((await post("edit-pilot", { ...move, squadId: other })).status).toBe(200);
    const done = async (squadId: string) => (await listTrail([squadId], { limit: 3 })).map((deed) => deed.done);
    expect(await done(ids.squad)).toContainEqual({ kind: "moved-away", pilot: "Odo Fenn", to: "Upper pans" });
    expect(await done(other)).toContainEqual({ kind: "moved-here" });
    // Sent again, as after a lost answer, it is the same answer and no second line.
    const lines = (await listTrail([other], { limit: 50 })).length;
    expect((await post("edit-pilot", { ...move, squadId: other })).status).toBe(200);
    expect((await listTrail([other], { limit: 50 })).length).toBe(lines);
    expect((await post("edit-pilot", { ...move, squadId: ids.squad, version: 2 })).status).toBe(200);
  });

  it("an invitation does not become a coach who is known from a file", async () => {
    await asAnn();
    const known = newId();
    await database()("coach").insert({ id: known, name: "Coach Elsewhere", created_at: new Date() });
    const { data } = await post("invite-coach", { id: newId(), squadId: ids.squad });
    browser.token = null;
    for (const name of ["Somebody New", "Coach Elsewhere"])
      expect((await post("accept-invitation", { id: known, token: data!.token, name, password })).status).toBe(409);
    expect(await database()("account").where({ coach_id: known })).toEqual([]);
  });

  it("a plan does not take up another squad's pilot and site, also when it is changed", async () => {
    await asAnn();
    const [other, stranger, site] = [newId(), newId(), newId()];
    await post("add-squad", { id: other, name: "Store yard" });
    await post("add-pilot", { id: stranger, squadId: other, name: "Ida Rook", ...pilotFields });
    await post("add-site", {
      ...{ id: site, squadId: other, name: "Yard", kind: "field", room: "", ceilingM: null, elevationM: null },
      ...{ roomM: 40, spots: 1, surface: "grass", notes: "", hazards: "" },
    });
    const plan = {
      id: newId(),
      squadId: ids.squad,
      pilotIds: [ids.pilot],
      siteId: null,
      startsAtMs: Date.now(),
      minutes: 60,
      note: "",
    };
    expect((await post("plan-session", plan)).status).toBe(200);
    const { squadId: _, ...edit } = { ...plan, version: 1 };
    expect((await post("edit-planned", { ...edit, pilotIds: [stranger] })).status).toBe(422);
    expect((await database()("planned_pilot").where({ planned_id: plan.id })).map((row) => row.pilot_id)).toEqual([
      ids.pilot,
    ]);
  });

  it("an add that meets a row of someone else's is refused, the same add once more is not", async () => {
    await asAnn();
    const squad = { id: newId(), name: "Twice" };
    expect(await statuses([post("add-squad", squad)])).toEqual([200]);
    expect((await post("add-squad", squad)).status).toBe(200);
    expect((await post("add-squad", { ...squad, name: "Another" })).status).toBe(409);
    const note = { id: newId(), pilotId: ids.pilot, text: "calm hands" };
    await post("add-note", note);
    await post("remove-note", { id: note.id });
    expect((await post("add-note", note)).status).toBe(409);
  });

  it("a change that is sent twice is made once and leaves one line; another on what was read before is refused", async () => {
    await asAnn();
    const squad = { id: newId(), name: "Sent twice" };
    const aircraft = newId();
    const variant = newId();
    await post("add-squad", squad);
    const measured = { flightState: "flying", massG: "640", thrustToWeight: "" };
    const otter = { id: aircraft, pilotId: ids.pilot, name: "Otter", presetId: "five-inch-freestyle", ...measured };
    expect((await post("add-aircraft", otter)).status).toBe(200);
    const own = { id: variant, pilotIds: [ids.pilot], document: longPunch };
    expect((await post("add-variant", { ...own, squadId: ids.squad })).status).toBe(200);
    const line = { id: newId(), siteId: null, document: twoTricks };
    expect((await post("add-line", { ...line, squadId: ids.squad })).status).toBe(200);
    const weighed = { kind: "weight", massKg: 0.655 };
    for (const [table, action, change, another] of [
      ["squad", "rename-squad", { id: squad.id, name: "Once" }, { name: "Later" }],
      ["squad", "set-squad-school", { id: squad.id, school: { route: "bank-limit" } }, { school: {} }],
      [
        "squad",
        "set-squad-rules",
        { id: squad.id, timeZone: "Asia/Kathmandu", mostLuck: 0.3, attendedOnly: true },
        { mostLuck: 1 },
      ],
      ["variant", "edit-variant", { ...own, document: { ...longPunch, name: "Longer" } }, { pilotIds: [] }],
      ["line", "save-line", { ...line, document: { ...twoTricks, name: "Longer" } }, { document: twoTricks }],
      ["aircraft", "measure-aircraft", { id: aircraft, measurements: [weighed] }, { measurements: [] }],
    ] as const) {
      const row = await database()(table).where({ id: change.id }).first<{ version: number }>();
      const send = (more: object) => post(action, { ...change, version: row!.version, ...more });
      expect([action, await send({})]).toEqual([action, expect.objectContaining({ status: 200 })]);
      const trail = await database()("trail").count("* as lines");
      expect([action, (await send({})).status]).toEqual([action, 200]);
      expect(await database()("trail").count("* as lines")).toEqual(trail);
      expect([action, (await send(another)).status]).toEqual([action, 409]);
    }
  });
});

describe("input that once was a failure of the server", () => {
  beforeEach(asAnn);
  const lone = "\ud800";
  it.each([
    ["names that objects have", "add-squad", '{"id":"x","name":{"constructor":1}}'],
    ["their prototype", "add-squad", '{"id":"x","__proto__":{"a":1}}'],
    ["lists in lists", "start-session", { id: newId(), place: "field", pilots: [[member]] }],
    ["a list as a plan", "start-session", { id: newId(), place: "field", pilots: [{ ...member, plan: [] }] }],
    [
      "half a character in a reason",
      "start-session",
      {
        id: newId(),
        place: "field",
        pilots: [
          {
            ...member,
            plan: { turns: [], blocks: [{ kind: "main", stepId: null, minutes: 4, firstDirection: null, why: lone }] },
          },
        ],
      },
    ],
    ["half a character in a name", "add-squad", { id: newId(), name: `a${lone}` }],
    [
      "what is not seen in a name",
      "add-pilot",
      { id: newId(), squadId: ids.squad, name: "Odo\u200bFenn", ...pilotFields },
    ],
    ["writing turned round", "add-pilot", { id: newId(), squadId: ids.squad, name: "Odo \u202enneF", ...pilotFields }],
    [
      "two alphabets in a word",
      "add-pilot",
      { id: newId(), squadId: ids.squad, name: "Od\u043e Fenn", ...pilotFields },
    ],
  ])("%s is answered 422 and stores nothing", async (_, action, body) => {
    const count = async () =>
      Promise.all(["squad", "pilot", "session"].map(async (table) => (await database()(table).count({ n: "*" }))[0].n));
    const before = await count();
    expect((await post(action, body)).status).toBe(422);
    expect(await count()).toEqual(before);
  });

  it("a name that grows when it is made comparable is refused where somebody would sign in by it", async () => {
    const { data } = await post("invite-coach", { id: newId(), squadId: ids.squad });
    browser.token = null;
    const long = { id: newId(), token: data!.token, name: "\ufdfa".repeat(20), password };
    expect(await post("accept-invitation", long)).toMatchObject({ status: 422, fields: { name: expect.any(String) } });
  });

  it.each([["999999999999999"], ["1"], ["253402300799999"]])(
    "a device's clock of %s ms stores no such time",
    async (clock) => {
      const one = tap();
      expect((await post("log-attempt", one, { "x-bathygon-device-ms": clock })).status).toBe(200);
      const { flown_at } = await database()("attempt").where({ id: one.id }).first();
      expect(Math.abs(flown_at.getTime() - Date.now())).toBeLessThan(60_000);
    },
  );

  it("another origin than the configured one is refused, whatever the request says its host is", async () => {
    process.env.BATHYGON_ORIGIN = "https://camp.example";
    const evil = { host: "evil.example", origin: "https://evil.example" };
    expect((await post("add-note", {}, evil)).status).toBe(403);
    expect((await post("add-note", {}, { host: "inner:3000", origin: "https://camp.example" })).status).toBe(422);
    delete process.env.BATHYGON_ORIGIN;
  });
});

it("a clock that jumped a month ahead signs nobody out for good", async () => {
  await asAnn();
  const mine = browser.token!;
  browser.token = null;
  jest.useFakeTimers({
    doNotFake: [
      "nextTick",
      "setImmediate",
      "setTimeout",
      "setInterval",
      "clearTimeout",
      "clearInterval",
      "queueMicrotask",
      "performance",
    ],
    now: Date.now() + 31 * 86_400_000,
  });
  expect((await post("sign-in", { name: "Ann Pell", password })).status).toBe(200);
  jest.useRealTimers();
  expect(await signedInBy(mine, new Date())).not.toBeNull();
});
