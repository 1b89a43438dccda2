export { briefActions } from "./actions";
export { downloadStartHeight } from "./download";
export { BriefScreen } from "./brief-screen";
export { briefFrom, loadBrief, withStartHeights } from "./load";
