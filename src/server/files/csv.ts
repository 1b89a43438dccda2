import Papa from "papaparse";
import type { Syllabus } from "@/syllabus";
import { evidenceWords } from "@/words";
import type { PilotRecord } from "../repositories";

/** How a spreadsheet tells a formula from text. */
const FORMULA = /^[=+\-@\t\r]/;

/** The tables of a record that can be had as CSV. */
export const csvTables = ["attempts", "milestones", "setups", "notes"] as const;
export type CsvTable = (typeof csvTables)[number];

/**
 * One table of a record as CSV (RFC 4180, UTF-8, first line the names). Text that a spreadsheet would take for a formula gets an apostrophe in
 * front (OWASP, CSV injection).
 */
export function recordCsv(record: PilotRecord, table: CsvTable, syllabus: Syllabus): string {
  return csvOf(columns[table], rowsOf(record, table, syllabus));
}

/** Rows as CSV, by the same rules. */
export function csvOf(fields: readonly string[], rows: readonly object[]): string {
  const text = Papa.unparse({ fields: [...fields], data: [...rows] }, { newline: "\r\n", escapeFormulae: FORMULA });
  return text.endsWith("\r\n") ? text : `${text}\r\n`;
}

const columns: Readonly<Record<CsvTable, readonly string[]>> = {
  attempts: ["flown_at", "step", "direction", "place", "outcome", "faults", "setup", "pack", "minutes", "measured"],
  milestones: ["signed_at", "step", "coach", "evidence", "note"],
  setups: [
    ...["aircraft", "setup", "saved_at", "coach", "reason", "tilt_deg", "throttle_mid", "throttle_expo"],
    ...["roll_curve", "pitch_curve", "yaw_curve"],
  ],
  notes: ["written_at", "coach", "text"],
};

function rowsOf(record: PilotRecord, table: CsvTable, syllabus: Syllabus): object[] {
  const setups = record.aircraft.flatMap((aircraft) =>
    aircraft.setups.map((setup) => ({ ...setup, aircraft: aircraft.name })),
  );
  const nameOfSetup = new Map(setups.map(({ id, aircraft, number }) => [id, `${aircraft} ${number}`]));
  switch (table) {
    case "attempts":
      return record.attempts.map((one) => ({
        flown_at: one.flownAt,
        step: one.stepId,
        direction: one.direction,
        place: one.place,
        outcome: one.outcome,
        faults: one.faults.join(" "),
        setup: nameOfSetup.get(one.setupId ?? "") ?? "",
        pack: one.pack ?? "",
        minutes: one.minutes ?? "",
        measured: Object.entries(one.measured ?? {})
          .map(([name, value]) => `${name}=${value}`)
          .join(" "),
      }));
    case "milestones":
      return record.milestones.map((one) => ({
        signed_at: one.signedAt,
        step: one.stepId,
        coach: one.coach.name,
        evidence: evidenceWords(one.evidence, one.stepId, syllabus),
        note: one.note,
      }));
    case "setups":
      return setups.map(({ aircraft, number, createdAt, reason, coach, settings }) => ({
        aircraft,
        setup: number,
        saved_at: createdAt,
        coach: coach.name,
        reason,
        tilt_deg: settings.tiltDeg,
        throttle_mid: settings.throttle.mid,
        throttle_expo: settings.throttle.expo,
        ...Object.fromEntries(
          (["roll", "pitch", "yaw"] as const).map((axis) => [`${axis}_curve`, JSON.stringify(settings.rates[axis])]),
        ),
      }));
    case "notes":
      return record.notes.map((one) => ({ written_at: one.writtenAt, coach: one.coach.name, text: one.text }));
  }
}
