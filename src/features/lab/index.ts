export { LabScreen } from "./lab-screen";
export { loadLab } from "./load";
