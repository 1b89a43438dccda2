/** Names of the looks a person can choose. */
export type ThemeName = "light" | "dark" | "sun";
/** What the looks are called. */
export const lookNames: Readonly<Record<ThemeName, string>> = { light: "Light", dark: "Dark", sun: "Full sun" };

export const themeNames: readonly ThemeName[] = ["light", "dark", "sun"];

/** Colours by role. Colour never stands alone: shape, word or hatching says the same. */
export interface Tokens {
  readonly paper: string;
  /** A raised or written-on surface. */
  readonly sheet: string;
  readonly ink: string;
  readonly inkSoft: string;
  readonly rule: string;
  readonly rail: string;
  readonly railActive: string;
  readonly railInk: string;
  /** Achieved. */
  readonly shoal: string;
  readonly shoalInk: string;
  /** Action and warning. */
  readonly buoy: string;
  readonly buoyInk: string;
  /** Warning as text on paper. */
  readonly buoyText: string;
  /** Due. */
  readonly ochre: string;
  readonly ochreInk: string;
  readonly ochreText: string;
  readonly slate: string;
  readonly slateInk: string;
  /** From shallow to deep. */
  readonly depths: readonly string[];
}

export const tokens: Readonly<Record<ThemeName, Tokens>> = {
  light: {
    paper: "#F5F0E4",
    sheet: "#FBF8F0",
    ink: "#13283B",
    inkSoft: "#42566A",
    rule: "#C9C2B0",
    rail: "#13283B",
    railActive: "#1D3A50",
    railInk: "#F5F0E4",
    shoal: "#17616B",
    shoalInk: "#FFFFFF",
    buoy: "#C8402D",
    buoyInk: "#FFFFFF",
    buoyText: "#A93120",
    ochre: "#E3A428",
    ochreInk: "#13283B",
    ochreText: "#8A5A00",
    slate: "#35506A",
    slateInk: "#FFFFFF",
    depths: ["#EDE6D3", "#DCE5DC", "#BFD9D8", "#9DC6CA", "#79B0B9", "#5796A4", "#3B7A8C", "#255D73"],
  },
  dark: {
    paper: "#0D1B28",
    sheet: "#132637",
    ink: "#EFE8D8",
    inkSoft: "#B5BFC6",
    rule: "#35495B",
    rail: "#081420",
    railActive: "#17344A",
    railInk: "#EFE8D8",
    shoal: "#4FB3BF",
    shoalInk: "#081420",
    buoy: "#F0735F",
    buoyInk: "#0D1B28",
    buoyText: "#FF9582",
    ochre: "#E3A428",
    ochreInk: "#0D1B28",
    ochreText: "#F0BC55",
    slate: "#86A5C2",
    slateInk: "#081420",
    depths: ["#1B2C39", "#1A3542", "#18404E", "#164B5A", "#145766", "#126372", "#106C79", "#0F7380"],
  },
  sun: {
    paper: "#FFFFFF",
    sheet: "#FFFFFF",
    ink: "#000000",
    inkSoft: "#000000",
    rule: "#000000",
    rail: "#000000",
    railActive: "#FFFFFF",
    railInk: "#FFFFFF",
    shoal: "#00444D",
    shoalInk: "#FFFFFF",
    buoy: "#9C1400",
    buoyInk: "#FFFFFF",
    buoyText: "#9C1400",
    ochre: "#FFC233",
    ochreInk: "#000000",
    ochreText: "#5E3C00",
    slate: "#14304A",
    slateInk: "#FFFFFF",
    depths: ["#FFFFFF", "#FFFFFF", "#FFFFFF", "#FFFFFF", "#FFFFFF", "#FFFFFF", "#FFFFFF", "#FFFFFF"],
  },
};

export const wordFont = '"Archivo Variable", "Near Archivo", "Nearly Archivo", sans-serif';
export const numberFont = '"Martian Mono Variable", "Liberation Mono", monospace';
