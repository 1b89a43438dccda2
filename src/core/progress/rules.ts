/** How a squad counts days and judges marks; its owner sets it. */
export interface SquadRules {
  /** IANA name. Days, gaps, bursts and reviews are counted by its clocks. */
  readonly timeZone: string;
  /** A mark that is met is advised to be signed off where the chance that it was luck is at most this; 1 for the mark alone. */
  readonly mostLuck: number;
  /** Marks count only what was flown with a coach there. */
  readonly attendedOnly: boolean;
}

/** Until somebody sets others. In made-up camps a mark alone signs off too early, and less of it is good a week later: `npm run bench -- camp`. */
export const usualRules: SquadRules = { timeZone: "UTC", mostLuck: 0.3, attendedOnly: false };

/** Chances of luck a coach can choose between. */
export const luckLimits: readonly number[] = [1, 0.5, 0.3, 0.1, 0.05];

/** Attempts a changed setup is given before it is judged. Common practice, no source. */
export const SETTLING_ATTEMPTS = 12;

/** An imbalance between directions below this chance is noise and is not spoken of. Our choice. */
export const TELLING_IMBALANCE = 0.9;
