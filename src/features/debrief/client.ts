export { Debrief } from "./debrief";
export { NoteList } from "./note-list";
export { Verdict, VerdictLine } from "./verdict";
