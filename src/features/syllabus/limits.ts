/** The longest syllabus that is taken: ten times the one the program comes with. */
export const LONGEST_SYLLABUS_BYTES = 2 * 1024 * 1024;
