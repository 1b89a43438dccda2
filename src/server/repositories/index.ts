export * from "./aircraft";
export { livedThrough, noteDay } from "./days-seen";
export {
  countAlone,
  countAttemptsIn,
  countOutcomesIn,
  countWithSetups,
  findAttempt,
  insertAttempt,
  insertAttempts,
  listAttempts,
  listAttemptsBefore,
  listAttemptsSince,
  listLineTries,
  listSessionAttempts,
  listStepAttempts,
  setUndone,
  updateAttempt,
  type FlownInSession,
  type FlownWithSetup,
} from "./attempts";
export * from "./bin";
export * from "./checks";
export * from "./coaches";
export { listFlown, listFlownBriefly, rebuildDigests, refreshDigestsIn, refreshDigestsOf, type Flown } from "./digests";
export * from "./invitations";
export * from "./kept-tries";
export * from "./lines";
export * from "./loads";
export * from "./milestones";
export * from "./notes";
export * from "./pilots";
export * from "./planned";
export * from "./record";
export * from "./recordings";
export * from "./requests";
export * from "./sessions";
export * from "./sites";
export * from "./squads";
export * from "./syllabi";
export * from "./targets";
export * from "./homework";
export * from "./trail";
export * from "./variants";
export { isDuplicate } from "./rows";
export { inTransaction } from "./transaction";
export * from "./start-heights";
export * from "./whereabouts";
