import type { AttemptMeasure, Measurement, Outcome, Place, Settings, SitePlan, SquadRules, StartHeight } from "@/core";
import type { VariantDocument } from "@/syllabus";
import type { LineDocument, LineTry } from "./lines";
import type {
  CheckFindings,
  DefectKind,
  FlightState,
  Grip,
  InvitationKind,
  Mount,
  PilotPlan,
  PropsFound,
  Session,
  SessionPilot,
} from "./records";

/** A number that a form sends as it was typed; the server reads it, and names the field where it is none. Empty text is no number. */
export type TypedNumber = number | string;

interface Id {
  readonly id: string;
}
interface Versioned extends Id {
  /** The version that was read; another one meanwhile is a conflict. */
  readonly version: number;
}
interface Link {
  /** The secret of a link. */
  readonly token: string;
}
/** One action: what is sent and what comes back. */
interface Does<Input extends object, Output = void> {
  readonly input: Input;
  readonly output: Output;
}

/** A pilot starts at a step; the same again takes it back. */
interface Placing extends Id {
  readonly pilotId: string;
  readonly stepId: string;
}

interface SchoolChoice extends Versioned {
  /** Sides by question. */
  readonly school: Readonly<Record<string, string>>;
}
interface PilotFields extends Id {
  readonly squadId: string;
  readonly name: string;
  readonly stickMode: number;
  readonly grip: Grip;
  readonly settingsFrozen?: boolean;
  readonly reactionS?: TypedNumber | null;
  readonly cruiseMps?: TypedNumber | null;
  readonly reachShare?: TypedNumber | null;
  readonly stickLengthMm?: TypedNumber | null;
}
interface SiteFields extends Id {
  readonly name: string;
  readonly surface: string;
  readonly roomM: TypedNumber;
  readonly ceilingM: TypedNumber | null;
  readonly elevationM?: TypedNumber | null;
  readonly features: string;
  readonly hazards: string;
  readonly rules: string;
  readonly askWhom: string;
}
interface PlannedFields extends Id {
  readonly siteId?: string | null;
  readonly startsAtMs: number;
  readonly minutes: number;
  readonly note: string;
  readonly pilotIds: readonly string[];
}
interface VariantFields extends Id {
  readonly pilotIds: readonly string[];
  /** A file: checked by its schema on the server. */
  readonly document: unknown;
}
interface LineFields extends Id {
  /** Where it is flown; null for anywhere. */
  readonly siteId: string | null;
  /** A file: checked by its schema on the server. */
  readonly document: unknown;
}
interface SetupFields extends Id {
  readonly aircraftId: string;
  /** Number of the version that was changed; 0 for the first. */
  readonly basedOn: number;
  readonly reason: string;
  readonly settings: Settings;
  /** Said when the settings of the pilot are frozen and are to change all the same. */
  readonly evenFrozen?: boolean;
}

/** What an invitation is, as its holder sees it before taking it. */
export interface OpenedInvitation {
  readonly kind: InvitationKind;
  readonly pilotName: string | null;
  readonly squadName: string | null;
  readonly byName: string | null;
  readonly expiresAtMs: number;
}

/** Accounts and sign-ins. */
interface AccountActions {
  begin: Does<Id & { readonly name: string; readonly password: string }>;
  /** `code` where the account has a second factor; who leaves it out is asked for it at that field. */
  "sign-in": Does<{ readonly name: string; readonly password: string; readonly code?: string }>;
  "begin-second-factor": Does<{ readonly password: string }, { readonly secret: string; readonly address: string }>;
  "confirm-second-factor": Does<{ readonly code: string }, { readonly recoveryCodes: readonly string[] }>;
  "renew-recovery-codes": Does<{ readonly code: string }, { readonly recoveryCodes: readonly string[] }>;
  "end-second-factor": Does<{ readonly password: string; readonly code: string }>;
  "sign-out": Does<{ readonly everywhere: boolean }>;
  "change-password": Does<{ readonly password: string; readonly newPassword: string }>;
  "end-sign-in": Does<Id>;
}

/** Squads, who coaches them, and invitations. */
interface PeopleActions {
  "add-squad": Does<Id & { readonly name: string }>;
  "rename-squad": Does<Versioned & { readonly name: string }>;
  "set-squad-school": Does<SchoolChoice>;
  "remove-squad": Does<Id>;
  "restore-squad": Does<Id>;
  "set-squad-rules": Does<Versioned & SquadRules>;
  "set-owner": Does<{ readonly squadId: string; readonly coachId: string; readonly owner: boolean }>;
  "remove-coach": Does<{ readonly squadId: string; readonly coachId: string }>;
  "leave-squad": Does<{ readonly squadId: string }>;
  "invite-coach": Does<Id & { readonly squadId: string | null }, Link>;
  "invite-pilot": Does<Id & { readonly pilotId: string }, Link>;
  "revoke-invitation": Does<Id>;
  "close-pilot-account": Does<{ readonly pilotId: string }>;
  "open-invitation": Does<Link, OpenedInvitation>;
  "accept-invitation": Does<Id & Link & { readonly name: string; readonly password: string }>;
  "join-squad": Does<Link>;
  "take-way-back": Does<Link & { readonly password: string }>;
}

/** Pilots and their records. */
interface PilotActions {
  "add-pilot": Does<PilotFields>;
  "edit-pilot": Does<PilotFields & Versioned>;
  "remove-pilot": Does<Id>;
  "restore-pilot": Does<Id>;
  "set-pilot-school": Does<SchoolChoice>;
  "sign-off": Does<
    Id & {
      readonly pilotId: string;
      readonly stepId: string;
      readonly note: string;
      /** When, by the device's clock; left out for now. */
      readonly atMs?: number;
    }
  >;
  "withdraw-sign-off": Does<Id>;
  "restore-sign-off": Does<Id>;
  "place-pilot": Does<Placing, { readonly count: number }>;
  "unplace-pilot": Does<Placing, { readonly count: number }>;
  "ask-sign-off": Does<Id & { readonly pilotId: string; readonly stepId: string; readonly message: string }>;
  "answer-request": Does<Id & { readonly answer: string }>;
  "add-note": Does<Id & { readonly pilotId: string; readonly text: string; readonly forCoaches?: boolean }>;
  "remove-note": Does<Id>;
  "restore-note": Does<Id>;
  "import-record": Does<
    { readonly squadId: string; readonly record: unknown },
    { readonly pilotId: string; readonly added: number }
  >;
  "erase-pilot": Does<Id & { readonly name: string }>;
}

/** Aircraft, loads, setups, and what is worked out for them. */
interface AircraftActions {
  "add-aircraft": Does<
    Id & {
      readonly pilotId: string;
      readonly name: string;
      readonly presetId: string;
      readonly flightState: FlightState;
      readonly massG: string;
      readonly thrustToWeight: string;
    }
  >;
  "remove-aircraft": Does<Id>;
  "restore-aircraft": Does<Id>;
  "rename-aircraft": Does<Versioned & { readonly name: string }>;
  /** Flown by eye: what was found, with a defect for each thing that is not well. All well clears the aircraft. */
  "check-flight": Does<
    Id & {
      readonly aircraftId: string;
      readonly found: CheckFindings;
      readonly defects: readonly (Id & { readonly kind: DefectKind; readonly what: string })[];
    }
  >;
  "add-defect": Does<Id & { readonly aircraftId: string; readonly what: string }>;
  "mend-defect": Does<Id & { readonly aircraftId: string; readonly mended: boolean }>;
  /** Readings of the camera's tilt taken one after the other. */
  "read-tilt": Does<Id & { readonly aircraftId: string; readonly readingsDeg: readonly number[] }>;
  "set-mount": Does<Versioned & { readonly mount: Mount | null }>;
  "set-flight-state": Does<Id & { readonly flightState: FlightState }>;
  "measure-aircraft": Does<Versioned & { readonly measurements: readonly Measurement[] }>;
  "choose-reference": Does<Id>;
  "add-load": Does<
    Id & {
      readonly aircraftId: string;
      readonly name: string;
      readonly massG: string;
      readonly thrustToWeight: string;
    }
  >;
  "remove-load": Does<Id>;
  "restore-load": Does<Id>;
  "save-setup": Does<SetupFields, { readonly number: number }>;
  "keep-start-height": Does<{ readonly key: string; readonly startHeight: StartHeight }>;
}

/** Sessions, attempts, and what is tapped in the field. */
interface SessionActions {
  "start-session": Does<
    Id & {
      readonly place: Place;
      readonly siteId?: string | null;
      readonly temperatureC?: number | null;
      readonly windMps?: number | null;
      /** Prepared at the desk: it is begun in the field. */
      readonly prepared?: boolean;
      readonly pilots: readonly (Omit<Session["pilots"][number], "plan"> & { readonly plan?: PilotPlan })[];
    }
  >;
  /** A session begun from what a device knows of the squad, without a network. What stands against it is noted, and refuses nothing. */
  "begin-in-field": Does<
    Id & {
      readonly squadId: string;
      readonly place: Place;
      readonly siteId: string | null;
      /** By the device's clock. */
      readonly atMs: number;
      readonly pilots: readonly Omit<SessionPilot, "plan" | "left">[];
    }
  >;
  "begin-session": Does<Id & { readonly atMs?: number }>;
  "end-session": Does<Id & { readonly atMs?: number }>;
  "reopen-session": Does<Id>;
  "drop-session": Does<Id>;
  "log-attempt": Does<
    Id & {
      readonly sessionId: string;
      readonly pilotId: string;
      readonly stepId: string;
      readonly direction: string;
      readonly outcome: Outcome;
      /** By the device's clock. */
      readonly flownAtMs: number;
      readonly pack?: number | null;
      /** Where a line was flown. */
      readonly line?: LineTry;
    }
  >;
  /** Takes a pilot of the squad into a session, or in again. */
  "take-in": Does<
    Id & {
      readonly pilotId: string;
      readonly stepId: string;
      readonly setupId: string | null;
      readonly loadId?: string | null;
    }
  >;
  /** A pilot flies no more in this session; what they flew stays. */
  "let-go": Does<Id & { readonly pilotId: string }>;
  /** An aircraft was looked at after a crash: propellers, tilt measured, flown by eye. It is ready to fly again. */
  "check-aircraft": Does<
    Id & {
      readonly aircraftId: string;
      readonly props: PropsFound;
      readonly tiltDeg: number;
      /** By the device's clock. */
      readonly atMs: number;
    }
  >;
  "set-faults": Does<Id & { readonly faults: readonly string[] }>;
  /** Of a try at a copied line: ids of the parts that were held. */
  "set-held": Does<Id & { readonly held: readonly string[] }>;
  "set-measured": Does<
    Id & {
      readonly minutes: number | null;
      readonly measured: Readonly<Partial<Record<AttemptMeasure, number>>>;
    }
  >;
  "undo-attempt": Does<Id>;
  "restore-attempt": Does<Id>;
  "add-session-note": Does<
    Id & {
      readonly sessionId: string;
      readonly pilotId: string;
      readonly text: string;
      readonly writtenAtMs: number;
      readonly forCoaches?: boolean;
    }
  >;
}

/** What is practised in the model, and what of it a coach asks for. */
interface PracticeActions {
  /** A try, which may arrive late. Its sitting is begun by the first one. */
  "log-try": Does<
    Id & {
      readonly sittingId: string;
      readonly pilotId: string;
      readonly stepId: string;
      readonly direction: string;
      readonly outcome: Outcome;
      /** By the device's clock. */
      readonly flownAtMs: number;
      readonly seconds: number;
      readonly measured: Readonly<Partial<Record<AttemptMeasure, number>>>;
      readonly setupId: string | null;
      readonly loadId: string | null;
      readonly line?: LineTry;
      /** Its sticks with all it is flown again with, packed, as base64. */
      readonly packed?: string;
    }
  >;
  "set-homework": Does<
    Id & { readonly pilotId: string; readonly stepId: string; readonly tries: number; readonly dueAtMs: number }
  >;
  "remove-homework": Does<Id>;
  "restore-homework": Does<Id>;
}

/** The calendar and the yard. */
interface PlaceActions {
  "plan-session": Does<PlannedFields & { readonly squadId: string }>;
  "edit-planned": Does<PlannedFields & Versioned>;
  "remove-planned": Does<Id>;
  "restore-planned": Does<Id>;
  "set-target": Does<Id & { readonly pilotId: string; readonly stepId: string; readonly dueAtMs: number }>;
  "remove-target": Does<Id>;
  "restore-target": Does<Id>;
  "add-site": Does<SiteFields & { readonly squadId: string }>;
  "edit-site": Does<SiteFields & Versioned>;
  "save-plan": Does<Versioned & { readonly plan: SitePlan }>;
  /** A JPEG as base64. */
  "put-site-picture": Does<Id & { readonly pictureId: string; readonly jpeg: string }>;
  "remove-site": Does<Id>;
  "restore-site": Does<Id>;
}

/** What is taught, and own ways to fly a trick. */
interface TeachingActions {
  "save-syllabus": Does<
    Id & {
      readonly squadId: string;
      /** Number of the version that was changed; 0 for the built-in one. */
      readonly basedOn: number;
      readonly reason: string;
      readonly document: unknown;
    },
    { readonly number: number }
  >;
  "check-variant": Does<{ readonly document: unknown }, { readonly document: VariantDocument }>;
  "add-variant": Does<VariantFields & { readonly squadId: string }>;
  "edit-variant": Does<VariantFields & Versioned>;
  "remove-variant": Does<Id>;
  "restore-variant": Does<Id>;
  "check-line": Does<{ readonly document: unknown }, { readonly document: LineDocument }>;
  "add-line": Does<LineFields & { readonly squadId: string }>;
  "save-line": Does<LineFields & Versioned>;
  /** One page, as base64, of what the browser has flown. */
  "line-paper": Does<
    { readonly document: unknown; readonly flown: unknown; readonly units: "metric" | "imperial" },
    { readonly pdf: string }
  >;
  /** To a pilot, or back from one. */
  "give-line": Does<Id & { readonly pilotId: string; readonly given: boolean }>;
  "remove-line": Does<Id>;
  "restore-line": Does<Id>;
}

/** Recordings of sticks and gyro. */
interface TapeActions {
  /** Answers under which id this very file is kept for the pilot, and which of its pieces are here. */
  "begin-recording": Does<
    Id & {
      readonly pilotId: string;
      readonly setupId: string | null;
      readonly name: string;
      readonly sha256: string;
      readonly bytes: number;
      readonly packedBytes: number;
      readonly recordedAtMs: number | null;
      /** How its columns are read: checked by its schema on the server. */
      readonly mapping: object | null;
    },
    { readonly id: string; readonly whole: boolean; readonly here: readonly number[] }
  >;
  /** A piece packed with gzip, as base64. */
  "keep-piece": Does<Id & { readonly number: number; readonly packed: string }>;
  /** All pieces are here; `found` is checked by its schema on the server. */
  "finish-recording": Does<Id & { readonly found: unknown }>;
  /** For good. */
  "delete-recording": Does<Id>;
  /** Measures of tricks, by their place among those found, into the attempts that were tapped; and what was never tapped, taken in as new attempts. */
  "match-recording": Does<
    Id & {
      readonly sessionId: string;
      /** What is found in it now, in place of what was found when it was kept. */
      readonly found: unknown;
      /** The moment of the recording's time 0. */
      readonly clockMs: number;
      readonly matches: readonly { readonly trick: number; readonly attemptId: string }[];
      readonly taken: readonly {
        readonly id: string;
        readonly trick: number;
        readonly stepId: string;
        readonly direction: string;
        readonly outcome: Outcome;
      }[];
    }
  >;
}

/** Everything that can be asked of the server: each action's name, its input and its output. */
export type Actions = AccountActions &
  PeopleActions &
  PilotActions &
  AircraftActions &
  SessionActions &
  PlaceActions &
  PracticeActions &
  TeachingActions &
  TapeActions;

export type ActionName = keyof Actions;
export type ActionInput<Name extends ActionName> = Actions[Name]["input"];
export type ActionOutput<Name extends ActionName> = Actions[Name]["output"];

/** Names of the actions that want no more than the id of the thing. */
export type ActionById = { [Name in ActionName]: Id extends ActionInput<Name> ? Name : never }[ActionName];

/** What came of an action: its output, or what stands against it, each message at its field. */
export type ActionResult<Output> =
  | { readonly ok: true; readonly data: Output }
  | {
      readonly ok: false;
      readonly status: number;
      readonly message: string;
      readonly fields: Readonly<Record<string, string>>;
      /** Also in the server's log, for failures that are not the visitor's. */
      readonly errorId?: string;
    };
