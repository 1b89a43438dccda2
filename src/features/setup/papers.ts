/** Papers a setup card is made for: one for the field case, one for the wall. */
export const cardPapers = ["a6", "a4"] as const;
export type CardPaper = (typeof cardPapers)[number];
