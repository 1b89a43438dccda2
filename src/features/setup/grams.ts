import { typedNumber } from "@/contract";
import { rounded } from "@/core";
import { entryIn, type UnitSystem } from "@/words";

/** A weight as it was typed in the units chosen, in grams; what is no number goes as it is, to be told so at its field. */
export function gramsFrom(text: string, units: UnitSystem): string {
  const typed = typedNumber(text);
  if (text.trim() === "" || !Number.isFinite(typed) || units === "metric") return text;
  return String(rounded(1000 * entryIn("mass", units).read(typed), 1));
}
