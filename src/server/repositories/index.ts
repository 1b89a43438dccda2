export * from "./aircraft";
export * from "./coaches";
export * from "./milestones";
export * from "./notes";
export * from "./pilots";
export * from "./sessions";
export { inTransaction } from "./transaction";
