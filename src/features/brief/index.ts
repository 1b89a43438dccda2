export { BriefScreen } from "./brief-screen";
export { loadBrief } from "./load";
