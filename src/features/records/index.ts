export { recordActions } from "./actions";
export { downloadRecord } from "./download";
export { loadRecords } from "./load";
export { RecordsScreen } from "./records-screen";
export { downloadSquadFile } from "./squad-file";
