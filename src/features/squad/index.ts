export { squadActions } from "./actions";
export { loadSquad } from "./load";
export type { SquadRow } from "./load";
export { shownOf } from "./shown";
export { SquadScreen } from "./squad-screen";
