import { v7 as newId } from "uuid";
import { airframePresets, firstSettings, startHeightKey, STANDARD_DAY } from "@/core";
import {
  insertCoach,
  insertPilot,
  insertSession,
  insertSite,
  insertSquad,
  inTransaction,
  keepStartHeight,
  setSiteRemoved,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { builtInSyllabus, findStep, standardDay, startHeightInputsOf } from "@/syllabus";
import { loadDay, loadStartHeights } from ".";

withFreshDatabase();

const coach = { id: newId(), name: "Ann Pell" };
const squadId = newId();
const pilot = { id: newId(), squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" } as const;
const words = { surface: "", features: "", hazards: "", rules: "", askWhom: "" };
const site = (name: string, elevationM: number | null) => ({
  id: newId(),
  squadId,
  name,
  roomM: 50,
  ceilingM: null,
  elevationM,
  ...words,
});
const pans = site("Upper pans", 640);
const now = new Date("2026-06-01T15:00:00Z");
const hoursAgo = (hours: number) => now.getTime() - hours * 3_600_000;
const session = (startedAtMs: number, change: object = {}) =>
  inTransaction((transaction) =>
    insertSession(transaction, {
      id: newId(),
      squadId,
      coachId: coach.id,
      place: "field",
      startedAtMs,
      pilots: [{ pilotId: pilot.id, stepId: "flip-slow", setupId: null }],
      ...change,
    }),
  );
const today = () => loadDay(squadId, now.getTime());

beforeAll(() =>
  inTransaction(async (transaction) => {
    await insertCoach(transaction, coach, now);
    await insertSquad(transaction, { id: squadId, name: "The squad", ownerId: coach.id }, now);
    await insertPilot(transaction, pilot, now);
  }),
);

it("is standard air till something is said, then that of the only site, then that of a session of these hours", async () => {
  expect(await today()).toEqual(standardDay);
  await inTransaction((transaction) => insertSite(transaction, pans, now));
  expect(await today()).toEqual({
    air: { ...STANDARD_DAY, elevationM: 640 },
    from: { kind: "site", siteName: "Upper pans" },
  });
  await session(hoursAgo(30), { siteId: pans.id, temperatureC: 30, windMps: 9 });
  expect((await today()).from.kind).toBe("site");
  await session(hoursAgo(2), { siteId: pans.id, temperatureC: 21.5, windMps: null });
  expect(await today()).toEqual({
    air: { elevationM: 640, temperatureC: 21.5, windMps: 0 },
    from: { kind: "session", siteName: "Upper pans" },
  });
  // A newer one of which nothing was said leaves what the site says.
  await session(hoursAgo(1));
  expect((await today()).from).toEqual({ kind: "site", siteName: "Upper pans" });
});

it("does not guess between two sites, nor at one in the bin", async () => {
  const yard = site("Store yard", 11);
  await inTransaction((transaction) => insertSite(transaction, yard, now));
  expect(await today()).toEqual(standardDay);
  await inTransaction((transaction) => setSiteRemoved(transaction, pans.id, now));
  expect((await today()).air.elevationM).toBe(11);
});

it("gives the minimum start heights that are kept for just this air, and for both sides of a mirror image", async () => {
  const step = findStep(builtInSyllabus, "roll-level")!;
  const flownWith = {
    airframe: airframePresets["five-inch-freestyle"].airframe,
    settings: firstSettings,
    manner: { school: {}, own: [] },
    day: STANDARD_DAY,
    reactionS: null,
  };
  const asked = (direction: string, change: object = {}) =>
    startHeightInputsOf(builtInSyllabus, step, direction, { ...flownWith, ...change });
  const kept = { heightM: 6.2, reason: { kind: "freeze", before: "catch", lostM: 4.7, packUsed: 0 } } as const;
  await inTransaction((transaction) =>
    keepStartHeight(transaction, { key: startHeightKey(asked("right")!), startHeight: kept, coachId: coach.id }, now),
  );
  const found = await loadStartHeights([
    ["right", asked("right")],
    ["left", asked("left")],
    ["windy", asked("right", { day: { ...STANDARD_DAY, windMps: 4 } })],
    ["slow to react", asked("right", { reactionS: 0.9 })],
    ["landing", startHeightInputsOf(builtInSyllabus, findStep(builtInSyllabus, "land-stop")!, "on", flownWith)],
  ]);
  expect([...found]).toEqual([
    ["right", kept],
    ["left", kept],
  ]);
});
