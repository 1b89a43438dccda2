/** Longest file or request with a line of tricks: two dozen of a coach's own ways, whole. */
export const LONGEST_LINE_BYTES = 1024 * 1024;
