export { pilotRecordSchema, requirePilotRecord } from "./check-record";
export { csvTables, recordCsv } from "./csv";
export type { CsvTable } from "./csv";
