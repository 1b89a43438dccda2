export { lineActions } from "./actions";
export { LinesScreen } from "./lines-screen";
export { loadLines } from "./load";
