/** A RangeError that also carries the field it is about, for forms. */
export class FieldRangeError extends RangeError {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
    this.name = "RangeError";
  }
}

/**
 * Returns `value` when it is a finite number within [min, max].
 * Throws a FieldRangeError naming the field, the value and the allowed range.
 */
export function requireNumber(field: string, value: unknown, min: number, max: number): number {
  if (typeof value !== "number" || !Number.isFinite(value) || value < min || value > max) {
    throw new FieldRangeError(field, `${field} is ${describe(value)}; allowed: ${min} to ${max}`);
  }
  return value;
}

/** Returns `value` when it is one of `allowed`, else throws a RangeError naming the field. */
export function requireOneOf<T extends string>(field: string, value: unknown, allowed: readonly T[]): T {
  if (typeof value !== "string" || !(allowed as readonly string[]).includes(value)) {
    throw new FieldRangeError(field, `${field} is ${describe(value)}; allowed: ${allowed.join(", ")}`);
  }
  return value as T;
}

function describe(value: unknown): string {
  if (typeof value === "string") return JSON.stringify(value.slice(0, 40));
  return typeof value === "object" && value !== null ? "an object" : String(value);
}
