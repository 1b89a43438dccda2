export { FieldBrief } from "./brief-screen";
export type { BriefData } from "./load";
