export { need, requireAccess } from "./rules";
export type { Found, Need } from "./rules";
