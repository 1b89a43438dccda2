import type { Attempt, SquadRules } from "@/core";
import type { Day, Route, SyllabusDocument } from "@/syllabus";
import type { GivenLine } from "./lines";
import type { Aircraft, LoggedAttempt, Note, PlannedBlock, Session, Site } from "./records";

/** A squad's own syllabus as it is sent to the browser; squads without one have the built-in syllabus, which the browser has already. */
export interface SentSyllabus {
  readonly squadId: string;
  readonly number: number;
  readonly document: SyllabusDocument;
}

/** A step flown or to be flown in a session, with what was known of it before. */
export interface TallyStep {
  readonly stepId: string;
  /** Attempts at this step in earlier sessions: the evidence counts them too. */
  readonly earlier: readonly Attempt[];
  /** Begun in the field without a network: what was flown before is not on the device. */
  readonly unknownBefore?: boolean;
}

/** The aircraft a pilot flies in a session. */
export interface TallyAircraft extends Pick<
  Aircraft,
  "id" | "name" | "flightState" | "clearedAtMs" | "openCrashes" | "lastTilt"
> {
  /** Of the camera, in the setup that is flown. */
  readonly tiltDeg: number;
}

export interface TallyPilot {
  readonly id: string;
  readonly name: string;
  readonly setupId: string | null;
  readonly loadId: string | null;
  /** What is flown, in order; at least one block with a step. */
  readonly blocks: readonly PlannedBlock[];
  /** Null where none is known of. */
  readonly aircraft: TallyAircraft | null;
  /** Flies no more in this session. */
  readonly left: boolean;
  /** Slots of the session in which the pilot flies, counted from 0; empty where no order was planned. */
  readonly turns: readonly number[];
  /** Ids of the steps that are signed off, flown here or not. */
  readonly signedOff: readonly string[];
  /** The steps of the blocks, and what was tapped beside them; the one worked at first. */
  readonly steps: readonly TallyStep[];
  /** Aircraft to be flown by eye before goggles go on. */
  readonly checkFirst: readonly string[];
  /** On which steps follow one another. */
  readonly route: Route;
  /** Of the pilot's squad: how marks are judged. */
  readonly rules: SquadRules;
  /** The step the pilot is at, whether or not it is one of this session; null where nothing is open. */
  readonly currentStepId: string | null;
  /** Those given to the pilot; absent from what earlier versions kept on a device. */
  readonly lines?: readonly GivenLine[];
}

export type TallyNote = Pick<Note, "id" | "pilotId" | "text" | "writtenAtMs" | "forCoaches">;

export interface TallyData {
  /** The account this was loaded for, and its name. */
  readonly accountId: string;
  readonly name: string;
  readonly session: Session;
  readonly pilots: readonly TallyPilot[];
  /** Pilots of the squad who may be taken in, by name: each at the step they are at. */
  readonly others: readonly TallyPilot[];
  /** Attempts of this session that stand or were undone, in the order flown. */
  readonly attempts: readonly LoggedAttempt[];
  /** What a coach noted in this session, oldest first. */
  readonly notes: readonly TallyNote[];
  /** Logs attempts, and opens and closes the session. */
  readonly mayKeep: boolean;
  readonly coaches: boolean;
  /** Where it is flown, if that was said. */
  readonly site: Site | null;
  /** The air of this session. */
  readonly day: Day;
  /** The syllabus of the session's squad, where it is not the built-in one. */
  readonly syllabi: readonly SentSyllabus[];
}
