export { planActions } from "./actions";
export { loadPlan } from "./load";
export { PlanScreen } from "./plan-screen";
