import type { ActionInput } from "./actions";
import { dayOfSession } from "./day-of-session";
import type { Session, Site } from "./records";
import type { SentSyllabus, TallyData, TallyPilot } from "./tally";

/** A squad as a coach takes it into the field: all that a session is begun from where there is no network. */
export interface FieldSquad {
  readonly accountId: string;
  /** Of whoever took it along. */
  readonly name: string;
  readonly coachId: string;
  readonly squadId: string;
  readonly squadName: string;
  readonly syllabi: readonly SentSyllabus[];
  readonly sites: readonly Site[];
  /** Each at the step they are at, by name. */
  readonly pilots: readonly TallyPilot[];
}

/** A session begun from a squad on the device, as the server shows it once it has heard of it. */
export function tallyBegun(squad: FieldSquad, begun: ActionInput<"begin-in-field">): TallyData {
  const { accountId, name, coachId, squadId, syllabi } = squad;
  const site = squad.sites.find(({ id }) => id === begun.siteId) ?? null;
  const flying = begun.pilots.flatMap(({ pilotId }) => squad.pilots.find(({ id }) => id === pilotId) ?? []);
  const session: Session = {
    id: begun.id,
    squadId,
    coachId,
    place: begun.place,
    siteId: site?.id ?? null,
    temperatureC: null,
    windMps: null,
    startedAtMs: begun.atMs,
    begun: true,
    endedAtMs: null,
    endedBy: null,
    pilots: begun.pilots.map((one) => ({ ...one, loadId: one.loadId ?? null, left: false })),
    against: [],
  };
  return {
    accountId,
    name,
    session,
    attempts: [],
    notes: [],
    mayKeep: true,
    coaches: true,
    site,
    day: dayOfSession(session, site),
    syllabi,
    pilots: flying,
    others: squad.pilots.filter((one) => !flying.includes(one)),
  };
}
