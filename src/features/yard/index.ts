export { yardActions } from "./actions";
export { coursePage } from "./download";
export { loadYard } from "./load";
export { loadPlan } from "./load-plan";
export { PlanScreen } from "./plan-screen";
export { YardScreen } from "./yard-screen";
