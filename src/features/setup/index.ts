export { setupActions } from "./actions";
export { loadSetup } from "./load";
export { SetupScreen } from "./setup-screen";
export { setupCard } from "./card";
