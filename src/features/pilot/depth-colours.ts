import type { Theme } from "@mui/material/styles";

type Tokens = Theme["tokens"];
/** Depths go on as deep as there are stages. */
export const depthOf = ({ depths }: Tokens, stage: number) => depths[Math.min(stage, depths.length - 1)];

/** Ink, paper or a lighter sheet, whichever stands out most from a ground. */
export function inkOn(ground: string, { ink, paper, sheet }: Tokens): string {
  const light = luminance(ground);
  const contrast = (colour: string) => {
    const other = luminance(colour);
    return (Math.max(light, other) + 0.05) / (Math.min(light, other) + 0.05);
  };
  return [ink, paper, sheet].reduce((best, one) => (contrast(one) > contrast(best) ? one : best));
}

/** Relative luminance of a colour #rrggbb (WCAG 2.2), worked out once for each. */
function luminance(colour: string): number {
  const known = luminances.get(colour) ?? worked(colour);
  luminances.set(colour, known);
  return known;
}
const luminances = new Map<string, number>();

function worked(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const part = parseInt(colour.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
