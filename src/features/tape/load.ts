import "server-only";
import type { Aircraft, LoggedAttempt, Pilot, Recording, Session, Setup } from "@/contract";
import { DAY_MS, flownForReal, type Airframe } from "@/core";
import {
  listAircraft,
  listAttemptsSince,
  listRecordings,
  listSessionsSince,
  listSetups,
  recordedBytes,
} from "@/server/repositories";
import { QUOTA_BYTES } from "./quota";

/** A session of the pilot whose taps a recording may be of. */
export interface TappedSession extends Pick<Session, "id" | "startedAtMs" | "endedAtMs" | "place"> {
  readonly attempts: readonly LoggedAttempt[];
}

/** Older sessions are not asked for: a recording is read in the evening, or the next. */
const SESSIONS_SINCE_MS = 45 * DAY_MS;
const MOST_SESSIONS = 16;

export interface TapeData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  /** Newest of the aircraft: new recordings are read against it. */
  readonly setup: Setup | null;
  /** The aircraft of the pilot, each with its newest setup. */
  readonly fleet: readonly { readonly id: string; readonly airframe: Airframe; readonly newest: Setup | null }[];
  /** Those that kept recordings were flown with. */
  readonly setups: readonly Setup[];
  readonly recordings: readonly Recording[];
  /** Those that who is signed in may write into, newest first, with what was tapped for this pilot. */
  readonly sessions: readonly TappedSession[];
  /** Of the room that the squad has for recordings. */
  readonly room: { readonly usedBytes: number; readonly ofBytes: number };
  /** The one to open. */
  readonly openId: string | null;
  /** Whether who is signed in is a coach: they take out what pilots brought, too. */
  readonly coaches: boolean;
}

/** A pilot's recordings and with what they are read. Whether the pilot may be seen has been asked before. */
export async function loadTape(
  { pilot, aircraft }: { readonly pilot: Pilot; readonly aircraft: Aircraft | null },
  openId: string | null,
  coaches: boolean,
): Promise<TapeData> {
  const since = new Date(Date.now() - SESSIONS_SINCE_MS);
  const [aircraftOfPilot, setups, recordings, usedBytes, flown, attempts] = await Promise.all([
    listAircraft([pilot.id]),
    listSetups(pilot.id),
    listRecordings(pilot.id),
    recordedBytes(pilot.squadId),
    listSessionsSince([pilot.id], since),
    listAttemptsSince(pilot.id, since),
  ]);
  // Newest first, as they are listed.
  const newestOf = (aircraftId: string) => setups.find((one) => one.aircraftId === aircraftId) ?? null;
  const flownWith = new Set(recordings.map(({ setupId }) => setupId));
  return {
    pilot,
    aircraft,
    setup: aircraft && newestOf(aircraft.id),
    fleet: aircraftOfPilot.map(({ id, airframe }) => ({ id, airframe, newest: newestOf(id) })),
    setups: setups.filter(({ id }) => flownWith.has(id)),
    recordings,
    sessions: flown
      // Taps of practice are no taps of a recording: a try is its own.
      .filter((one) => flownForReal(one) && (coaches || one.coachId === null))
      .slice(0, MOST_SESSIONS)
      .map(({ id, startedAtMs, endedAtMs, place }) => {
        return { id, startedAtMs, endedAtMs, place, attempts: attempts.filter((one) => one.sessionId === id) };
      })
      .filter((one) => one.attempts.length > 0),
    room: { usedBytes, ofBytes: QUOTA_BYTES },
    openId: recordings.some(({ id, whole }) => id === openId && whole) ? openId : null,
    coaches,
  };
}
