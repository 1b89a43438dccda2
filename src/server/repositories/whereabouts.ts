import { database } from "../database";

/** The things of the records that a rule can be about. */
export type Subject =
  | "squad"
  | "pilot"
  | "aircraft"
  | "setup"
  | "load"
  | "session"
  | "attempt"
  | "milestone"
  | "note"
  | "request"
  | "site"
  | "planned"
  | "target"
  | "homework"
  | "variant"
  | "line"
  | "recording"
  | "invitation";

/** Where a thing belongs: to a squad, and to the pilots whose record it is part of. */
export interface Whereabouts {
  /** Null for an invitation that is bound to no squad. */
  readonly squadId: string | null;
  /** Squads whose coaches read it: its own, and those its pilots are in now. */
  readonly readingSquadIds: readonly string[];
  readonly pilotIds: readonly string[];
  /** A session that a pilot flies without a coach, or an attempt in one; a recording that they brought themselves. */
  readonly ownPractice: boolean;
  /** In the bin itself, or part of a record that is. */
  readonly binned: boolean;
  /** Who made it, where only they and the squad's owners may undo it. */
  readonly coachId?: string | null;
}

interface Row {
  squad_id: string | null;
  pilot_id: string | null;
  pilot_squad_id?: string | null;
  alone?: number;
  binned?: number;
  coach_id?: string | null;
}

/** What a squad has of its own, in the bin by itself or with the squad. */
const ofSquad = (table: string) =>
  `select squad_id, null as pilot_id, ${table}.removed_at is not null or squad.removed_at is not null as binned
    from ${table} join squad on squad.id = squad_id where ${table}.id = ?`;

/** How to find each kind, as a query that gives squad_id, pilot_id and whether it is in the bin; one row for each pilot. */
const queries: Readonly<Record<Subject, string>> = {
  // Its pilots read what is the squad's.
  squad: `select squad.id as squad_id, pilot.id as pilot_id, squad.removed_at is not null as binned
    from squad left join pilot on pilot.squad_id = squad.id and pilot.removed_at is null where squad.id = ?`,
  pilot: "select squad_id, id as pilot_id, removed_at is not null as binned from pilot where id = ?",
  aircraft: `select squad_id, pilot_id, aircraft.removed_at is not null or pilot.removed_at is not null as binned
    from aircraft join pilot on pilot.id = pilot_id where aircraft.id = ?`,
  setup: `select squad_id, pilot_id, aircraft.removed_at is not null or pilot.removed_at is not null as binned
    from setup join aircraft on aircraft.id = aircraft_id join pilot on pilot.id = pilot_id where setup.id = ?`,
  load: `select squad_id, pilot_id, aircraft.removed_at is not null or pilot.removed_at is not null as binned
    from aircraft_load join aircraft on aircraft.id = aircraft_id join pilot on pilot.id = pilot_id where aircraft_load.id = ?`,
  session: `select session.squad_id, pilot_id, pilot.squad_id as pilot_squad_id, session.coach_id is null as alone,
      squad.removed_at is not null and coalesce(pilot.removed_at is not null, true) as binned
    from session join squad on squad.id = session.squad_id
    left join session_pilot on session_id = session.id left join pilot on pilot.id = pilot_id where session.id = ?
    order by binned`,
  attempt: `select pilot.squad_id, attempt.pilot_id, session.coach_id is null as alone, pilot.removed_at is not null as binned
    from attempt join session on session.id = session_id join pilot on pilot.id = attempt.pilot_id where attempt.id = ?`,
  milestone: `select squad_id, pilot_id, pilot.removed_at is not null as binned
    from milestone join pilot on pilot.id = pilot_id where milestone.id = ?`,
  note: `select squad_id, pilot_id, pilot.removed_at is not null as binned
    from note join pilot on pilot.id = pilot_id where note.id = ?`,
  request: `select squad_id, pilot_id, pilot.removed_at is not null as binned
    from sign_off_request join pilot on pilot.id = pilot_id where sign_off_request.id = ?`,
  target: `select squad_id, pilot_id, pilot.removed_at is not null as binned
    from target join pilot on pilot.id = pilot_id where target.id = ?`,
  homework: `select squad_id, pilot_id, pilot.removed_at is not null as binned
    from homework join pilot on pilot.id = pilot_id where homework.id = ?`,
  planned: ofSquad("planned_session"),
  variant: ofSquad("variant"),
  // Whoever it was given to reads it.
  line: `select line.squad_id, pilot.id as pilot_id, line.removed_at is not null or squad.removed_at is not null as binned
    from line join squad on squad.id = line.squad_id left join line_pilot on line_id = line.id
    left join pilot on pilot.id = line_pilot.pilot_id and pilot.squad_id = line.squad_id and pilot.removed_at is null
    where line.id = ?`,
  // Whoever brought it takes it out; what is not whole yet anybody may finish who sees it.
  recording: `select squad_id, pilot_id, kept_by_pilot or whole_at is null as alone, pilot.removed_at is not null as binned
    from recording join pilot on pilot.id = pilot_id where recording.id = ?`,
  // Its squad's pilots read where they fly.
  site: `select site.squad_id, pilot.id as pilot_id, site.removed_at is not null or squad.removed_at is not null as binned
    from site join squad on squad.id = site.squad_id
    left join pilot on pilot.squad_id = squad.id and pilot.removed_at is null where site.id = ?`,
  invitation: `select coalesce(invitation.squad_id, pilot.squad_id) as squad_id, invitation.pilot_id, invitation.coach_id
    from invitation left join pilot on pilot.id = invitation.pilot_id where invitation.id = ?`,
};

/** Where the thing with this id belongs, or undefined when there is none. */
export async function whereabouts(subject: Subject, id: string): Promise<Whereabouts | undefined> {
  const [rows] = (await database().raw(queries[subject], [id])) as [Row[]];
  if (rows.length === 0) return undefined;
  const [first] = rows;
  return {
    squadId: first.squad_id,
    readingSquadIds: [first.squad_id, ...rows.map((row) => row.pilot_squad_id)].flatMap((id) => (id ? [id] : [])),
    pilotIds: rows.flatMap(({ pilot_id }) => (pilot_id ? [pilot_id] : [])),
    ownPractice: Boolean(first.alone),
    binned: Boolean(first.binned),
    coachId: first.coach_id,
  };
}

/** Whether and how somebody coaches any of some squads. */
export async function coachingOf(squadIds: readonly string[], coachId: string): Promise<"owner" | "coach" | null> {
  const rows: { owner: number }[] = await database()("squad_coach")
    .where({ coach_id: coachId })
    .whereIn("squad_id", [...squadIds])
    .select("owner");
  if (rows.length === 0) return null;
  return rows.some(({ owner }) => owner) ? "owner" : "coach";
}
