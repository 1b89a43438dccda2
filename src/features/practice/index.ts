export { practiceActions } from "./actions";
export { KeepHere } from "./keep-here";
export { loadPractice } from "./load";
export { PracticeHere } from "./practice-here";
export { PracticeScreen } from "./practice-screen";
