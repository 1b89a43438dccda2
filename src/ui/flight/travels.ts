import type { Trace } from "@/core";

/** Attitudes along a path are drawn so often, s. */
export const GLYPH_EVERY_S = 0.15;
const TRAVELS_M = 4;

/** A flight that travels is drawn to scale over its way; one on the spot over time, so that its attitudes can be told apart. */
export const travelsFar = ({ northM }: Trace): boolean => Math.max(...northM) - Math.min(...northM) > TRAVELS_M;
