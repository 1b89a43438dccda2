import { cache } from "react";

/** Something that is read for some ids, asked of the database once while one page is drawn, however many of its parts want it for the same ids. */
export function oncePerPage<Value>(
  read: (ids: readonly string[]) => Promise<Value>,
): (ids: readonly string[]) => Promise<Value> {
  const kept = cache((ids: string) => read(ids === "" ? [] : ids.split(",")));
  return (ids) => kept([...new Set(ids)].sort().join());
}
