export { yardActions } from "./actions";
export { coursePage, sitePicture } from "./download";
export { loadYard } from "./load";
export { loadPlan } from "./load-plan";
export { PlanScreen } from "./plan-screen";
export { YardScreen } from "./yard-screen";
