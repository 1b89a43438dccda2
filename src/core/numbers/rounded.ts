/** A number to so many decimal places, as it is read and typed. */
export const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));
