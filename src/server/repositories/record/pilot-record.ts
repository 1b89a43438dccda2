import type {
  CheckFindings,
  DefectKind,
  FlightState,
  Grip,
  MilestoneEvidence,
  Mount,
  PropsFound,
  LineTry,
} from "@/contract";
import type { Airframe, AttemptMeasure, Load, Measurement, Outcome, Place, Settings } from "@/core";
import type { School } from "@/syllabus";

/** A coach, a pilot or an aircraft as a file names it. */
export interface Named {
  readonly id: string;
  readonly name: string;
}

/** Everything kept about one pilot, as files/pilot-record.schema.json publishes it. Times are RFC 3339 in UTC. */
export interface PilotRecord {
  readonly format: "bathygon-pilot-record";
  readonly version: 1;
  readonly exportedAt: string;
  readonly pilot: Named & {
    readonly stickMode: number;
    readonly grip: Grip;
    readonly settingsFrozen?: boolean;
    readonly reactionS?: number | null;
    readonly cruiseMps?: number | null;
    readonly reachShare?: number | null;
    readonly stickLengthMm?: number | null;
    readonly referenceAircraftId?: string | null;
    readonly school?: School;
  };
  readonly aircraft: readonly (Named & {
    readonly presetId: string;
    readonly airframe: Airframe;
    readonly flightState: FlightState;
    readonly createdAt: string;
    readonly inBin: boolean;
    /** What was measured on it, and the airframe before that; left out where nothing was. */
    readonly measurements?: readonly Measurement[];
    readonly estimate?: Airframe;
    /** What it carries; left out where nothing was said. */
    readonly loads?: readonly (Named & Load & { readonly createdAt: string; readonly inBin: boolean })[];
    /** How the camera is mounted; left out where nobody said. */
    readonly mount?: Mount;
    /** What was found after crashes, in check flights and with a protractor; left out where nothing was. */
    readonly checks?: readonly ({
      readonly id: string;
      readonly coach: Named;
      readonly props?: PropsFound | null;
      readonly tiltDeg?: number | null;
      readonly tiltSpreadDeg?: number | null;
      readonly checkedAt: string;
    } & Partial<CheckFindings>)[];
    /** What was wrong with it; left out where nothing was. */
    readonly defects?: readonly {
      readonly id: string;
      readonly coach: Named;
      readonly kind: DefectKind;
      readonly what: string;
      readonly foundAt: string;
      readonly mendedAt: string | null;
    }[];
    readonly setups: readonly {
      readonly id: string;
      readonly number: number;
      readonly settings: Settings;
      readonly reason: string;
      readonly coach: Named;
      readonly createdAt: string;
    }[];
  })[];
  readonly sessions: readonly {
    readonly id: string;
    readonly place: Place;
    readonly coach: Named | null;
    readonly startedAt: string;
    readonly endedAt: string | null;
    readonly stepId: string;
    readonly setupId: string | null;
    readonly loadId?: string | null;
  }[];
  readonly attempts: readonly {
    readonly id: string;
    readonly sessionId: string;
    readonly stepId: string;
    readonly direction: string;
    readonly place: Place;
    readonly setupId: string | null;
    readonly loadId?: string | null;
    readonly outcome: Outcome;
    readonly faults: readonly string[];
    readonly pack?: number;
    readonly minutes?: number;
    readonly measured?: Readonly<Partial<Record<AttemptMeasure, number>>>;
    readonly line?: LineTry;
    readonly flownAt: string;
  }[];
  readonly milestones: readonly {
    readonly id: string;
    readonly stepId: string;
    readonly coach: Named;
    readonly evidence: MilestoneEvidence;
    readonly note: string;
    readonly signedAt: string;
  }[];
  readonly notes: readonly {
    readonly id: string;
    readonly coach: Named;
    readonly text: string;
    readonly writtenAt: string;
    /** Left out where the pilot reads it too. */
    readonly forCoaches?: true;
  }[];
  /** By when steps are to be signed off; left out where nothing is. */
  readonly targets?: readonly { readonly id: string; readonly stepId: string; readonly dueAt: string }[];
  readonly requests: readonly {
    readonly id: string;
    readonly stepId: string;
    readonly message: string;
    readonly askedAt: string;
    readonly answeredAt: string | null;
    readonly answer: string | null;
  }[];
}
