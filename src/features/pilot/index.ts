export { pilotActions } from "./actions";
export { loadPilot } from "./load";
export { PilotScreen } from "./pilot-screen";
