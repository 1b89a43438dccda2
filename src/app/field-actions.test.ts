import fc from "fast-check";
import { v7 as newId } from "uuid";
import { tallyAfter, tallyBegun, type ActionInput, type FieldAction, type TallyData, type LineTry } from "@/contract";
import { airframePresets, firstSettings, outcomes } from "@/core";
import type { SignedInCoach } from "@/server/accounts";
import {
  insertAircraft,
  insertCoach,
  insertLoad,
  insertPilot,
  insertSetup,
  insertSite,
  insertSquad,
  inTransaction,
} from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { runnerFor } from "@/server/testing/run-as";
import { pilotActions } from "@/features/pilot";
import { fieldActions } from "@/features/field";
import { planActions } from "@/features/plan";
import { practiceActions } from "@/features/practice";
import { loadFieldSquads } from "@/server/field-squads";
import { loadTally } from "@/server/tally";

withFreshDatabase();

const [squadId, coachId, odo, ida, kit, plank, setupId] = Array.from({ length: 7 }, () => newId());
const who: SignedInCoach = { accountId: newId(), signInId: newId(), coachId, pilotId: null, name: "Ann Pell" };
/** What a phone sends now: its clock is the server's. */
const run = runnerFor(who);
const actions = { ...planActions, ...fieldActions, ...practiceActions, "sign-off": pilotActions["sign-off"] };
const START_MS = Date.now() - 3_600_000;

beforeAll(() =>
  inTransaction(async (transaction) => {
    const now = new Date();
    await insertCoach(transaction, { id: coachId, name: "Ann Pell" }, now);
    await insertSquad(transaction, { id: squadId, name: "Pans", ownerId: coachId }, now);
    for (const [id, name] of [
      [odo, "Odo Fenn"],
      [ida, "Ida Rook"],
      [kit, "Kit Marl"],
    ])
      await insertPilot(transaction, { id, squadId, name, stickMode: 2, grip: "thumbs" }, now);
    const { airframe } = airframePresets["three-inch"];
    await insertAircraft(
      transaction,
      { id: plank, pilotId: odo, name: "Plank", presetId: "three-inch", airframe, flightState: "repaired" },
      new Date(START_MS - 1000),
    );
    const setup = { id: setupId, aircraftId: plank, number: 1, coachId, reason: "first", settings: firstSettings };
    await insertSetup(transaction, setup, now);
    const account = {
      id: who.accountId,
      coach_id: coachId,
      sign_in_name: "ann pell",
      password_hash: "-",
      created_at: now,
    };
    await transaction("account").insert(account);
  }),
);

/** What somebody may do next, by number: which tap, whose, at what. */
interface Move {
  readonly kind: FieldAction["action"];
  readonly which: number;
  readonly pilotId: string;
  readonly step: "flip-slow" | "roll-pure" | "hang" | "lines";
  readonly outcome: (typeof outcomes)[number];
  readonly faults: readonly string[];
  readonly line: LineTry | undefined;
}
const directions = { "flip-slow": "back", "roll-pure": "left", hang: "", lines: "two" } as const;
const faultsOf = { "flip-slow": "sky-at-stop", "roll-pure": "", hang: "", lines: "" } as const;

const kinds: readonly FieldAction["action"][] = [
  "begin-session",
  "log-attempt",
  "set-faults",
  "set-held",
  "set-measured",
  "add-session-note",
  "undo-attempt",
  "restore-attempt",
  "sign-off",
  "end-session",
  "reopen-session",
  "take-in",
  "let-go",
  "check-aircraft",
];
const parts = ["The stop", "The turn"].map((name) => ({ id: newId(), name }));
const aLine = { id: newId(), version: 2, name: "Flip and roll", tricks: ["flip-slow-back", "roll-pure-left"] };
const move: fc.Arbitrary<Move> = fc.record({
  kind: fc.oneof(
    { weight: 3, arbitrary: fc.constant("log-attempt" as const) },
    { weight: 5, arbitrary: fc.constantFrom(...kinds) },
  ),
  which: fc.nat(5),
  pilotId: fc.constantFrom(odo, ida),
  step: fc.constantFrom("flip-slow" as const, "roll-pure" as const, "hang" as const, "lines" as const),
  outcome: fc.constantFrom(...outcomes),
  faults: fc.constantFrom([], ["sky-at-stop"]),
  line: fc.constantFrom(undefined, { ...aLine, brokeAt: null }, { ...aLine, parts, brokeAt: 1 }),
});

/** What is sent for a move: taps are made anew, the rest speaks of one that was made. */
function doneBy(
  move: Move,
  sessionId: string,
  taps: readonly { id: string; step: Move["step"] }[],
  n: number,
): FieldAction {
  const { kind, pilotId, step, outcome } = move;
  const tap = taps[move.which % Math.max(1, taps.length)];
  const id = tap?.id ?? newId();
  const atMs = START_MS + n * 1000;
  switch (kind) {
    case "begin-session":
    case "end-session":
      return { action: kind, input: { id: sessionId, atMs } };
    case "reopen-session":
      return { action: kind, input: { id: sessionId } };
    case "log-attempt":
      return {
        action: kind,
        input: {
          id: newId(),
          sessionId,
          pilotId,
          stepId: step,
          direction: directions[step],
          outcome,
          flownAtMs: atMs,
          ...(step === "lines" && move.line && { line: move.line }),
        },
      };
    case "set-faults":
      return {
        action: kind,
        input: { id, faults: move.faults.filter((one) => one === faultsOf[tap?.step ?? "hang"]) },
      };
    case "set-held":
      return { action: kind, input: { id, held: move.which % 2 ? [parts[1].id, parts[0].id] : [parts[0].id] } };
    case "set-measured":
      return {
        action: kind,
        input: { id, minutes: n, measured: n % 2 ? { heightLostM: n } : { laps: n, missedPoles: n % 4 } },
      };
    case "undo-attempt":
    case "restore-attempt":
      return { action: kind, input: { id } };
    case "add-session-note":
      return { action: kind, input: { id: newId(), sessionId, pilotId, text: `note ${n}`, writtenAtMs: atMs } };
    case "sign-off":
      return { action: kind, input: { id: newId(), pilotId, stepId: "flip-slow", note: "" } };
    case "take-in": {
      const comer = move.which % 2 ? kit : pilotId;
      return { action: kind, input: { id: sessionId, pilotId: comer, stepId: "sticks", setupId: null } };
    }
    case "begin-in-field":
    case "log-try":
      throw new Error("begins a session of its own: see below");
    case "let-go":
      return { action: kind, input: { id: sessionId, pilotId } };
    case "check-aircraft":
      return {
        action: kind,
        input: { id: newId(), aircraftId: plank, props: "changed", tiltDeg: 20 + move.which, atMs },
      };
  }
}

/** Without what only the records know: a step's past, and where the pilot's way goes on. */
const shown = ({ pilots, ...tally }: TallyData) => ({
  ...tally,
  pilots: pilots.map(({ steps, signedOff, currentStepId: _, ...pilot }) => ({
    ...pilot,
    signedOff: [...signedOff].sort(),
    steps: steps.map(({ stepId }) => stepId),
  })),
});

/** A session as prepared, before anything was done in it. */
async function prepared(sessionId: string): Promise<TallyData> {
  const pilots = [
    { pilotId: odo, stepId: "flip-slow", setupId },
    { pilotId: ida, stepId: "hang", setupId: null },
  ];
  const started = await run(actions["start-session"], { id: sessionId, place: "field", prepared: true, pilots });
  expect(started).toMatchObject({ ok: true });
  return (await loadTally(who, sessionId))!;
}

it("for whatever is done in the field, in whatever order, and sent twice, the device shows what the server answers", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(move, { minLength: 1, maxLength: 14 }), async (moves) => {
      const sessionId = newId();
      let device = await prepared(sessionId);
      const taps: { id: string; step: Move["step"] }[] = [];
      const flown: ActionInput<"log-attempt">[] = [];
      for (const [n, one] of moves.entries()) {
        const done = doneBy(one, sessionId, taps, n);
        const result = await run(actions[done.action], done.input);
        if (n % 3 === 0) await run(actions[done.action], done.input);
        // What is refused is listed with its reason and shown nowhere else.
        if (!result.ok) continue;
        device = tallyAfter(device, done);
        if (n % 3 === 1) device = tallyAfter(device, done);
        if (done.action === "log-attempt") {
          taps.push({ id: done.input.id, step: one.step });
          flown.push(done.input);
        }
        expect(shown(device)).toEqual(shown((await loadTally(who, sessionId))!));
      }
      // A tap whose answer was lost comes again, whatever was said of it since.
      for (const tap of flown) expect(await run(actions["log-attempt"], tap)).toMatchObject({ ok: true });
      expect(shown(device)).toEqual(shown((await loadTally(who, sessionId))!));
    }),
    { numRuns: 40 },
  );
});

describe("a session begun without a network", () => {
  const squads = () => loadFieldSquads(who);
  const begin = async (change: Partial<ActionInput<"begin-in-field">> = {}) => {
    const [squad] = await squads();
    const flying = squad.pilots.filter(({ id }) => id !== kit);
    const input: ActionInput<"begin-in-field"> = {
      id: newId(),
      squadId,
      place: "field",
      siteId: null,
      atMs: START_MS,
      pilots: flying.map(({ id, steps, setupId: flown }) => ({
        pilotId: id,
        stepId: steps[0].stepId,
        setupId: flown,
        loadId: null,
      })),
      ...change,
    };
    return { squad, input };
  };

  it("is on the device what it is on the server once that has heard of it, however often", async () => {
    const { squad, input } = await begin();
    for (let n = 0; n < 2; n++) expect(await run(fieldActions["begin-in-field"], input)).toMatchObject({ ok: true });
    expect(tallyBegun(squad, input)).toEqual(await loadTally(who, input.id));
  });

  it("is never refused whole: who has left the squad, what is gone and what rules say is left out or noted", async () => {
    const narrow = { id: newId(), squadId, name: "Yard", surface: "", roomM: 1, ceilingM: null, elevationM: null };
    await inTransaction((transaction) =>
      insertSite(transaction, { ...narrow, features: "", hazards: "", rules: "", askWhom: "" }, new Date()),
    );
    const { input } = await begin({ siteId: narrow.id });
    const [odoIn] = input.pilots.filter(({ pilotId }) => pilotId === odo);
    const gone = { ...odoIn, pilotId: newId() };
    const pilots = [{ ...odoIn, stepId: "flip-slow", setupId: newId() }, gone];
    expect(await run(fieldActions["begin-in-field"], { ...input, pilots })).toMatchObject({ ok: true });
    const { session } = (await loadTally(who, input.id))!;
    expect(session.pilots.map(({ pilotId, setupId: flown }) => [pilotId, flown])).toEqual([[odo, null]]);
    expect(session.against).toEqual([
      { pilotId: odo, refusal: expect.objectContaining({ kind: "too-little-room", hasM: 1 }) },
    ]);
    // A pilot reads what stands against them, and nothing of anybody else.
    const [idaIn] = input.pilots.filter(({ pilotId }) => pilotId === ida);
    const both = {
      ...input,
      id: newId(),
      pilots: [
        { ...odoIn, stepId: "flip-slow" },
        { ...idaIn, stepId: "hang" },
      ],
    };
    expect(await run(fieldActions["begin-in-field"], both)).toMatchObject({ ok: true });
    const asIda = { ...who, coachId: null, pilotId: ida };
    expect((await loadTally(asIda, both.id))!.session.against!.map(({ pilotId }) => pilotId)).toEqual([ida]);
    expect((await loadTally(who, both.id))!.session.against).toHaveLength(2);
    const tap = { id: newId(), sessionId: input.id, pilotId: odo, stepId: "flip-slow", direction: "back" };
    const flown = { ...tap, outcome: "clean", flownAtMs: START_MS + 5 } as const;
    expect(await run(fieldActions["log-attempt"], flown)).toMatchObject({ ok: true });
  });

  it.each([
    [{ pilots: [] }, "pilots"],
    [{ place: "moon" as never }, "place"],
    [{ atMs: Number.NaN }, "atMs"],
  ])("with %j is refused by field", async (change, name) => {
    const { input } = await begin(change);
    expect(await run(fieldActions["begin-in-field"], input)).toMatchObject({
      ok: false,
      fields: { [name]: expect.any(String) },
    });
  });
});

it("takes nobody in with what another pilot's aircraft carries", async () => {
  const sessionId = newId();
  await prepared(sessionId);
  const loadId = newId();
  await inTransaction((transaction) =>
    insertLoad(
      transaction,
      { id: loadId, aircraftId: plank, name: "Camera", massKg: 0.4, thrustToWeight: null },
      new Date(),
    ),
  );
  for (const [wrong, field] of [
    [{ setupId: null, loadId }, "loadId"],
    [{ setupId, loadId: null }, "setupId"],
  ] as const)
    expect(
      await run(fieldActions["take-in"], { id: sessionId, pilotId: kit, stepId: "sticks", ...wrong }),
    ).toMatchObject({ ok: false, fields: { [field]: expect.any(String) } });
});
