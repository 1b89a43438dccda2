import { STANDARD_DAY, type DayAir } from "@/core";

/** The air a squad flies in, and how it is known. */
export interface Day {
  readonly air: DayAir;
  readonly from:
    /** As said with a session of these hours, at a site if one was named. */
    | {
        readonly kind: "session";
        readonly siteName: string | null;
        /** Nobody said how high it lies: reckoned at sea level. */
        readonly elevationUnknown?: true;
      }
    /** The only site there is. */
    | { readonly kind: "site"; readonly siteName: string }
    | { readonly kind: "standard" };
}

/** Air nobody said anything of. */
export const standardDay: Day = { air: STANDARD_DAY, from: { kind: "standard" } };
