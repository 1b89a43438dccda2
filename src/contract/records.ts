import type {
  Advice,
  AdviceKind,
  Airframe,
  Attempt,
  AttemptMeasure,
  BlockKind,
  EarthPlace,
  Load,
  Measurement,
  PassMark,
  Place,
  Settings,
  SitePlan,
  SquadRules,
} from "@/core";
import type { LineTry } from "./lines";
import type { OfferReason, OwnVariant, School, StepRefusal } from "@/syllabus";

export type Grip = "thumbs" | "pinch" | "hybrid";

export const grips: readonly Grip[] = ["thumbs", "pinch", "hybrid"];

export interface Pilot {
  readonly id: string;
  readonly squadId: string;
  readonly name: string;
  /** Stick mode 1 to 4 of the transmitter. */
  readonly stickMode: number;
  readonly grip: Grip;
  /** Whose school is to leave good settings alone: an edit wants a second thought. */
  readonly settingsFrozen: boolean;
  /** From the coach's call to the stick, measured, s; null where it was not. */
  readonly reactionS: number | null;
  /** Speed at which the pilot cruises, m/s; null where nobody asked: level cruise at the camera's tilt is taken. */
  readonly cruiseMps: number | null;
  /** Share of the stick's way the hand really reaches when it means all of it, measured; null where it was not. */
  readonly reachShare: number | null;
  /** From the stick's pivot to where the hand holds it, mm; null for what is usual with the grip. */
  readonly stickLengthMm: number | null;
  /** The aircraft their hands know, which the others are compared with; null for none chosen. */
  readonly referenceAircraftId: string | null;
  /** Sides the pilot takes where practitioners disagree; left out where the squad's is taken. */
  readonly school: School;
  readonly version: number;
}

export interface Coach {
  readonly id: string;
  readonly name: string;
}

export interface SquadCoach {
  readonly id: string;
  readonly name: string;
  /** Owners also decide who else coaches the squad. */
  readonly owner: boolean;
}

export interface Squad {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  /** Sides taken where practitioners disagree, for pilots who chose none of their own. */
  readonly school: School;
  readonly rules: SquadRules;
  readonly coaches: readonly SquadCoach[];
}

/** Ready, or to be flown by eye first. */
export type FlightState = "new" | "repaired" | "flying";

export const flightStates: readonly FlightState[] = ["new", "repaired", "flying"];

/** What was found about the propellers after a crash. */
export const propsFound = ["fine", "changed"] as const;
export type PropsFound = (typeof propsFound)[number];

/** What a check flight looks at, by eye, and how each may be found; the first is well. */
export const checkFindings = {
  sense: ["right", "reversed"],
  drift: ["none", "drifts"],
  noise: ["smooth", "rough"],
  heat: ["cool", "hot"],
} as const;
export type CheckPart = keyof typeof checkFindings;
export const checkParts = Object.keys(checkFindings) as readonly CheckPart[];
export type CheckFindings = { readonly [Part in CheckPart]: (typeof checkFindings)[Part][number] };

/** Nothing was found in a check flight. */
export const flewWell = (found: CheckFindings): boolean =>
  checkParts.every((part) => found[part] === checkFindings[part][0]);

/** A flight by eye after which somebody said how the aircraft is. */
export interface CheckFlight extends CheckFindings {
  readonly id: string;
  readonly coachName: string;
  readonly atMs: number;
}

export const defectKinds = [...checkParts, "other"] as const;
export type DefectKind = (typeof defectKinds)[number];

/** Something wrong with an aircraft that nobody has mended yet. */
export interface Defect {
  readonly id: string;
  readonly kind: DefectKind;
  /** In the coach's words; may be empty where the kind says it. */
  readonly what: string;
  readonly foundAtMs: number;
}

/** Whether the camera can be set to another angle. */
export const mounts = ["fixed", "adjustable"] as const;
export type Mount = (typeof mounts)[number];

/** The camera's tilt as it was measured, and when. */
export interface TiltReading {
  readonly tiltDeg: number;
  /** Of the readings from least to most, °; absent for a single one. */
  readonly spreadDeg?: number;
  readonly atMs: number;
}

/** A crash after which no coach has cleared the aircraft. */
export interface OpenCrash {
  readonly attemptId: string;
  readonly atMs: number;
}

export interface Aircraft {
  readonly id: string;
  readonly pilotId: string;
  readonly name: string;
  readonly presetId: string;
  readonly airframe: Airframe;
  readonly flightState: FlightState;
  /** When it was last looked after: crashes from before are over and done. */
  readonly clearedAtMs: number;
  /** The attempts it crashed in since, in the order flown. */
  readonly openCrashes: readonly OpenCrash[];
  /** The last measured tilt of its camera; null where it never was. */
  readonly lastTilt: TiltReading | null;
  readonly openDefects: readonly Defect[];
  /** Null where nobody said. */
  readonly mount: Mount | null;
  /** What was measured on it, oldest first; the airframe is fitted to it. */
  readonly measurements: readonly Measurement[];
  /** The airframe before measuring. */
  readonly estimate: Airframe;
  readonly version: number;
  /** The flight model for which its numbers were last gone over. */
  readonly modelVersion: number;
}

/** Why an aircraft is to be looked at and flown by eye before goggles go on; null where it is ready. */
export const toBeChecked = ({
  flightState,
  openCrashes,
}: Pick<Aircraft, "flightState" | "openCrashes">): "crashed" | Exclude<FlightState, "flying"> | null =>
  openCrashes.length > 0 ? "crashed" : flightState === "flying" ? null : flightState;

/** One saved version of the settings of an aircraft. Never overwritten. */
export interface Setup {
  readonly id: string;
  readonly aircraftId: string;
  readonly number: number;
  readonly settings: Settings;
  readonly reason: string;
  readonly coachId: string;
  readonly coachName: string;
  readonly createdAtMs: number;
}

/** A load of an aircraft as it is kept. Its numbers never change: what was flown with it stays true. */
export interface KeptLoad extends Load {
  readonly id: string;
  readonly aircraftId: string;
  readonly name: string;
}

/** A place where a squad flies. */
export interface Site {
  readonly id: string;
  readonly squadId: string;
  readonly name: string;
  readonly surface: string;
  /** Clear ground there is round the working area, m. */
  readonly roomM: number;
  /** Local height limit above the ground, m; null where none is known. */
  readonly ceilingM: number | null;
  /** Above sea level, m; null where it was not said. */
  readonly elevationM: number | null;
  /** What stands there to fly at. */
  readonly features: string;
  readonly hazards: string;
  readonly rules: string;
  readonly askWhom: string;
  readonly version: number;
  /** Where its plan says that it lies; null, or left out by what devices kept before, where nobody said. */
  readonly place?: EarthPlace | null;
}

/** A site's plan as it was read. */
export interface KeptSitePlan {
  readonly siteId: string;
  readonly version: number;
  readonly plan: SitePlan;
}

/** The courses of a session's site, as they are taken into the field. */
export interface FieldPlan {
  readonly siteName: string;
  readonly plan: SitePlan;
}

/** A block of a pilot's session as planned. */
export interface PlannedBlock {
  readonly kind: BlockKind;
  /** Null for flying freely. */
  readonly stepId: string | null;
  readonly minutes: number;
  /** The direction to begin with; null where it does not matter. */
  readonly firstDirection: string | null;
  /** At the step of lines: the one to fly; null, or left out, for any of those given. */
  readonly lineId?: string | null;
  /** Null where nobody gave one. */
  readonly reason: BlockReason | null;
}

/** Why a block is flown: what the program saw, or what somebody wanted. */
export type BlockReason =
  | OfferReason
  | { readonly kind: "coachs-choice" | "taken-up" }
  /** A sentence kept before reasons had kinds. */
  | { readonly kind: "said"; readonly says: string };

/** What a pilot is to fly, in order, and in which turns of the session, counted from 0. */
export interface PilotPlan {
  readonly blocks: readonly PlannedBlock[];
  readonly turns: readonly number[];
}

export interface SessionPilot {
  readonly pilotId: string;
  readonly stepId: string;
  readonly setupId: string | null;
  /** What the aircraft carries; null or left out for nothing but its own. */
  readonly loadId?: string | null;
  /** Left out where nothing was planned: the pilot flies the one step. */
  readonly plan?: PilotPlan;
  /** Flies no more in this session. */
  readonly left?: boolean;
}

export interface Session {
  readonly id: string;
  readonly squadId: string;
  /** Who runs it; null when a pilot practises without a coach. */
  readonly coachId: string | null;
  readonly place: Place;
  /** Where, if that was said. */
  readonly siteId?: string | null;
  /** Air of the day, where it was said: °C, m/s. */
  readonly temperatureC?: number | null;
  readonly windMps?: number | null;
  /** When it was begun, or prepared as long as it is not. */
  readonly startedAtMs: number;
  /** False while it is prepared only. */
  readonly begun: boolean;
  readonly endedAtMs: number | null;
  /** Who ended it; left out where that is not known. */
  readonly endedBy?: { readonly accountId: string; readonly name: string } | null;
  /** In the order in which they take turns. */
  readonly pilots: readonly SessionPilot[];
  /** What stood against it when it was begun without a network; nothing of it was refused for that. */
  readonly against?: readonly BegunAgainst[];
}

/** What stands against a step that a pilot flies all the same. */
export interface BegunAgainst {
  readonly pilotId: string;
  readonly refusal: StepRefusal;
}

/** An attempt as it is kept. */
export interface LoggedAttempt extends Attempt {
  readonly id: string;
  readonly sessionId: string;
  readonly pilotId: string;
  readonly stepId: string;
  readonly pack: number | null;
  readonly minutes: number | null;
  readonly measured: Readonly<Partial<Record<AttemptMeasure, number>>>;
  readonly faults: readonly string[];
  /** Left out where no line was flown. */
  readonly line?: LineTry;
  readonly undone: boolean;
}

/** What stood when a step was signed off. */
export interface MilestoneEvidence {
  /** The version of the syllabus it was judged by, and its mark, in words where it was kept so; left out of records from before syllabuses had versions. */
  readonly judgedBy?: { readonly syllabus: number; readonly mark: PassMark | string };
  readonly advice: AdviceKind;
  /** What was advised, with its counts; left out of records from before it had kinds, and of what was signed elsewhere. */
  readonly reason?: Advice;
  /** What was said instead of it. */
  readonly sentence?: string;
  readonly directions: readonly {
    readonly direction: string;
    readonly cleanOfLast: number;
    readonly lookedAt: number;
    readonly attempts: number;
    readonly low: number;
    readonly high: number;
  }[];
}

export interface Milestone {
  readonly id: string;
  readonly pilotId: string;
  readonly stepId: string;
  readonly coachId: string;
  readonly coachName: string;
  readonly evidence: MilestoneEvidence;
  readonly note: string;
  readonly signedAtMs: number;
  /** Came here in a file, from other records. */
  readonly broughtIn: boolean;
}

/** A pilot asks to have a step signed off. */
export interface SignOffRequest {
  readonly id: string;
  readonly pilotId: string;
  readonly stepId: string;
  readonly message: string;
  readonly askedAtMs: number;
  readonly answeredAtMs: number | null;
  /** What the coach answered; null while it is open, and empty when the step was signed off. */
  readonly answer: string | null;
}

export interface Note {
  readonly id: string;
  readonly pilotId: string;
  readonly coachName: string;
  readonly text: string;
  readonly writtenAtMs: number;
  /** Pilots do not see it. */
  readonly forCoaches: boolean;
}

/** By when a pilot is to have a step signed off. */
export interface Target {
  readonly id: string;
  readonly pilotId: string;
  readonly stepId: string;
  readonly dueAtMs: number;
}

/** So many clean tries of practice at a step by a date, and how many were flown since it was set. */
export interface Homework extends Target {
  readonly tries: number;
  readonly setAtMs: number;
  readonly done: number;
}

/** A session that is planned. */
export interface PlannedSession {
  readonly id: string;
  readonly squadId: string;
  readonly siteId: string | null;
  readonly startsAtMs: number;
  readonly minutes: number;
  readonly note: string;
  /** Who is to come. */
  readonly pilotIds: readonly string[];
  readonly version: number;
}

/** One version of a squad's syllabus, without its text. */
export interface SyllabusVersion {
  readonly id: string;
  readonly number: number;
  readonly reason: string;
  readonly coachName: string;
  readonly createdAtMs: number;
}

/** A squad's own way to fly a trick, and for whom it was chosen. */
export type SquadVariant = OwnVariant & {
  readonly squadId: string;
  readonly pilotIds: readonly string[];
  readonly version: number;
};

/** What can lie in the bin. Each kind is brought back by the action `restore-<kind>`. */
export type BinnedKind =
  | "squad"
  | "pilot"
  | "aircraft"
  | "note"
  | "sign-off"
  | "attempt"
  | "site"
  | "planned"
  | "target"
  | "homework"
  | "variant"
  | "line";

/** Something that was deleted and can still be brought back. */
export interface Binned {
  readonly kind: BinnedKind;
  readonly id: string;
  readonly pilotName: string;
  /** The name, the step or the beginning of the text. */
  readonly what: string;
  readonly removedAtMs: number;
}

/**
 * `coach`: become a coach here, of the squad named or of one of their own. `pilot`: an account for a pilot's own record. `way-back`: a new
 * password for an account whose old one is forgotten.
 */
export type InvitationKind = "coach" | "pilot" | "way-back";

export interface Invitation {
  readonly id: string;
  readonly kind: InvitationKind;
  readonly squadId: string | null;
  readonly pilotId: string | null;
  readonly accountId: string | null;
  /** Who made it; null for the server's keeper. */
  readonly coachId: string | null;
  readonly expiresAtMs: number;
}
