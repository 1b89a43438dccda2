import type { Airframe } from "../airframe";

/** From tip to tip of the propellers, as a multiple of the motor diagonal. Estimate; common practice, no source. */
const SPAN = 1.5;

/** Widest part of an aircraft, m. */
export const spanM = ({ motorDiagonalM }: Pick<Airframe, "motorDiagonalM">): number => SPAN * motorDiagonalM;
