import { scaleLinear } from "d3-scale";
import { quantityText, type UnitSystem } from "@/words";

/** A place on a drawing, to a tenth of a point. */
export const place = (value: number): number => Math.round(10 * value) / 10;

/** No narrow space in drawings for paper: the shipped typeface has none. */
export const plain = (text: string): string => text.replaceAll("\u202f", " ");

/** A round length that is about so many points long at a scale, m and in words. */
export function scaleBar(
  pointsPerM: number,
  points: number,
  units: UnitSystem,
): { readonly m: number; readonly text: string } {
  const perUnit = units === "metric" ? 1 : 0.3048;
  const [, tick = 1] = scaleLinear([0, points / pointsPerM / perUnit], [0, 1]).ticks(2);
  const m = tick * perUnit;
  return { m, text: plain(quantityText(m, "length", units, 0)) };
}
