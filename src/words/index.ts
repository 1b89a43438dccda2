export { blockNames } from "./block-names";
