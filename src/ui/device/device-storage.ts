/** What this browser keeps under a name, as it was kept; null where there is nothing, or what there is cannot be read. */
export function readDevice(name: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(name) ?? "null") as unknown;
  } catch {
    return null;
  }
}

/** Keeps a value in this browser, or with null lets go of it. A browser that keeps nothing, or is full, stops nobody: the page goes on without. */
export function writeDevice(name: string, value: unknown): void {
  try {
    if (value === null) localStorage.removeItem(name);
    else localStorage.setItem(name, JSON.stringify(value));
  } catch (error) {
    console.warn(`This browser does not keep ${name}.`, error);
  }
}

export const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** The values of a kept object that are of one kind, by name; whatever else stands in it is left out. */
export function recordOf<Value>(
  kept: unknown,
  isOne: (value: unknown) => value is Value,
): Readonly<Record<string, Value>> {
  if (!isRecord(kept)) return {};
  return Object.fromEntries(Object.entries(kept).filter((entry): entry is [string, Value] => isOne(entry[1])));
}

export const isText = (value: unknown): value is string => typeof value === "string";
export const isCount = (value: unknown): value is number => Number.isInteger(value) && Number(value) >= 0;

/** A yes or no that was kept; null for anything else. */
export const flagFrom = (kept: unknown): boolean | null => (typeof kept === "boolean" ? kept : null);
