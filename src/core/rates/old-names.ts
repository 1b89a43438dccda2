/**
 * The same with every rate curve in it named as it is now: the second number of the first family, which steepens the ends, had another name once, in files,
 * in rows and in what devices kept. Anything else stays as it is.
 */
export function withRise<Value>(value: Value): Value {
  if (Array.isArray(value)) return value.map(withRise) as Value;
  if (typeof value !== "object" || value === null) return value;
  const parts = Object.entries(value);
  const old = "family" in value && value.family === OLD_FAMILY;
  return Object.fromEntries(
    parts.map(([key, part]) => {
      if (!old) return [key, withRise<unknown>(part)];
      return key === "family" ? [key, "base-rise"] : [key === OLD_KEY ? "rise" : key, part];
    }),
  ) as Value;
}

const OLD_KEY = "super";
const OLD_FAMILY = `base-${OLD_KEY}`;
