/** Pilots of whom it is asked at a time what they could fly: as many ids as an address holds with room to spare. */
export const MOST_CANDIDATES = 50;
