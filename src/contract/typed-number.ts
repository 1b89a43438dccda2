/** A number as people type it, with a comma or a point and any minus sign; NaN for what is none, nothing at all included. */
export function typedNumber(text: string): number {
  const plain = text.trim().replace(",", ".").replace("−", "-");
  return plain === "" ? NaN : Number(plain);
}
