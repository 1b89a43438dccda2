export { choreographerActions } from "./actions";
export { ChoreographerScreen } from "./choreographer-screen";
export { loadChoreographer } from "./load";
