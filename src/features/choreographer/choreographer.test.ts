import fc from "fast-check";
import { v7 as newId } from "uuid";
import { airframePresets, CALM_AIR, firstSettings, fly, recipes, type Recipe } from "@/core";
import { variantSchema } from "@/server/files";
import type { SignedInCoach } from "@/server/accounts";
import { database } from "@/server/database";
import { loadProgress } from "@/server/progress";
import {
  listTrail,
  erasePilot,
  findPilot,
  findVariant,
  insertCoach,
  insertPilot,
  insertSquad,
  inTransaction,
  listBin,
  listVariants,
  updatePilot,
} from "@/server/repositories";
import { longPunch } from "@/server/testing/long-punch";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { findStep, recipeOf, requireVariant, tricks, type VariantDocument } from "@/syllabus";
import { choreographerActions as actions } from "./actions";
import { loadChoreographer } from "./load";

withFreshDatabase();

const [squadId, otherSquadId, coachId, odo, ida, far] = Array.from({ length: 6 }, () => newId());
const now = new Date();
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
const run = runnerFor(who);
const way = (change: Partial<VariantDocument> = {}): VariantDocument => ({ ...longPunch, ...change });
const add = (change: object = {}, document: object = way()) =>
  run(actions["add-variant"], { id: newId(), squadId, pilotIds: [], document, ...change });
/** The recipe a pilot's brief of the slow flip is computed from. */
async function flownBy(pilotId: string, direction = "back"): Promise<Recipe> {
  const progress = (await loadProgress([(await findPilot(pilotId))!])).get(pilotId)!;
  return recipeOf(findStep(progress.syllabus, "flip-slow")!, direction, progress)!;
}

type Path = readonly (string | number)[];
/** Where something stands in a document, leaves and branches. */
const pathsOf = (node: unknown, at: Path = []): Path[] =>
  typeof node === "object" && node !== null
    ? [...(at.length ? [at] : []), ...Object.entries(node).flatMap(([key, one]) => pathsOf(one, [...at, key]))]
    : [at];
const withAt = (node: unknown, [key, ...rest]: Path, put: unknown): unknown => {
  if (key === undefined) return put;
  const next = withAt((node as Record<string, unknown>)[key], rest, put);
  return Array.isArray(node)
    ? node.map((one, i) => (i === Number(key) ? next : one))
    : { ...(node as object), [key]: next };
};

beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    for (const id of [squadId, otherSquadId])
      await insertSquad(transaction, { id, name: id === squadId ? "Pans" : "Dyke", ownerId: coachId }, now);
    for (const [id, name, of] of [
      [odo, "Odo Fenn", squadId],
      [ida, "Ida Rook", squadId],
      [far, "Bo Kerr", otherSquadId],
    ])
      await insertPilot(transaction, { id, squadId: of, name, stickMode: 2, grip: "thumbs" }, now);
  }),
);
beforeEach(() => database()("variant").delete());

it("is flown by those it is chosen for, both ways, and by nobody else", async () => {
  const id = newId();
  await add({ id, pilotIds: [odo] });
  expect(await flownBy(odo)).toMatchObject({ id: `${id}-back`, label: "Long punch" });
  expect((await flownBy(odo, "front")).phases).toEqual(recipes["flip-slow-front"].phases);
  expect((await flownBy(ida)).id).toBe("flip-slow-back");
  await run(actions["edit-variant"], { id, version: 1, pilotIds: [odo], document: way({ bothWays: false }) });
  expect((await flownBy(odo, "front")).id).toBe("flip-slow-front");
});

it("gives way to the one chosen last, and comes back when that goes into the bin", async () => {
  const [first, second] = [newId(), newId()];
  await add({ id: first, pilotIds: [odo] });
  await add({ id: second, pilotIds: [odo] }, way({ name: "Late" }));
  await database()("variant_pilot")
    .where({ variant_id: first })
    .update({ chosen_at: new Date(now.getTime() - 60_000) });
  expect((await flownBy(odo)).label).toBe("Late");
  await run(actions["remove-variant"], { id: second });
  expect((await flownBy(odo)).label).toBe("Long punch");
  expect(await listBin([squadId], now)).toMatchObject([{ kind: "variant", what: "Late", pilotName: "Pans" }]);
  await run(actions["restore-variant"], { id: second });
  expect((await flownBy(odo)).label).toBe("Late");
});

it("stays with the squad: whoever leaves it flies as before, and what is kept of somebody erased goes", async () => {
  const id = newId();
  await add({ id, pilotIds: [odo, ida] });
  const pilot = (await findPilot(ida))!;
  await inTransaction((transaction) => updatePilot(transaction, { ...pilot, squadId: otherSquadId }));
  expect((await flownBy(ida)).id).toBe("flip-slow-back");
  await inTransaction((transaction) => erasePilot(transaction, ida));
  expect((await findVariant(id))!.pilotIds).toEqual([odo]);
});

it("is kept once, however often it is sent, and never over someone else's change", async () => {
  const id = newId();
  await add({ id, pilotIds: [odo] });
  await add({ id, pilotIds: [odo] });
  expect(await listVariants(squadId, "flip-slow")).toMatchObject([{ id, version: 1, pilotIds: [odo] }]);
  const edit = (name: string) =>
    run(actions["edit-variant"], { id, version: 1, pilotIds: [], document: way({ name }) });
  expect((await edit("Hers")).ok).toBe(true);
  expect(await edit("His")).toMatchObject({ ok: false, status: 409 });
  expect(await findVariant(id)).toMatchObject({ name: "Hers", version: 2, pilotIds: [] });
  const done = (await listTrail([squadId], { limit: 50 })).map((deed) => deed.done);
  expect(done.filter((one) => "name" in one && one.name === "Hers")).toEqual([
    { kind: "changed-variant", name: "Hers", flownBy: [] },
  ]);
  expect(done).toContainEqual({ kind: "added-variant", name: "Long punch", flownBy: ["Odo Fenn"] });
});

it("opens in the choreographer with those of its trick", async () => {
  const id = newId();
  await add({ id, pilotIds: [odo] }, way({ direction: "front", recipe: recipes["flip-slow-front"] }));
  await add({}, way({ name: "Another trick", trick: "flip-one-move", recipe: recipes["flip-one-move-back"] }));
  const pilot = (await findPilot(odo))!;
  const asked = { step: "flip-slow", way: null, direction: null, own: id };
  expect(await loadChoreographer(who, pilot, null, asked)).toMatchObject({
    trickId: "flip-slow",
    direction: "front",
    openId: id,
    own: [{ id, pilotIds: [odo] }],
    squadPilots: [{ name: "Odo Fenn" }],
  });
  expect(await loadChoreographer(who, pilot, null, { ...asked, own: newId() })).toBeNull();
  expect(await loadChoreographer(who, pilot, null, { ...asked, step: "sticks", own: null })).toBeNull();
});

describe("a file", () => {
  const check = (document: object) =>
    run<{ document: VariantDocument }>(actions["check-variant"], { document: JSON.parse(JSON.stringify(document)) });
  const phase = (change: object) => ({
    ...way(),
    recipe: {
      ...way().recipe,
      phases: way().recipe.phases.map((one, i) => (i === 1 ? { ...one, ...change } : one)),
    },
  });

  it.each(tricks.flatMap(({ id, variants }) => variants.map((variant) => [id, variant] as const)))(
    "has room for everything that %s is flown with",
    async (trick, { id, recipes: own }) => {
      for (const [direction, recipeId] of Object.entries(own)) {
        const document = way({ trick, instead: id, direction, recipe: recipes[recipeId] });
        expect(await check(document)).toEqual({ ok: true, data: { document } });
      }
    },
  );

  it.each([
    ["no way at all", { ...way(), format: "something" }, /not a way to fly a trick/],
    ["a later version", { ...way(), version: 2 }, /of version 2; this program reads version 1/],
    ["more than it may have", { ...way(), extra: 1 }, /must NOT have additional properties: extra/],
    ["markup in its name", way({ name: "<b>" }), /name/],
    ["a trick that there is not", way({ trick: "flip-triple" }), /no trick "flip-triple"/],
    ["a way that there is not", way({ instead: "none" }), /Slow flip is not flown in the way "none"/],
    ["a direction that there is not", way({ direction: "left" }), /Slow flip is not flown "left"/],
    ["a plan that there is not", phase({ throttle: { kind: "pump" } }), /recipe\.phases\.1\.throttle/],
    ["a stick beyond its end", phase({ roll: { kind: "hold", at: 1.5 } }), /recipe\.phases\.1\.roll\.at.*1\.5/],
    ["a phase without an end", phase({ until: [] }), /phases\.1\.until: nothing ends this phase/],
    ["a phase that lasts too long", phase({ maxS: 900 }), /phases\.1\.maxS/],
    ["a phase twice", phase({ id: "punch" }), /two phases are called "punch"/],
  ])("with %s is refused by its place", async (_, document, message) => {
    const answer = await check(document);
    if (answer.ok) throw new Error("it was taken");
    expect(answer.status).toBe(422);
    expect(answer.message).toMatch(message);
  });

  it("of any shape is refused, or can be flown or says why not", async () => {
    const five = airframePresets["five-inch-freestyle"].airframe;
    const leaves = pathsOf(longPunch);
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...leaves), fc.jsonValue({ maxDepth: 2 }), async (path, put) => {
        const answer = await check(withAt(longPunch, path, put) as object);
        if (!answer.ok) return expect(answer.status).toBe(422);
        try {
          fly(answer.data.document.recipe, five, firstSettings, CALM_AIR);
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
        }
      }),
      { numRuns: 300 },
    );
  });

  it("is published as a schema of JSON Schema 2020-12, and is the same when it went out and came in", async () => {
    expect(variantSchema).toMatchObject({ $schema: "https://json-schema.org/draft/2020-12/schema" });
    const id = newId();
    await add({ id });
    const { squadId: _, pilotIds: __, version: ___, id: ____, ...kept } = (await findVariant(id))!;
    expect({ format: "bathygon-trick-variant", version: 1, ...kept }).toEqual(way());
    expect(requireVariant(way())).toEqual(way());
  });
});

it("is chosen for pilots of its squad only", async () => {
  expect(await add({ pilotIds: [far] })).toMatchObject({
    ok: false,
    status: 422,
    fields: { pilotIds: /not in this squad/ },
  });
});
