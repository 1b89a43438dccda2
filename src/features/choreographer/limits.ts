/** Longest file or request with a way to fly a trick. */
export const LONGEST_VARIANT_BYTES = 256 * 1024;
