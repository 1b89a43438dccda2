export { BriefScreen } from "./brief-screen";
export { briefFrom, loadBrief } from "./load";
