import { recipes, type Join, type LineItem } from "@/core";
import type { LineDocument } from "@/contract";

const trick = (recipe: string): LineItem => ({ kind: "trick", recipe });
const join = (one: Join): LineItem => ({ kind: "join", join: one });

interface CampLine extends Pick<LineDocument, "name" | "style"> {
  /** Name of the site. */
  readonly site: string;
  readonly entryHeightM: number;
  /** Every version, the first one first. */
  readonly versions: readonly (readonly LineItem[])[];
  readonly given: readonly string[];
  /** Whose it is, and what there is to hold. */
  readonly copied?: { readonly from: string; readonly parts: readonly string[] };
}

/** What the camp flies joined. */
export const lines: readonly CampLine[] = [
  {
    name: "The first two",
    style: null,
    site: "Evaporation pans",
    entryHeightM: 16,
    versions: [[trick("flip-one-move-back"), trick("roll-pure-right")]],
    given: ["Corvin Haldt", "Odalie Venn"],
  },
  {
    // Breaks at the hang, try after try: it comes in too fast out of the roll.
    name: "Windmill hang",
    style: null,
    site: "Evaporation pans",
    entryHeightM: 16,
    versions: [
      [trick("flip-one-move-back"), trick("roll-pure-left"), trick("hang-left")],
      [
        trick("flip-one-move-back"),
        join({ kind: "speed", mps: 8 }),
        trick("roll-pure-left"),
        trick("hang-left"),
        join({ kind: "turn", deg: -90 }),
        trick("roll-pure-right"),
      ],
    ],
    given: ["Corvin Haldt"],
  },
  {
    // Over the yard's height limit as soon as it flips.
    name: "Yard there and back",
    style: null,
    site: "Store yard",
    entryHeightM: 8,
    versions: [
      [
        trick("roll-pure-right"),
        join({ kind: "hover", s: 0.5 }),
        trick("flip-slow-back"),
        join({ kind: "turn", deg: 180 }),
        trick("roll-pure-left"),
      ],
    ],
    given: [],
  },
  {
    // Invented out of what Corvin has.
    name: "Salt crust",
    style: null,
    site: "Evaporation pans",
    entryHeightM: 18,
    versions: [[trick("flip-one-move-front"), trick("hang-right"), trick("flip-slow-back"), trick("roll-pure-left")]],
    given: ["Corvin Haldt"],
  },
  {
    // The split-S wants more height than the roll leaves.
    name: "Down to the dyke",
    style: null,
    site: "Evaporation pans",
    entryHeightM: 11,
    versions: [
      [
        trick("roll-pure-left"),
        trick("split-s-float-left"),
        join({ kind: "turn", deg: -180 }),
        trick("roll-pure-right"),
      ],
    ],
    given: ["Odalie Venn"],
  },
  {
    // Copied: the speed comes, the turn without a climb is lost.
    name: "Five over the pans",
    copied: {
      from: "Wenna's, from the film of the first evening",
      parts: ["Gap late and low", "Dead stop before the flip", "Turn without a climb", "Long hang"],
    },
    style: null,
    site: "Evaporation pans",
    entryHeightM: 18,
    versions: [
      [
        trick("roll-pure-right"),
        trick("gap-knife-left"),
        join({ kind: "hover", s: 0.5 }),
        trick("flip-slow-back"),
        join({ kind: "turn", deg: 180 }),
        trick("hang-right"),
        trick("roll-pure-left"),
      ],
    ],
    given: ["Corvin Haldt"],
  },
];

/** A version of a line as it is kept: begun as its first trick is. */
export function lineOf({ entryHeightM }: CampLine, items: readonly LineItem[]): LineDocument["line"] {
  const [first] = items;
  const start = first.kind === "trick" && typeof first.recipe === "string" ? recipes[first.recipe].start : undefined;
  return { start: start ?? { kind: "cruise" }, entryHeightM, headingDeg: 0, items, anchors: [] };
}

/** Tries at lines: who, at which, how many days ago, with a coach or alone; in order, "." for through, "~" for through but rough, else the number of the trick at which it broke. */
export const lineTries: readonly {
  readonly who: string;
  readonly line: string;
  readonly daysAgo: number;
  readonly alone: boolean;
  readonly tries: string;
  /** At a copied line: numbers of the parts that were held, try by try. */
  readonly held?: readonly string[];
}[] = [
  { who: "Corvin Haldt", line: "The first two", daysAgo: 6, alone: false, tries: "21..~.." },
  { who: "Corvin Haldt", line: "Windmill hang", daysAgo: 6, alone: false, tries: "33.33" },
  { who: "Corvin Haldt", line: "Windmill hang", daysAgo: 4, alone: true, tries: "323~3.33" },
  { who: "Corvin Haldt", line: "Salt crust", daysAgo: 4, alone: true, tries: "42.4" },
  {
    ...{ who: "Corvin Haldt", line: "Five over the pans", daysAgo: 4, alone: true, tries: "334.~5.4" },
    held: ["1", "13", "12", "1234", "124", "14", "124", "12"],
  },
  { who: "Odalie Venn", line: "The first two", daysAgo: 6, alone: false, tries: "22.~." },
];
