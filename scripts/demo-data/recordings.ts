import { createHash } from "node:crypto";
import { gzipSync } from "node:zlib";
import { v7 } from "uuid";
import { PIECE_BYTES, type Aircraft, type LoggedAttempt, type Pilot, type Setup } from "@/contract";
import { DAY_MS, packOf, seededRandom, TapeReader, type Settings } from "@/core";
import { recordingFound } from "@/features/tape/recording-found";
import {
  insertRecording,
  inTransaction,
  listAircraft,
  listAttempts,
  listCoaches,
  listPilots,
  listSetups,
  putPiece,
  setWhole,
} from "@/server/repositories";
import {
  MadeUpAircraft,
  recordingText,
  SOUND_MACHINE,
  type Act,
  type Frame,
  type Hands,
} from "../stand-in/made-up-aircraft";
import { coaches } from "./camp";

/** A pack of the camp that was recorded: what it is there to show. */
interface Story {
  readonly who: string;
  /** Days before today on which it was flown, and which pack of that session. */
  readonly daysAgo: number;
  readonly pack: number;
  readonly name: string;
  readonly hz: number;
  readonly hands: Hands;
  /** Turns end so far past, °, backward and forward: those that were tapped clean, and the others. */
  readonly past?: { readonly back: readonly [number, number]; readonly front: readonly [number, number] };
  readonly looseDps?: number;
  /** Flown with the setup before, though the newest is on the aircraft as far as anybody knows. */
  readonly setupBefore?: true;
  /** Flown besides, and tapped by nobody. */
  readonly besides?: readonly string[];
}

const steady: Hands = { unsteady: 0.015, openThrottle: 0, lateS: 0 };
const usualPast = { back: [2, 19], front: [3, 20] } as const;

const stories: readonly Story[] = [
  // Smoother over the weeks.
  ...([47, 40, 30, 19, 9, 2] as const).map((daysAgo, i): Story => {
    const hands = { ...steady, unsteady: [0.08, 0.07, 0.055, 0.04, 0.025, 0.015][i] };
    const past = { back: [10 - 1.6 * i, 28 - 3 * i], front: [12 - 1.8 * i, 29 - 3 * i] } as const;
    return { who: "Ysolde Marr", daysAgo, pack: 1, name: `rakes-${i + 1}.csv`, hz: 100, hands, past };
  }),
  // Rusty: the throttle stays open upside down.
  {
    who: "Tamsel Orrick",
    daysAgo: 2,
    pack: 1,
    name: "lamplight.csv",
    hz: 100,
    hands: { ...steady, openThrottle: 0.14 },
  },
  // One-sided: forward turns are let go too late.
  {
    who: "Odalie Venn",
    daysAgo: 5,
    pack: 1,
    name: "brine-monday.csv",
    hz: 100,
    hands: steady,
    past: { back: [1, 17], front: [11, 27] },
  },
  // And what was flown besides, untapped.
  {
    ...{ who: "Odalie Venn", daysAgo: 2, pack: 1, name: "brine-thursday.csv", hz: 250, hands: steady },
    past: { back: [0, 16], front: [12, 28] },
    besides: ["roll-pure-right", "spin-level-left", "flip-slow-back"],
  },
  // Eases too late, both ways.
  {
    who: "Joss Hathering",
    daysAgo: 5,
    pack: 1,
    name: "winch.csv",
    hz: 100,
    hands: { ...steady, unsteady: 0.05 },
    past: { back: [12, 27], front: [13, 29] },
  },
  // A propeller loose since the windmill.
  {
    who: "Corvin Haldt",
    daysAgo: 2,
    pack: 1,
    name: "spindle-after-windmill.csv",
    hz: 250,
    hands: steady,
    looseDps: 14,
  },
  // Not flown with the setup that is in the records.
  {
    who: "Brannoch Sile",
    daysAgo: 2,
    pack: 1,
    name: "sluice.csv",
    hz: 100,
    hands: steady,
    setupBefore: true,
  },
];

const HOUR_MS = 3_600_000;

/** Taps come so long after a trick, s. */
const LATE_S = { least: 1.6, more: 1.8 };
const BEFORE_S = 30;
const AFTER_S = 12;

/** Records a dozen packs of the camp, each with something to see in it, by the taps that are there; no more than so many. Returns how many. */
export async function loadRecordings(now: Date, most: number): Promise<number> {
  const today = Math.floor(now.getTime() / DAY_MS) * DAY_MS;
  let count = 0;
  for (const [i, story] of stories.entries()) {
    if (count >= most) break;
    const of = await whoFlew(story, today);
    if (!of) continue;
    const flown = flownText(story, of, i);
    await keep(story, of, flown, i);
    count++;
  }
  return count;
}

interface Flown {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft;
  /** As the records have it, and as it was. */
  readonly setup: Setup;
  readonly settings: Settings;
  readonly taps: readonly LoggedAttempt[];
}

async function whoFlew({ who, daysAgo, pack, setupBefore }: Story, today: number): Promise<Flown | null> {
  const [{ id: coachId }] = await listCoaches();
  const pilot = (await listPilots({ coachId, pilotId: null })).find(({ name }) => name === who);
  if (!pilot) return null;
  const [aircraft] = await listAircraft([pilot.id]);
  const dayMs = today - daysAgo * DAY_MS;
  const taps = (await listAttempts([pilot.id]))
    .filter(
      (one) => one.pack === pack && one.atMs >= dayMs && one.atMs < dayMs + 16 * HOUR_MS && one.stepId !== "lines",
    )
    .sort((a, b) => a.atMs - b.atMs);
  const setups = (await listSetups(pilot.id)).filter(({ aircraftId }) => aircraftId === aircraft.id);
  const setup = setups.find(({ createdAtMs }) => createdAtMs <= dayMs + 10 * HOUR_MS);
  if (!setup || taps.length === 0) return null;
  const before = setups.find(({ number }) => number === setup.number - 1);
  return { pilot, aircraft, setup, settings: ((setupBefore && before) || setup).settings, taps };
}

/** The recording of a pack as it was flown, and the moment of its time 0. */
function flownText(story: Story, { aircraft, settings, taps }: Flown, seed: number) {
  const random = seededRandom(900 + seed);
  const machine = { ...SOUND_MACHINE, loose: story.looseDps ? { hz: 41, dps: story.looseDps } : null };
  const craft = new MadeUpAircraft(
    { airframe: aircraft.airframe, settings },
    story.hands,
    machine,
    story.hz,
    70 + seed,
  );
  const beganMs = taps[0].atMs - BEFORE_S * 1000;
  const frames: Frame[] = [];
  const fly = (act: Act) => {
    for (const frame of craft.fly(act)) frames.push(frame);
  };
  fly({ kind: "stand", untilS: 3 });
  for (const tap of taps) {
    const { atMs, stepId, direction, outcome } = tap;
    const stopS = (atMs - beganMs) / 1000 - LATE_S.least - LATE_S.more * random();
    const recipe = `${stepId}-${direction}`;
    const hands = handsFor(story, tap, (pastDeg) => craft.lateFor(recipe, pastDeg), random);
    // Broken off before it turned.
    if (outcome === "bailed" || outcome === "crashed") continue;
    fly({ kind: "cruise", untilS: stopS - craft.durationS(recipe, hands) });
    fly({ kind: "trick", recipe, hands });
  }
  for (const recipe of story.besides ?? []) {
    fly({ kind: "cruise", untilS: craft.timeS + 9 });
    fly({ kind: "trick", recipe });
  }
  fly({ kind: "cruise", untilS: craft.timeS + AFTER_S });
  fly({ kind: "stand", untilS: craft.timeS + 2 });
  return { text: recordingText(frames), endedMs: beganMs + 1000 * craft.timeS };
}

/** How late a turn is let go to end as it was tapped; each is a little its own. */
function handsFor(
  { hands, past = usualPast }: Story,
  { direction, outcome }: LoggedAttempt,
  lateFor: (pastDeg: number) => number,
  random: () => number,
): Partial<Hands> {
  const [clean, rough] = past[direction === "front" ? "front" : "back"];
  const pastDeg = (outcome === "clean" ? clean : rough) + 6 * (random() - 0.5);
  return { lateS: lateFor(pastDeg), openThrottle: hands.openThrottle };
}

async function keep(
  { name }: Story,
  { pilot, setup }: Flown,
  { text, endedMs }: { readonly text: string; readonly endedMs: number },
  seed: number,
): Promise<void> {
  const bytes = Buffer.from(text);
  const pieces: Buffer[] = [];
  for (let at = 0; at < bytes.length; at += PIECE_BYTES) pieces.push(gzipSync(bytes.subarray(at, at + PIECE_BYTES)));
  const reader = new TapeReader();
  reader.push(bytes);
  const found = recordingFound(packOf(reader.end(), setup.settings));
  const random = seededRandom(500 + seed);
  const id = v7({
    msecs: endedMs,
    random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)),
    seq: seed,
  });
  const keptAt = new Date(endedMs + HOUR_MS);
  await inTransaction(async (transaction) => {
    const one = {
      ...{ id, pilotId: pilot.id, setupId: setup.id, name, bytes: bytes.length, mapping: null },
      sha256: createHash("sha256").update(bytes).digest("hex"),
      packedBytes: pieces.reduce((sum, { length }) => sum + length, 0),
      recordedAtMs: Math.round(endedMs),
      ...{ keptBy: coaches[0], keptByPilot: false },
    };
    await insertRecording(transaction, one, keptAt);
    for (const [number, packed] of pieces.entries()) await putPiece(transaction, id, { number, packed });
    await setWhole(transaction, id, found, keptAt);
  });
}
