/** Longest request with a piece of a recording: a packed piece as base64. */
export const LONGEST_PIECE_BYTES = 800 * 1024;
/** Longest request with what was found in one, and to which attempts it belongs. */
export const LONGEST_FOUND_BYTES = 2 * 1024 * 1024;
