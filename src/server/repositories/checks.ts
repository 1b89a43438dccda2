import type {
  Aircraft,
  CheckFindings,
  CheckFlight,
  Defect,
  DefectKind,
  OpenCrash,
  PropsFound,
  TiltReading,
} from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

/** How an aircraft stands since it was last cleared. */
export type Condition = Pick<Aircraft, "openCrashes" | "lastTilt" | "openDefects">;

export interface CheckRow {
  id: string;
  aircraft_id: string;
  coach_id: string;
  props: PropsFound | null;
  tilt_deg: number | null;
  tilt_spread_deg: number | null;
  sense: CheckFindings["sense"] | null;
  drift: CheckFindings["drift"] | null;
  noise: CheckFindings["noise"] | null;
  heat: CheckFindings["heat"] | null;
  checked_at: Date;
}

export interface DefectRow {
  id: string;
  aircraft_id: string;
  coach_id: string;
  kind: DefectKind;
  what: string;
  found_at: Date;
  mended_at: Date | null;
}

/** Checks of an aircraft that are listed; older ones stay in its record. Ours. */
const MOST_LOGGED = 60;

/** Crashes of one aircraft that are listed while it was not looked at: one alone keeps it on the ground. Ours. */
export const MOST_CRASHES = 20;

interface CrashRow {
  readonly id: string;
  readonly flown_at: Date;
  readonly aircraft_id: string;
}

/**
 * Crashes of an aircraft's pilot with a setup of it since it was cleared, the newest first. Read in this order, back until there are enough: from the setup
 * forward it would be all that was ever flown.
 */
const ATTEMPTS = "attempt force index (attempt_of_outcome)";
const WITH_IT = "join setup on setup.id = attempt.setup_id and setup.aircraft_id = aircraft.id";
const COUNTS = `attempt.pilot_id = aircraft.pilot_id and attempt.outcome = 'crashed' and attempt.undone_at is null
  and attempt.place <> 'simulator' and attempt.flown_at > aircraft.cleared_at`;
const NEWEST_FIRST = "order by attempt.flown_at desc, attempt.id desc";

/** The newest crashes of each aircraft since it was cleared, oldest first. */
async function openCrashesOf(aircraftIds: readonly string[], most: number): Promise<readonly CrashRow[]> {
  if (aircraftIds.length === 0) return [];
  if (most === 1) return newestCrashes(aircraftIds);
  const ofOne = `(select straight_join attempt.id, attempt.flown_at, aircraft.id as aircraft_id
    from aircraft join ${ATTEMPTS} ${WITH_IT} where aircraft.id = ? and ${COUNTS} ${NEWEST_FIRST} limit ?)`;
  const [rows] = await database().raw<readonly CrashRow[][]>(
    `${aircraftIds.map(() => ofOne).join(" union all ")} order by flown_at, id`,
    aircraftIds.flatMap((id) => [id, most]),
  );
  return rows;
}

/** The newest of each: for a squad a query of as many parts takes ten times as long to be understood as to be answered. */
async function newestCrashes(aircraftIds: readonly string[]): Promise<readonly CrashRow[]> {
  const newest = `(select straight_join attempt.id from ${ATTEMPTS} ${WITH_IT} where ${COUNTS} ${NEWEST_FIRST} limit 1)`;
  const [rows] = await database().raw<readonly CrashRow[][]>(
    `select attempt.id, attempt.flown_at, each_one.aircraft_id
      from (select aircraft.id as aircraft_id, ${newest} as crash_id from aircraft where aircraft.id in (?)) as each_one
      join attempt on attempt.id = each_one.crash_id`,
    [[...aircraftIds]],
  );
  return rows;
}

/** How some aircraft stand since they were last cleared, by aircraft id; those of which nothing is known are left out. */
export async function conditionsOf(
  aircraftIds: readonly string[],
  mostCrashes = MOST_CRASHES,
): Promise<ReadonlyMap<string, Condition>> {
  const [crashes, tilts, defects]: [
    readonly { id: string; flown_at: Date; aircraft_id: string }[],
    { aircraft_id: string; tilt_deg: number; tilt_spread_deg: number | null; checked_at: Date }[],
    DefectRow[],
  ] = await Promise.all([
    openCrashesOf(aircraftIds, mostCrashes),
    database()("aircraft_check")
      .select("aircraft_id", "tilt_deg", "tilt_spread_deg", "checked_at")
      .whereIn("aircraft_id", [...aircraftIds])
      .whereNotNull("tilt_deg")
      .orderBy(["checked_at", "id"]),
    database()("aircraft_defect")
      .whereIn("aircraft_id", [...aircraftIds])
      .whereNull("mended_at")
      .orderBy(["found_at", "id"]),
  ]);
  const found = new Map<string, { openCrashes: OpenCrash[]; lastTilt: Aircraft["lastTilt"]; openDefects: Defect[] }>();
  const of = (id: string) => {
    const known = found.get(id) ?? { openCrashes: [], lastTilt: null, openDefects: [] };
    found.set(id, known);
    return known;
  };
  for (const { id, flown_at, aircraft_id } of crashes)
    of(aircraft_id).openCrashes.push({ attemptId: id, atMs: flown_at.getTime() });
  // The last one stays.
  for (const row of tilts) of(row.aircraft_id).lastTilt = tiltFrom(row);
  for (const { aircraft_id, id, kind, what, found_at } of defects)
    of(aircraft_id).openDefects.push({ id, kind, what, foundAtMs: found_at.getTime() });
  return found;
}

const tiltFrom = (row: { tilt_deg: number; tilt_spread_deg: number | null; checked_at: Date }): TiltReading => ({
  tiltDeg: row.tilt_deg,
  ...(row.tilt_spread_deg !== null && { spreadDeg: row.tilt_spread_deg }),
  atMs: row.checked_at.getTime(),
});

/** Tilt readings and check flights of an aircraft, newest first. */
export async function checkLog(
  aircraftId: string,
): Promise<{ readonly tilts: readonly TiltReading[]; readonly flights: readonly CheckFlight[] }> {
  const rows: (CheckRow & { coach_name: string })[] = await database()("aircraft_check")
    .join("coach", "coach.id", "aircraft_check.coach_id")
    .select("aircraft_check.*", "coach.name as coach_name")
    .where({ aircraft_id: aircraftId })
    .orderBy([
      { column: "checked_at", order: "desc" },
      { column: "aircraft_check.id", order: "desc" },
    ])
    .limit(MOST_LOGGED);
  return {
    tilts: rows.flatMap((row) => (row.tilt_deg === null ? [] : [tiltFrom({ ...row, tilt_deg: row.tilt_deg })])),
    flights: rows.flatMap((row) => {
      const { id, sense, drift, noise, heat, coach_name: coachName, checked_at } = row;
      return sense && drift && noise && heat
        ? [{ id, sense, drift, noise, heat, coachName, atMs: checked_at.getTime() }]
        : [];
    }),
  };
}

/** Keeps a measured tilt, once: the mean of its readings and their spread. */
export async function insertTilt(
  transaction: Transaction,
  {
    id,
    aircraftId,
    coachId,
    readingsDeg,
  }: { id: string; aircraftId: string; coachId: string; readingsDeg: readonly number[] },
  at: Date,
): Promise<void> {
  await insertOnce(transaction, "aircraft_check", {
    id,
    aircraft_id: aircraftId,
    coach_id: coachId,
    tilt_deg: readingsDeg.reduce((sum, deg) => sum + deg, 0) / readingsDeg.length,
    tilt_spread_deg: readingsDeg.length > 1 ? Math.max(...readingsDeg) - Math.min(...readingsDeg) : null,
    checked_at: at,
  });
}

/** Keeps what a flight by eye found, once. Returns whether it was new. */
export async function insertCheckFlight(
  transaction: Transaction,
  one: { id: string; aircraftId: string; coachId: string; found: CheckFindings },
  at: Date,
): Promise<boolean> {
  const { id, aircraftId, coachId, found } = one;
  const { sense, drift, noise, heat } = found;
  const row = { id, aircraft_id: aircraftId, coach_id: coachId, sense, drift, noise, heat, checked_at: at };
  return (await insertOnce(transaction, "aircraft_check", row)) === null;
}

/** Keeps something that is wrong with an aircraft, once. */
export async function insertDefect(
  transaction: Transaction,
  one: Omit<Defect, "foundAtMs"> & { readonly aircraftId: string; readonly coachId: string },
  at: Date,
): Promise<void> {
  const { id, aircraftId, coachId, kind, what } = one;
  await insertOnce(transaction, "aircraft_defect", {
    id,
    aircraft_id: aircraftId,
    coach_id: coachId,
    kind,
    what,
    found_at: at,
  });
}

/** Says of a defect of an aircraft when it was mended, or that it was not. False where there is no such defect. */
export async function setMended(
  transaction: Transaction,
  { id, aircraftId }: { readonly id: string; readonly aircraftId: string },
  mendedAt: Date | null,
): Promise<boolean> {
  const own = transaction("aircraft_defect").where({ id, aircraft_id: aircraftId });
  if (!(await own.clone().forUpdate().first())) return false;
  await own.clone().update({ mended_at: mendedAt });
  return true;
}

/** How many defects of an aircraft are open. Locks them until the transaction ends. */
export async function countOpenDefects(transaction: Transaction, aircraftId: string): Promise<number> {
  const open: { id: string }[] = await transaction("aircraft_defect")
    .select("id")
    .where({ aircraft_id: aircraftId })
    .whereNull("mended_at")
    .forUpdate();
  return open.length;
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
