/** The longest file that is taken: far more than a pilot flies in ten years. */
export const LONGEST_RECORD_BYTES = 16 * 1024 * 1024;
