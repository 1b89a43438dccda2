/** The longest file that is taken: far more than a pilot flies in ten years. */
export const LONGEST_RECORD_BYTES = 16 * 1024 * 1024;
/** The same as it is sent, with what stands round the record. */
export const LONGEST_REQUEST_BYTES = LONGEST_RECORD_BYTES + 1024;
