/** The entry of a map that has one for this key, as it was made for all of them. Throws an Error, a mistake of ours, where it has none. */
export function entryOf<Key, Value>(map: ReadonlyMap<Key, Value>, key: Key): Value {
  const value = map.get(key);
  if (value === undefined) throw new Error(`There is no entry for ${String(key)}.`);
  return value;
}
