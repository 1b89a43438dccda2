export { fieldActions } from "./actions";
export { downloadBriefs, downloadSquads, downloadTally } from "./download";
export { FieldScreen } from "./field-screen";
export type { FieldPacket } from "./packet";
export { TallyScreen } from "./tally-screen";
