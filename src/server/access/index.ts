export { need, requireAccess } from "./rules";
export type { Need, Part } from "./rules";
export { whereabouts } from "./whereabouts";
export type { Subject } from "./whereabouts";
