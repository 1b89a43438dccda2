export { downloadDebrief } from "./download";
