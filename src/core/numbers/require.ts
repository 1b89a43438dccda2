/** Input that the arithmetic refuses: which field, its value and what is allowed there. */
export class DomainError extends RangeError {
  constructor(
    readonly field: string,
    readonly value: unknown,
    readonly allowed: string,
    message = `${field} is ${describe(value)}; allowed: ${allowed}`,
    /** The ends of what is allowed, for a number. */
    readonly range: readonly [number, number] | null = null,
  ) {
    super(message);
    this.name = "DomainError";
  }
}

/** Returns `value` when it is a finite number within [min, max], else throws a DomainError. */
export function requireNumber(field: string, value: unknown, min: number, max: number): number {
  if (typeof value !== "number" || !Number.isFinite(value) || value < min || value > max)
    throw new DomainError(field, value, `${min} to ${max}`, undefined, [min, max]);
  return value;
}

/** The same for any number that is finite: cheap enough for inner loops. */
export function requireFinite(field: string, value: number): number {
  if (value - value !== 0) throw new DomainError(field, value, "a finite number");
  return value;
}

/** The same for a whole number. */
export function requireWhole(field: string, value: unknown, min: number, max: number): number {
  if (!Number.isInteger(value) || (value as number) < min || (value as number) > max)
    throw new DomainError(field, value, `whole numbers ${min} to ${max}`, undefined, [min, max]);
  return value as number;
}

/** Returns `value` when it is one of `allowed`, else throws a DomainError. */
export function requireOneOf<T extends string>(field: string, value: unknown, allowed: readonly T[]): T {
  if (typeof value !== "string" || !(allowed as readonly string[]).includes(value))
    throw new DomainError(field, value, allowed.join(", "));
  return value as T;
}

function describe(value: unknown): string {
  if (typeof value === "string") return JSON.stringify(value.slice(0, 40));
  return typeof value === "object" && value !== null ? "an object" : String(value);
}
