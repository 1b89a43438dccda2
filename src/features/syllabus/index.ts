export { syllabusActions } from "./actions";
export { downloadSyllabus } from "./download";
export { loadSyllabus } from "./load";
export { SyllabusScreen } from "./syllabus-screen";
