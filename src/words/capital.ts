/** Words as they begin a sentence. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A name as it stands inside a sentence: only its first letter, so that "split-S" stays one. */
export const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
