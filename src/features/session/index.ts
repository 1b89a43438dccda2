export { sessionActions } from "./actions";
export { downloadDebrief } from "./download";
export { loadPlan, loadTally } from "./load";
export { PlanScreen } from "./plan-screen";
export { TallyScreen } from "./tally-screen";
