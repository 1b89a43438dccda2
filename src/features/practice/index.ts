export { loadPractice } from "./load";
export { PracticeScreen } from "./practice-screen";
