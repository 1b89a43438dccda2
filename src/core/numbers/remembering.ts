/**
 * The same work, done once for as long as it is given the same: for each object given first the last result is kept while what else is given stays. For
 * what depends on nothing else, takes long, and is asked for again and again of objects that nobody changes.
 */
export function remembering<Key extends object, Rest extends readonly unknown[], Result>(
  work: (key: Key, ...rest: Rest) => Result,
): (key: Key, ...rest: Rest) => Result {
  const last = new WeakMap<Key, { readonly rest: Rest; readonly result: Result }>();
  return (key, ...rest) => {
    const before = last.get(key);
    if (before && before.rest.every((one, i) => one === rest[i])) return before.result;
    const result = work(key, ...rest);
    last.set(key, { rest, result });
    return result;
  };
}
