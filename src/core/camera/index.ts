export { groundOutline, groundShare, horizonInFrame, verticalFovDeg } from "./camera";
export type { Camera, Horizon } from "./camera";
export { pointInFrame, segmentInFrame } from "./projection";
export type { InFrame } from "./projection";
