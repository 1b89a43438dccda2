import { rounded } from "@/core";

/**
 * Typefaces of the reader's machine, drawn as wide and as high as ours, until ours are there: no line breaks elsewhere, nothing jumps.
 * Widths of a text of this program: ours and DejaVu Sans as the browser sets them, Helvetica (whose widths Arial and Liberation Sans have) from Adobe's
 * font metrics. Ours is 0.878 em above and 0.21 em below the line. The numbers' typeface is as wide as the usual ones with fixed widths.
 */
const near = (family: string, local: readonly string[], weight: string, share: number) => ({
  fontFamily: `"${family}"`,
  src: local.map((name) => `local("${name}")`).join(", "),
  fontWeight: weight,
  sizeAdjust: `${rounded(100 * share, 1)}%`,
  ascentOverride: `${rounded(87.8 / share, 1)}%`,
  descentOverride: `${rounded(21 / share, 1)}%`,
  lineGapOverride: "0%",
});

export const untilLoaded = [
  near("Near Archivo", ["Arial", "Liberation Sans", "Helvetica"], "100 550", 0.985),
  near("Near Archivo", ["Arial Bold", "Liberation Sans Bold", "Helvetica Bold"], "551 900", 0.964),
  near("Nearly Archivo", ["DejaVu Sans"], "100 550", 0.862),
  near("Nearly Archivo", ["DejaVu Sans Bold"], "551 900", 0.797),
];
