export { tapeActions } from "./actions";
export { downloadRecording } from "./download";
export { loadTape } from "./load";
export { loadMonth, spans } from "./load-month";
export { MonthScreen } from "./month-screen";
export { TapeScreen } from "./tape-screen";
