export { loadProgress, loadProgressBriefly } from "./load-progress";
export type { Progress } from "./load-progress";
export { loadStartHeights } from "./load-start-heights";
export { loadDay } from "./load-day";
