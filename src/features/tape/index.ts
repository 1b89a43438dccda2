export { loadTape } from "./load";
export { TapeScreen } from "./tape-screen";
