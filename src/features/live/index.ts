export { LiveScreen } from "./live-screen";
export { loadLive } from "./load";
