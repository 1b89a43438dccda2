export { sessionActions } from "./actions";
export { loadPlan, loadTally } from "./load";
export { PlanScreen } from "./plan-screen";
export { TallyScreen } from "./tally-screen";
