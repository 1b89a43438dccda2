export { BeforeGoggles } from "./before-goggles";
