export { fieldParts } from "./parts";
export { FieldBrief } from "./brief-screen";
export type { BriefData } from "./load";
