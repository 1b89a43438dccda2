import type { LineTry, LoggedAttempt } from "@/contract";
import type { Outcome, Place } from "@/core";
import { fromJson } from "./rows";

export interface AttemptRow {
  id: string;
  session_id: string;
  pilot_id: string;
  step_id: string;
  direction: string;
  place: Place;
  setup_id: string | null;
  load_id: string | null;
  outcome: Outcome;
  faults: unknown;
  pack: number | null;
  minutes: number | null;
  measured: unknown;
  line: unknown;
  flown_at: Date;
  undone_at: Date | null;
}

export const attemptFrom = (row: AttemptRow): LoggedAttempt => ({
  id: row.id,
  sessionId: row.session_id,
  pilotId: row.pilot_id,
  stepId: row.step_id,
  direction: row.direction,
  place: row.place,
  setupId: row.setup_id,
  loadId: row.load_id,
  outcome: row.outcome,
  faults: fromJson(row.faults),
  pack: row.pack,
  minutes: row.minutes,
  measured: row.measured === null ? {} : fromJson(row.measured),
  ...(row.line !== null && { line: fromJson<LineTry>(row.line) }),
  atMs: row.flown_at.getTime(),
  undone: row.undone_at !== null,
});
