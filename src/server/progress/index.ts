export { loadProgress, loadProgressBriefly } from "./load-progress";
export type { Progress } from "./load-progress";
