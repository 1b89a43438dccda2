import { Refusal } from "./errors";

/** Deeper than this nothing here is; what is made to be deep is turned away before anything walks down it. */
export const DEEPEST = 64;

export const tooDeep = (what: string) =>
  new Refusal(422, `${what} is nested more than ${DEEPEST} deep; nothing here is.`);

/** Throws a Refusal for something nested without end. Level by level, so that it takes no stack itself. */
export function requireShallow(value: object, what: string): void {
  let level: readonly object[] = [value];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEEPEST) throw tooDeep(what);
    const below: object[] = [];
    for (const one of level)
      for (const inner of Object.values(one) as unknown[])
        if (typeof inner === "object" && inner !== null) below.push(inner);
    level = below;
  }
}
