export type { PilotRecord } from "./pilot-record";
export { readRecord } from "./read-record";
export { writeRecord } from "./write-record";
