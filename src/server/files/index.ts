export { pilotRecordSchema, requirePilotRecord, setupSchema } from "./check-record";
export { isBlockReason } from "./check-reason";
export { requireSyllabusFile, syllabusSchema } from "./check-syllabus";
export { requireVariantFile, variantSchema } from "./check-variant";
export { csvOf, csvTables, recordCsv } from "./csv";
export type { CsvTable } from "./csv";
export { calendarText } from "./icalendar";
export type { CalendarEvent } from "./icalendar";
export { pdfOf } from "./pdf";
