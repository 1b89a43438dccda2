import { completedAirframe, MODEL_VERSION, type AttemptMeasure, type Airframe, type Measurement } from "@/core";
import type { LineTry, MilestoneEvidence } from "@/contract";
import type { School } from "@/syllabus";
import type { AircraftRow as KeptAircraftRow, SetupRow as KeptSetupRow } from "../aircraft";
import type { AttemptRow } from "../attempt-row";
import type { CheckRow, DefectRow } from "../checks";
import type { LoadRow } from "../loads";
import type { MilestoneRow as KeptMilestoneRow } from "../milestones";
import type { PilotRow as KeptPilotRow } from "../pilots";
import type { RequestRow as KeptRequestRow } from "../requests";
import type { MemberRow, SessionRow as KeptSessionRow } from "../sessions";
import { fromJson } from "../rows";
import type { Named, PilotRecord } from "./pilot-record";

/** The tables of a record, each as it is kept and as a file has it: what is read is what can be written again. */

type One<List extends keyof PilotRecord> =
  NonNullable<PilotRecord[List]> extends readonly (infer Item)[] ? Item : never;
type AircraftOf = One<"aircraft">;
type SetupOf = AircraftOf["setups"][number];
type LoadOf = NonNullable<AircraftOf["loads"]>[number];
type CheckOf = NonNullable<AircraftOf["checks"]>[number];
type DefectOf = NonNullable<AircraftOf["defects"]>[number];
export type NameOf = (coachId: string) => Named;

const iso = (date: Date) => date.toISOString();
const at = (text: string) => new Date(text);

export type PilotRow = Omit<KeptPilotRow, "version" | "settings_frozen"> & {
  settings_frozen: boolean | number;
  created_at: Date;
};

export const pilotOf = (row: PilotRow): PilotRecord["pilot"] => ({
  id: row.id,
  name: row.name,
  stickMode: row.stick_mode,
  grip: row.grip,
  settingsFrozen: Boolean(row.settings_frozen),
  ...(row.reaction_s !== null && { reactionS: row.reaction_s }),
  ...(row.cruise_mps !== null && { cruiseMps: row.cruise_mps }),
  ...(row.reach_share !== null && { reachShare: row.reach_share }),
  ...(row.stick_length_mm !== null && { stickLengthMm: row.stick_length_mm }),
  referenceAircraftId: row.reference_aircraft_id,
  ...(row.school !== null && { school: fromJson<School>(row.school) }),
});

export const pilotRow = (pilot: PilotRecord["pilot"], squadId: string, now: Date): PilotRow => ({
  id: pilot.id,
  squad_id: squadId,
  name: pilot.name,
  stick_mode: pilot.stickMode,
  grip: pilot.grip,
  settings_frozen: pilot.settingsFrozen ?? false,
  reaction_s: pilot.reactionS ?? null,
  cruise_mps: pilot.cruiseMps ?? null,
  reach_share: pilot.reachShare ?? null,
  stick_length_mm: pilot.stickLengthMm ?? null,
  reference_aircraft_id: pilot.referenceAircraftId ?? null,
  school: pilot.school ? JSON.stringify(pilot.school) : null,
  created_at: now,
});

export type AircraftRow = Omit<KeptAircraftRow, "version" | "cleared_at"> & {
  created_at: Date;
  removed_at: Date | null;
};

export const aircraftOf = (
  row: AircraftRow,
  setups: readonly SetupOf[],
  loads: readonly LoadOf[],
  checks: readonly CheckOf[],
  defects: readonly DefectOf[],
): AircraftOf => ({
  id: row.id,
  name: row.name,
  presetId: row.preset_id,
  airframe: fromJson(row.airframe),
  flightState: row.flight_state,
  createdAt: iso(row.created_at),
  inBin: row.removed_at !== null,
  ...(row.measurements !== null && {
    measurements: fromJson<Measurement[]>(row.measurements),
    estimate: fromJson<Airframe>(row.estimate),
  }),
  ...(loads.length > 0 && { loads }),
  ...(row.mount !== null && { mount: row.mount }),
  ...(checks.length > 0 && { checks }),
  ...(defects.length > 0 && { defects }),
  setups,
});

export const aircraftRow = (one: AircraftOf, pilotId: string, now: Date): AircraftRow => ({
  id: one.id,
  pilot_id: pilotId,
  name: one.name,
  preset_id: one.presetId,
  airframe: JSON.stringify(completedAirframe(one.airframe, one.presetId)),
  model_version: MODEL_VERSION,
  flight_state: one.flightState,
  created_at: at(one.createdAt),
  removed_at: one.inBin ? now : null,
  measurements: one.measurements ? JSON.stringify(one.measurements) : null,
  mount: one.mount ?? null,
  estimate: one.estimate ? JSON.stringify(completedAirframe(one.estimate, one.presetId)) : null,
});

export type SetupRow = Omit<KeptSetupRow, "coach_name">;

export const setupOf = (row: SetupRow, nameOf: NameOf): SetupOf => ({
  id: row.id,
  number: row.number,
  settings: fromJson(row.settings),
  reason: row.reason,
  coach: nameOf(row.coach_id),
  createdAt: iso(row.created_at),
});

export const setupRow = (one: SetupOf, aircraftId: string): SetupRow => ({
  id: one.id,
  aircraft_id: aircraftId,
  number: one.number,
  settings: JSON.stringify(one.settings),
  reason: one.reason,
  coach_id: one.coach.id,
  created_at: at(one.createdAt),
});

export const loadOf = (row: LoadRow): LoadOf => ({
  id: row.id,
  name: row.name,
  massKg: row.mass_kg,
  thrustToWeight: row.thrust_to_weight,
  createdAt: iso(row.created_at),
  inBin: row.removed_at !== null,
});

export const loadRow = (one: LoadOf, aircraftId: string, now: Date): LoadRow => ({
  id: one.id,
  aircraft_id: aircraftId,
  name: one.name,
  mass_kg: one.massKg,
  thrust_to_weight: one.thrustToWeight,
  created_at: at(one.createdAt),
  removed_at: one.inBin ? now : null,
});

export const checkOf = (row: CheckRow, nameOf: NameOf): CheckOf => ({
  id: row.id,
  coach: nameOf(row.coach_id),
  ...(row.props !== null && { props: row.props }),
  ...(row.tilt_deg !== null && { tiltDeg: row.tilt_deg }),
  ...(row.tilt_spread_deg !== null && { tiltSpreadDeg: row.tilt_spread_deg }),
  ...(row.sense !== null && { sense: row.sense }),
  ...(row.drift !== null && { drift: row.drift }),
  ...(row.noise !== null && { noise: row.noise }),
  ...(row.heat !== null && { heat: row.heat }),
  checkedAt: iso(row.checked_at),
});

export const checkRow = (one: CheckOf, aircraftId: string): CheckRow => ({
  id: one.id,
  aircraft_id: aircraftId,
  coach_id: one.coach.id,
  props: one.props ?? null,
  tilt_deg: one.tiltDeg ?? null,
  tilt_spread_deg: one.tiltSpreadDeg ?? null,
  sense: one.sense ?? null,
  drift: one.drift ?? null,
  noise: one.noise ?? null,
  heat: one.heat ?? null,
  checked_at: at(one.checkedAt),
});

export const defectOf = (row: DefectRow, nameOf: NameOf): DefectOf => ({
  id: row.id,
  coach: nameOf(row.coach_id),
  kind: row.kind,
  what: row.what,
  foundAt: iso(row.found_at),
  mendedAt: row.mended_at && iso(row.mended_at),
});

export const defectRow = (one: DefectOf, aircraftId: string): DefectRow => ({
  id: one.id,
  aircraft_id: aircraftId,
  coach_id: one.coach.id,
  kind: one.kind,
  what: one.what,
  found_at: at(one.foundAt),
  mended_at: one.mendedAt === null ? null : at(one.mendedAt),
});

export type SessionRow = Pick<KeptSessionRow, "id" | "coach_id" | "place" | "started_at" | "ended_at"> &
  Pick<MemberRow, "step_id" | "setup_id" | "load_id">;

export const sessionOf = (row: SessionRow, nameOf: NameOf): One<"sessions"> => ({
  id: row.id,
  place: row.place,
  coach: row.coach_id === null ? null : nameOf(row.coach_id),
  startedAt: iso(row.started_at),
  endedAt: row.ended_at === null ? null : iso(row.ended_at),
  stepId: row.step_id,
  setupId: row.setup_id,
  ...(row.load_id !== null && { loadId: row.load_id }),
});

export const sessionRow = (one: One<"sessions">, squadId: string) => ({
  id: one.id,
  squad_id: squadId,
  coach_id: one.coach?.id ?? null,
  place: one.place,
  started_at: at(one.startedAt),
  begun_at: at(one.startedAt),
  ended_at: one.endedAt === null ? null : at(one.endedAt),
});

export const attemptOf = (row: AttemptRow): One<"attempts"> => ({
  id: row.id,
  sessionId: row.session_id,
  stepId: row.step_id,
  direction: row.direction,
  place: row.place,
  setupId: row.setup_id,
  ...(row.load_id !== null && { loadId: row.load_id }),
  outcome: row.outcome,
  faults: fromJson(row.faults),
  ...(row.pack !== null && { pack: row.pack }),
  ...(row.minutes !== null && { minutes: row.minutes }),
  ...(row.measured !== null && { measured: fromJson<Partial<Record<AttemptMeasure, number>>>(row.measured) }),
  ...(row.line !== null && { line: fromJson<LineTry>(row.line) }),
  flownAt: iso(row.flown_at),
});

export const attemptRow = (one: One<"attempts">, pilotId: string): Omit<AttemptRow, "undone_at"> => ({
  id: one.id,
  session_id: one.sessionId,
  pilot_id: pilotId,
  step_id: one.stepId,
  direction: one.direction,
  place: one.place,
  setup_id: one.setupId,
  load_id: one.loadId ?? null,
  outcome: one.outcome,
  faults: JSON.stringify(one.faults),
  pack: one.pack ?? null,
  minutes: one.minutes ?? null,
  measured: one.measured ? JSON.stringify(one.measured) : null,
  line: one.line ? JSON.stringify(one.line) : null,
  flown_at: at(one.flownAt),
});

export type MilestoneRow = Pick<KeptMilestoneRow, "id" | "step_id" | "coach_id" | "evidence" | "note" | "signed_at">;

export const milestoneOf = (row: MilestoneRow, nameOf: NameOf): One<"milestones"> => ({
  id: row.id,
  stepId: row.step_id,
  coach: nameOf(row.coach_id),
  evidence: fromJson<MilestoneEvidence>(row.evidence),
  note: row.note,
  signedAt: iso(row.signed_at),
});

export const milestoneRow = (one: One<"milestones">, pilotId: string, now: Date) => ({
  id: one.id,
  pilot_id: pilotId,
  step_id: one.stepId,
  coach_id: one.coach.id,
  evidence: JSON.stringify(one.evidence),
  note: one.note,
  signed_at: at(one.signedAt),
  brought_in_at: now,
});

export interface NoteRow {
  id: string;
  coach_id: string;
  text: string;
  written_at: Date;
  for_coaches: boolean | number;
}

export const noteOf = (row: NoteRow, nameOf: NameOf): One<"notes"> => ({
  id: row.id,
  coach: nameOf(row.coach_id),
  text: row.text,
  writtenAt: iso(row.written_at),
  ...(row.for_coaches && { forCoaches: true }),
});

export const noteRow = (one: One<"notes">, pilotId: string) => ({
  id: one.id,
  pilot_id: pilotId,
  coach_id: one.coach.id,
  text: one.text,
  written_at: at(one.writtenAt),
  for_coaches: one.forCoaches ?? false,
});

export interface TargetRow {
  id: string;
  step_id: string;
  due_at: Date;
}

export const targetOf = (row: TargetRow): One<"targets"> => ({
  id: row.id,
  stepId: row.step_id,
  dueAt: iso(row.due_at),
});

export const targetRow = (one: One<"targets">, pilotId: string, exportedAt: string) => ({
  id: one.id,
  pilot_id: pilotId,
  step_id: one.stepId,
  due_at: at(one.dueAt),
  created_at: at(exportedAt),
});

export type RequestRow = Omit<KeptRequestRow, "pilot_id">;

export const requestOf = (row: RequestRow): One<"requests"> => ({
  id: row.id,
  stepId: row.step_id,
  message: row.message,
  askedAt: iso(row.asked_at),
  answeredAt: row.answered_at === null ? null : iso(row.answered_at),
  answer: row.answer,
});

export const requestRow = (one: One<"requests">, pilotId: string) => ({
  id: one.id,
  pilot_id: pilotId,
  step_id: one.stepId,
  message: one.message,
  asked_at: at(one.askedAt),
  answered_at: one.answeredAt === null ? null : at(one.answeredAt),
  answer: one.answer,
});
