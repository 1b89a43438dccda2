export { groundOutline, groundShare, horizonInFrame, verticalFovDeg } from "./camera";
export type { Camera, Horizon } from "./camera";
