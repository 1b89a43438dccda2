import { v7 as newId } from "uuid";
import { DAY_MS, usualRules } from "@/core";
import { downloadSquadFile } from "@/features/records";
import { runAction, type Asker } from "@/server/actions";
import { database } from "@/server/database";
import { loadProgress } from "@/server/progress";
import {
  BIN_MS,
  emptyBin,
  findInvitation,
  findPilot,
  insertAttempt,
  insertCoach,
  insertInvitation,
  insertPilot,
  insertSession,
  insertSquad,
  inTransaction,
  listBin,
  listPilots,
  listSquads,
  noteDay,
  setPilotRemoved,
} from "@/server/repositories";
import { requirePilotRecord } from "@/server/files";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { builtInSyllabus } from "@/syllabus";
import { squadKeepingActions } from "./squad-actions";

withFreshDatabase();

const coach = { id: newId(), name: "Ann Pell" };
const squadId = newId();
const pilot = { id: newId(), squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" } as const;
const gone = { ...pilot, id: newId(), name: "Ida Rook" };
const who = { signInId: "s", accountId: "a", name: coach.name, coachId: coach.id, pilotId: null };
const asker: Asker = {
  identify: async () => who,
  address: "local",
  device: "",
  requestId: "r",
  setToken: async () => {},
};
const send = (action: keyof typeof squadKeepingActions, input: object) =>
  runAction(squadKeepingActions[action] as never, async () => input, asker);
const at = (text: string) => Date.parse(text);

beforeAll(() =>
  inTransaction(async (transaction) => {
    const now = new Date("2026-03-01T09:00:00Z");
    await insertCoach(transaction, coach, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coach.id }, now);
    for (const one of [pilot, gone]) await insertPilot(transaction, one, now);
    await setPilotRemoved(transaction, gone.id, now);
    // Alone: the first late in the evening of one day, or early on the next, by which clock one goes.
    const sessionId = newId();
    const member = { pilotId: pilot.id, stepId: "flip-slow", setupId: null };
    const startedAtMs = at("2026-03-28T18:00:00Z");
    await insertSession(transaction, {
      id: sessionId,
      squadId,
      coachId: null,
      place: "field",
      startedAtMs,
      pilots: [member],
    });
    for (const moment of ["2026-03-28T18:00:00Z", "2026-03-28T18:30:00Z"])
      await insertAttempt(transaction, {
        id: newId(),
        sessionId,
        pilotId: pilot.id,
        stepId: "flip-slow",
        direction: "back",
        outcome: "clean",
        place: "field",
        setupId: null,
        faults: [],
        pack: null,
        minutes: null,
        measured: {},
        atMs: at(moment),
      });
  }),
);

const flown = async () => {
  const progress = await loadProgress([(await findPilot(pilot.id))!]);
  return progress.get(pilot.id)!.flown.get("flip-slow")!;
};

it("counts days by the clocks the owner sets, what was flown before too; and knows what was flown alone", async () => {
  const [squad] = await listSquads(coach.id);
  expect(squad.rules).toEqual(usualRules);
  expect((await flown()).digest.days.map(([, , all]) => all)).toEqual([2]);
  expect((await flown()).recent.every(({ alone }) => alone)).toBe(true);
  // Nepal is 5 hours and 45 minutes ahead: midnight lies between the two.
  const rules = { timeZone: "Asia/Kathmandu", mostLuck: 0.1, attendedOnly: true };
  expect(await send("set-squad-rules", { id: squadId, version: squad.version, ...rules })).toMatchObject({ ok: true });
  expect((await listSquads(coach.id))[0].rules).toEqual(rules);
  const { days } = (await flown()).digest;
  expect(days.map(([, , all]) => all)).toEqual([1, 1]);
  expect(days[0][0]).toBe(at("2026-03-28T00:00:00Z") / DAY_MS);
});

it("refuses a zone or a limit that there is not, naming the field", async () => {
  const rules = { id: squadId, version: 2, timeZone: "Lisboa", mostLuck: 0.2, attendedOnly: "yes" };
  expect(await send("set-squad-rules", rules)).toMatchObject({
    ok: false,
    fields: {
      timeZone: expect.stringContaining("Europe/Lisbon"),
      mostLuck: expect.any(String),
      attendedOnly: expect.any(String),
    },
  });
});

it("is taken out whole by its owner, each record as it goes out by itself", async () => {
  const whole = (await (await downloadSquadFile(who, squadId)).json()) as {
    squad: object;
    pilots: readonly object[];
    syllabus: { number: number };
  };
  expect(whole).toMatchObject({ format: "bathygon-squad", squad: { name: "Pans", rules: { mostLuck: 0.1 } } });
  expect(whole.pilots).toHaveLength(1);
  expect(requirePilotRecord(whole.pilots[0], builtInSyllabus).pilot.name).toBe("Odo Fenn");
  await expect(downloadSquadFile({ ...who, coachId: newId() }, squadId)).rejects.toMatchObject({ status: 403 });
});

it("goes with its pilots and comes back with them, but not with those deleted before; after 30 days it is gone for good", async () => {
  const invitation = { kind: "coach", squadId, pilotId: null, accountId: null, coachId: coach.id } as const;
  const token = await inTransaction((transaction) => insertInvitation(transaction, invitation, new Date()));
  await send("remove-squad", { id: squadId });
  expect(await findInvitation(token, new Date())).toBeUndefined();
  expect(await listSquads(coach.id)).toEqual([]);
  expect(await listPilots({ coachId: coach.id, pilotId: null })).toEqual([]);
  const now = new Date();
  expect(await listBin([], now, coach.id)).toMatchObject([{ kind: "squad", what: "Pans" }]);
  expect(await listBin([], now, newId())).toEqual([]);
  // What is in it is not to be had either.
  expect(await send("rename-squad", { id: squadId, version: 3, name: "Other" })).toMatchObject({ ok: false });
  await send("restore-squad", { id: squadId });
  expect((await listPilots({ coachId: coach.id, pilotId: null })).map(({ name }) => name)).toEqual(["Odo Fenn"]);
  await send("remove-squad", { id: squadId });
  const later = now.getTime() + BIN_MS + DAY_MS;
  for (const day of [1, 10, 20, 29]) await noteDay(new Date(later - day * DAY_MS));
  await emptyBin(new Date(later));
  for (const table of ["squad", "pilot", "attempt", "session", "squad_coach"])
    expect([table, await database()(table).select("*")]).toEqual([table, []]);
});
