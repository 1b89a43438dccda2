export { airDensity, SEA_LEVEL_AIR, STANDARD_GRAVITY_MPS2 } from "./air-density";
export type { Air } from "./air-density";
