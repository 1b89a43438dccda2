export { sessionActions } from "./actions";
export { downloadDebrief } from "./download";
export { downloadPacket } from "./field-packet";
export { FieldScreen } from "./field-screen";
export { loadPlan, loadTally } from "./load";
export { PlanScreen } from "./plan-screen";
export { TallyScreen } from "./tally-screen";
