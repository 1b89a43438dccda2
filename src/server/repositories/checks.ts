import type { Aircraft, OpenCrash, PropsFound } from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

/** How some aircraft stand since they were last cleared, by aircraft id; those of which nothing is known are left out. */
export async function conditionsOf(
  aircraftIds: readonly string[],
): Promise<ReadonlyMap<string, Pick<Aircraft, "openCrashes" | "lastTilt">>> {
  const [crashes, tilts]: [
    { id: string; flown_at: Date; aircraft_id: string }[],
    { aircraft_id: string; tilt_deg: number; checked_at: Date }[],
  ] = await Promise.all([
    database()("attempt")
      .join("aircraft", "aircraft.pilot_id", "attempt.pilot_id")
      .join("setup", (join) => join.on("setup.id", "attempt.setup_id").andOn("setup.aircraft_id", "aircraft.id"))
      .select("attempt.id", "attempt.flown_at", "setup.aircraft_id")
      .where({ outcome: "crashed" })
      .whereNull("undone_at")
      .whereNot("attempt.place", "simulator")
      .whereRaw("attempt.flown_at > aircraft.cleared_at")
      .whereIn("aircraft.id", [...aircraftIds])
      .orderBy(["attempt.flown_at", "attempt.id"]),
    database()("aircraft_check")
      .select("aircraft_id", "tilt_deg", "checked_at")
      .whereIn("aircraft_id", [...aircraftIds])
      .whereNotNull("tilt_deg")
      .orderBy(["checked_at", "id"]),
  ]);
  const found = new Map<string, { openCrashes: OpenCrash[]; lastTilt: Aircraft["lastTilt"] }>();
  const of = (id: string) => {
    const known = found.get(id) ?? { openCrashes: [], lastTilt: null };
    found.set(id, known);
    return known;
  };
  for (const { id, flown_at, aircraft_id } of crashes)
    of(aircraft_id).openCrashes.push({ attemptId: id, atMs: flown_at.getTime() });
  // The last one stays.
  for (const { aircraft_id, tilt_deg, checked_at } of tilts)
    of(aircraft_id).lastTilt = { tiltDeg: tilt_deg, atMs: checked_at.getTime() };
  return found;
}

/** Keeps that an aircraft was looked at, once, and that it is ready. Returns whether it was new. */
export async function insertCheck(
  transaction: Transaction,
  check: {
    readonly id: string;
    readonly aircraftId: string;
    readonly coachId: string;
    readonly props: PropsFound;
    readonly tiltDeg: number;
  },
  at: Date,
): Promise<boolean> {
  const known = await insertOnce(transaction, "aircraft_check", {
    id: check.id,
    aircraft_id: check.aircraftId,
    coach_id: check.coachId,
    props: check.props,
    tilt_deg: check.tiltDeg,
    checked_at: at,
  });
  if (known) return false;
  // One that arrives late takes nothing back of a later one.
  await transaction("aircraft")
    .where({ id: check.aircraftId })
    .update({ flight_state: "flying", cleared_at: transaction.raw("greatest(cleared_at, ?)", [at]) });
  return true;
}
