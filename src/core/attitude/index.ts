export { conjugate, fromEuler, multiply, toBody, toEuler, toWorld } from "./quaternion";
export type { Euler, Quaternion, Vector3 } from "./quaternion";
