export { pilotRecordSchema, requirePilotRecord, setupSchema } from "./check-record";
export { csvTables, recordCsv } from "./csv";
export type { CsvTable } from "./csv";
export { pdfOf } from "./pdf";
