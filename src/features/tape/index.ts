export { tapeActions } from "./actions";
export { downloadRecording } from "./download";
export { loadTape } from "./load";
export { TapeScreen } from "./tape-screen";
