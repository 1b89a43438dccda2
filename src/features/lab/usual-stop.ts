/** What counts as stopped where the syllabus does not say. Common practice, no source. */
export const USUAL_STOP_DEG = 15;
