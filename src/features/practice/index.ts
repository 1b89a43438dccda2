export { loadPractice } from "./load";
export { PracticeScreen } from "./practice-screen";
export { practiceActions } from "./actions";
