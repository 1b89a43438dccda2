export { yardActions } from "./actions";
export { loadYard } from "./load";
export { YardScreen } from "./yard-screen";
