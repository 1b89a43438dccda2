import type { CopyTry, FlownTry, Line, LineItem, LineStyle, Outcome } from "@/core";

/** A line as it goes in and out as a file; files/line.schema.json publishes it. */
export interface LineDocument {
  readonly format: "bathygon-line";
  readonly version: 1;
  readonly name: string;
  /** Limits that the whole is held to; null for none. */
  readonly style: LineStyle | null;
  readonly line: Omit<Line, "id" | "label">;
  /** Null, or left out, for one that is nobody else's. */
  readonly copy?: LineCopy | null;
}

/** What a line is a copy of. */
export interface LineCopy {
  /** Whose it is and where it was seen, in the coach's words. */
  readonly from: string;
  /** What there is to hold, in order of flight. */
  readonly parts: readonly LinePart[];
  /** Tries after which the original is looked at again. */
  readonly lookAfter: number;
}

/** As the published schema has it. */
export const MOST_PARTS = 12;

/** Something in a copied line that is held or lost. */
export interface LinePart {
  readonly id: string;
  readonly name: string;
}

/** What is kept of one version of a line. */
export type KeptLine = Pick<LineDocument, "style" | "line" | "copy">;

/** A line of a squad in its newest version, and to whom it was given. */
export interface SquadLine extends KeptLine {
  readonly id: string;
  readonly squadId: string;
  readonly siteId: string | null;
  readonly name: string;
  /** Number of the newest version. */
  readonly version: number;
  readonly pilotIds: readonly string[];
  readonly savedBy: string;
  readonly savedAtMs: number;
}

/** One version of a line. */
export interface LineVersion extends KeptLine {
  readonly number: number;
  readonly savedBy: string;
  readonly savedAtMs: number;
}

/** A line as it is flown in the field: its tricks by id, as they are called in recipes. */
export interface FieldLine {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly tricks: readonly string[];
  /** What there is to hold, of one that is copied. */
  readonly parts?: readonly LinePart[];
}

/** A line that was given to a pilot. */
export interface GivenLine extends FieldLine {
  /** Of one that is copied: tries after which the original is looked at again. */
  readonly lookAfter?: number;
}

/** A try at a line, as it is kept with the attempt: it stays true whatever becomes of the line. */
export interface LineTry extends FieldLine {
  /** Place among the tricks of the one at which it broke, with the joint that leads into it; null where it was flown through. */
  readonly brokeAt: number | null;
  /** Ids of the parts that were held; absent where nobody ticked any. */
  readonly held?: readonly string[];
}

/** The tricks of a line, as they are kept with a try: by id, and a way of the squad's own by its name. */
export const tricksOf = (items: readonly LineItem[]): readonly string[] =>
  items.flatMap((item) =>
    item.kind === "trick" ? [typeof item.recipe === "string" ? item.recipe : item.recipe.label] : [],
  );

/** The tricks of a try that were flown, up to the one at which it broke. */
export const flownOf = ({ tricks, brokeAt }: LineTry): readonly string[] =>
  brokeAt === null ? tricks : tricks.slice(0, brokeAt + 1);

/** What a try says of its line: `through` for one that was flown to its end, clean or not. */
export function tryResult({ outcome, line }: { readonly outcome: Outcome; readonly line?: LineTry }): FlownTry {
  const through = line?.brokeAt === null && (outcome === "clean" || outcome === "rough");
  return { through, clean: through && outcome === "clean", brokeAt: line?.brokeAt ?? null };
}

/** What the tries at a copied line say of its parts: of those at which somebody ticked as held. */
export const copyTries = (tries: readonly { readonly line?: LineTry }[]): CopyTry[] =>
  tries.flatMap(({ line }) => (line?.held ? [{ parts: (line.parts ?? []).map(({ id }) => id), held: line.held }] : []));

/** How a line comes to an item or leaves it, as far as it stands on paper. */
export interface SheetState {
  readonly heightM: number;
  readonly speedMps: number;
  readonly headingDeg: number;
}

/** What a browser has flown of a line, to be set on one page. Samples are at equal places of each list, a few hundred of them. */
export interface LineSheet {
  /** Null for a line that is not kept yet. */
  readonly version: number | null;
  readonly pilotName: string;
  readonly aircraftName: string;
  readonly siteName: string | null;
  readonly ceilingM: number | null;
  readonly samples: {
    readonly timeS: readonly number[];
    /** The way flown up to there. */
    readonly wayM: readonly number[];
    readonly heightM: readonly number[];
    readonly northM: readonly number[];
    readonly eastM: readonly number[];
    readonly throttle: readonly number[];
    readonly roll: readonly number[];
    readonly pitch: readonly number[];
    readonly yaw: readonly number[];
  };
  /** Of those items that were flown, in order. */
  readonly items: readonly {
    readonly fromS: number;
    readonly toS: number;
    readonly entry: SheetState;
    readonly exit: SheetState;
    /** Seconds into it until which there is a way out, the height then, and the place of the item from which the line goes on. */
    readonly lastS: number | null;
    readonly lastHeightM: number | null;
    readonly carryOnAt: number | null;
  }[];
  readonly figures: {
    readonly startHeightM: number | null;
    readonly lengthM: number;
    readonly lowestM: number;
    readonly highestM: number;
    readonly roomAlongM: number;
    readonly roomAcrossM: number;
    readonly packShare: number | null;
  };
}
