export { practiceActions } from "./actions";
export { downloadTry } from "./download";
export { KeepHere } from "./keep-here";
export { loadPractice } from "./load";
export { PracticeHere } from "./practice-here";
export { PracticeScreen } from "./practice-screen";
