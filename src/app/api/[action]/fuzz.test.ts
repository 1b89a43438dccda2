import { plainToInstance } from "class-transformer";
import { getMetadataStorage, validate } from "class-validator";
import { v7 as newId } from "uuid";
import { firstSettings } from "@/core";
import { seededRandom } from "@/core/numbers";
import { database } from "@/server/database";
import { requestTo } from "@/server/testing/browser";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { actionNames, findAction } from "./registry";
import { POST } from "./route";

/**
 * Inputs grown from the input classes of all actions, with what once got through as seeds: never a failure of the server, and nothing stored of what a class
 * refuses. `npm run fuzz` sends 100,000 of them, `npm test` a tenth.
 */

const INPUTS = Number(process.env.BATHYGON_FUZZ ?? 10_000);
const SEED = Number(process.env.BATHYGON_FUZZ_SEED ?? 20_261_128);

jest.mock(
  "@/server/accounts/current",
  () => jest.requireActual<typeof import("@/server/testing/browser")>("@/server/testing/browser").accountOfBrowser,
);

withFreshDatabase();

/** Ends the sign-in with which all the others are sent, or costs a hash each. */
const LEFT_OUT = [
  "sign-out",
  "end-sign-in",
  "change-password",
  "sign-in",
  "begin",
  "accept-invitation",
  "take-way-back",
];
const names = actionNames.filter((name) => !LEFT_OUT.includes(name));
const ids = { ann: newId(), squad: newId(), pilot: newId(), session: newId(), aircraft: newId() };
const random = seededRandom(SEED);
const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)];

/** What people and machines send, right and wrong, and what once got through. */
const seeds: readonly (() => unknown)[] = [
  ...[null, true, false, 0, -1, 1, 1.5, 1e9, 9e15, -0, 1e308].map((value) => () => value),
  ...[
    "",
    " ",
    "x",
    "Odo Fenn",
    "flip-slow",
    "back",
    "right",
    "clean",
    "field",
    "five-inch-freestyle",
    "1",
    "7,5",
    "NaN",
  ].map((value) => () => value),
  ...[
    "\ud800",
    "a\u0000b",
    "\ufdfa".repeat(20),
    "\u202eenneF",
    "Od\u043e",
    "\u200b",
    "<b>x</b>",
    "' or 1=1 --",
    "=1+1",
  ].map((value) => () => value),
  ...["2016-12-31T23:59:60Z", "9999-12-31T23:59:59-14:00", "0000-00-00", "__proto__", "constructor"].map(
    (value) => () => value,
  ),
  () => "x".repeat(Math.floor(random() * 5000)),
  () => newId(),
  () => pick(Object.values(ids)),
  () => Date.now() + Math.floor((random() - 0.5) * 1e11),
  () => ({}),
  () => [],
  () => [[]],
  () => [pick(Object.values(ids))],
  () => [newId(), newId()],
  () => [{ pilotId: ids.pilot, stepId: "flip-slow", setupId: null }],
  () => [[{ pilotId: ids.pilot }]],
  () => [{ kind: "hover", command: random() }],
  () => JSON.parse('{"constructor":1}') as unknown,
  () => JSON.parse('{"__proto__":{"a":1}}') as unknown,
  () => ({ [pick(["toString", "a", "rates", "roll"])]: grown(2) }),
  () => firstSettings,
  () => ({ ...firstSettings, tiltDeg: grown(1) }),
  () => Array.from({ length: Math.floor(random() * 60) }, () => grown(1)),
];

function grown(depth: number): unknown {
  return depth > 0 && random() < 0.2 ? { [pick(["id", "name", "kind", "x"])]: grown(depth - 1) } : pick(seeds)();
}

interface InputClass {
  new (): object;
}

const fieldsOf = (cls: InputClass) => [
  ...new Set(
    getMetadataStorage()
      .getTargetValidationMetadatas(cls, "", false, false)
      .map(({ propertyName }) => propertyName),
  ),
];

/** An input of an action: each field of its class left out, right by name, or anything. */
function inputOf(cls: InputClass): Record<string, unknown> {
  const input: Record<string, unknown> = {};
  for (const field of fieldsOf(cls)) {
    const luck = random();
    if (luck < 0.08) continue;
    input[field] = luck < 0.5 ? fitting(field) : grown(3);
  }
  if (random() < 0.05) input[pick(["surprise", "constructor", "__proto__x", "length"])] = grown(1);
  return input;
}

/** What would do in a field of this name. */
function fitting(field: string): unknown {
  if (field === "id") return newId();
  if (/squad/i.test(field)) return ids.squad;
  if (/pilotIds/.test(field)) return [ids.pilot];
  if (/pilot/i.test(field)) return ids.pilot;
  if (/session/i.test(field)) return ids.session;
  if (/aircraft/i.test(field)) return ids.aircraft;
  if (/stepId/.test(field)) return "flip-slow";
  if (/AtMs/.test(field)) return Date.now();
  if (/version|basedOn/.test(field)) return 1;
  return pick(seeds)();
}

async function send(action: string, body: string): Promise<number> {
  const clock = random() < 0.1 ? { "x-bathygon-device-ms": String(Math.floor(random() * 1e15)) } : undefined;
  return (await POST(requestTo(action, body, clock), { params: Promise.resolve({ action }) })).status;
}

/** How many rows each table has, in one question. */
async function rows(): Promise<string> {
  tables ??= await tableNames();
  const counts = tables.map((name) => `select '${name}' as name, count(*) as n from \`${name}\``);
  const [found] = (await database().raw(counts.join(" union all "))) as [{ name: string; n: number }[]];
  return found.map(({ name, n }) => `${name} ${n}`).join();
}
let tables: readonly string[] | null = null;

async function tableNames(): Promise<readonly string[]> {
  const [found] = (await database().raw(
    "select table_name as name from information_schema.tables where table_schema = database() and table_name not like 'knex%' order by 1",
  )) as [{ name: string }[]];
  return found.map(({ name }) => name);
}

beforeAll(async () => {
  const first: readonly (readonly [string, object])[] = [
    ["begin", { id: ids.ann, name: "Ann Pell", password: "four plain words here" }],
    ["add-squad", { id: ids.squad, name: "Pans" }],
    ["add-pilot", { id: ids.pilot, squadId: ids.squad, name: "Odo Fenn", stickMode: 2, grip: "thumbs" }],
    [
      "add-aircraft",
      {
        ...{ id: ids.aircraft, pilotId: ids.pilot, name: "Plank", presetId: "three-inch" },
        ...{ flightState: "flying", massG: "", thrustToWeight: "" },
      },
    ],
    [
      "start-session",
      { id: ids.session, place: "field", pilots: [{ pilotId: ids.pilot, stepId: "flip-slow", setupId: null }] },
    ],
  ];
  for (const [action, input] of first) expect(await send(action, JSON.stringify(input))).toBe(200);
});

/** Whether the class of an action takes an input, so that it may rightly be stored. */
async function taken(cls: InputClass, body: string): Promise<boolean> {
  try {
    const input = plainToInstance(cls, JSON.parse(body) as object);
    return (await validate(input, { whitelist: true, forbidNonWhitelisted: true })).length === 0;
  } catch {
    return false;
  }
}

const { defaultMetadataStorage } = jest.requireActual<typeof import("class-transformer/types/storage")>(
  "class-transformer/cjs/storage",
);

/** An input that a class takes, as far as its decorators tell: inputs within it whole, lists with one of theirs, nothing that may be left out. */
function wholeOf(cls: InputClass): Record<string, unknown> {
  const all = getMetadataStorage().getTargetValidationMetadatas(cls, "", false, false);
  return Object.fromEntries(
    fieldsOf(cls).map((field) => {
      const asked = new Map(
        all.filter(({ propertyName }) => propertyName === field).map((one) => [one.name ?? one.type, one.constraints]),
      );
      const part = defaultMetadataStorage.findTypeMetadata(cls, field)?.typeFunction() as InputClass | undefined;
      if (asked.has("conditionalValidation")) return [field, undefined];
      if (part) return [field, asked.has("isArray") ? [wholeOf(part)] : wholeOf(part)];
      if (asked.has("isIn")) return [field, (asked.get("isIn") as unknown[][])[0][0]];
      if (asked.has("isBoolean")) return [field, true];
      if (asked.has("isNumber") || asked.has("isInt")) return [field, Number(asked.get("min")?.[0] ?? 1)];
      if (asked.has("isMoment")) return [field, Date.now()];
      return [field, asked.has("isString") ? "four plain words here" : fitting(field)];
    }),
  );
}

it("no action fails for a field left out, empty, or holding nothing of what belongs in it", async () => {
  const failures: string[] = [];
  let whole = 0;
  for (const name of names) {
    const cls = findAction(name)!.input as InputClass;
    const fields = fieldsOf(cls);
    if (await taken(cls, JSON.stringify(wholeOf(cls)))) whole++;
    for (const field of fields)
      for (const wrong of [undefined, null, [], [[]], {}, [{}], [null], ""]) {
        const input = { ...wholeOf(cls), [field]: wrong };
        const status = await send(name, JSON.stringify(input));
        if (status >= 500) failures.push(`${status} ${name} ${field} ${JSON.stringify(wrong)}`);
      }
  }
  expect(failures).toEqual([]);
  expect(whole).toBeGreaterThan(0.6 * names.length);
}, 300_000);

it(
  `${INPUTS} inputs are never a failure of the server, and what a class refuses is never stored`,
  async () => {
    const failures: string[] = [];
    const answers = new Map<number, number>();
    let refusedByClass = 0;
    for (let n = 0; n < INPUTS; n++) {
      const name = names[n % names.length];
      const { input: cls } = findAction(name)!;
      const body = JSON.stringify(inputOf(cls as InputClass));
      const mayStore = await taken(cls as InputClass, body);
      const before = !mayStore && n % 25 === 0 ? await rows() : null;
      const status = await send(name, body);
      answers.set(status, (answers.get(status) ?? 0) + 1);
      if (!mayStore) refusedByClass++;
      if (status >= 500) failures.push(`${status} ${name} ${body.slice(0, 300)}`);
      if (!mayStore && status === 200) failures.push(`stored ${name} ${body.slice(0, 300)}`);
      if (before !== null && before !== (await rows())) failures.push(`rows changed by ${name} ${body.slice(0, 300)}`);
    }
    expect(failures.slice(0, 5)).toEqual([]);
    // Most are wrong, some are right: neither side went untried.
    expect(refusedByClass).toBeGreaterThan(0.5 * INPUTS);
    expect((answers.get(200) ?? 0) + (answers.get(404) ?? 0)).toBeGreaterThan(0.002 * INPUTS);
  },
  30 * 60_000,
);
