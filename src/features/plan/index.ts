export { planActions } from "./actions";
export { downloadCandidates } from "./download";
export { loadCandidates, loadPlan } from "./load";
export { PlanScreen } from "./plan-screen";
