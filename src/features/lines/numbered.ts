import type { LineItem } from "@/core";

/** Numbers of the tricks of a line, by place: joins have none. */
export function trickNumbers(items: readonly LineItem[]): readonly (number | null)[] {
  let tricks = 0;
  return items.map(({ kind }) => (kind === "trick" ? ++tricks : null));
}
