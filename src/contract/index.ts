export * from "./actions";
export * from "./deeds";
export * from "./field-actions";
export * from "./records";
export * from "./sent-syllabi";
export * from "./tally";
export * from "./typed-number";
