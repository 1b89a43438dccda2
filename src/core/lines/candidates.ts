import type { Join, Line, LineItem, TrickItem } from "./line";
import type { Joint } from "./joins";
import { mirroredLine } from "./mirrored-line";

/** Tricks in order, by their places among those allowed. */
export type Sequence = readonly number[];

/** What can follow what: `table[a][b]` is how trick b is flown out of trick a. */
export type PairTable = readonly (readonly Joint[])[];

export interface Wanted {
  readonly length: number;
  /** Places of those that every line has. */
  readonly mustHave: readonly number[];
  /** Places of those of which a line has at most one. */
  readonly fresh: ReadonlySet<number>;
}

/** Whether a sequence is one that is wanted: it goes, has what it must, and no more than one new trick. */
function isWanted(sequence: Sequence, table: PairTable, { mustHave, fresh }: Wanted): boolean {
  return (
    sequence.every((trick, i) => i === 0 || table[sequence[i - 1]][trick].kind !== "never") &&
    mustHave.every((trick) => sequence.includes(trick)) &&
    sequence.filter((trick) => fresh.has(trick)).length <= 1
  );
}

/** All wanted sequences where there are no more than `budget` to look at, else as many drawn by lot without repeats. `uniform` gives numbers in [0, 1). */
export function sequences(
  kinds: number,
  table: PairTable,
  wanted: Wanted,
  budget: number,
  uniform: () => number,
): Sequence[] {
  if (kinds ** wanted.length <= budget) {
    let all: Sequence[] = [[]];
    for (let i = 0; i < wanted.length; i++)
      all = all.flatMap((one) => Array.from({ length: kinds }, (_, k) => [...one, k]));
    return all.filter((one) => isWanted(one, table, wanted));
  }
  const found = new Map<string, Sequence>();
  for (let tries = 0; tries < 20 * budget && found.size < budget; tries++) {
    const drawn = walk(kinds, table, wanted, uniform);
    if (drawn && isWanted(drawn, table, wanted)) found.set(drawn.join(), drawn);
  }
  return [...found.values()];
}

/** One walk through the table, what it must have put in at random places; null where it comes to an end early. */
function walk(kinds: number, table: PairTable, { length, mustHave }: Wanted, uniform: () => number): Sequence | null {
  const draw = (n: number) => Math.floor(uniform() * n);
  const kept = new Map<number, number>();
  for (const trick of mustHave) {
    let at = draw(length);
    while (kept.has(at)) at = (at + 1) % length;
    kept.set(at, trick);
  }
  const sequence: number[] = [];
  for (let i = 0; i < length; i++) {
    const before = sequence[i - 1];
    const open = Array.from({ length: kinds }, (_, k) => k).filter((k) => i === 0 || table[before][k].kind !== "never");
    const asked = kept.get(i);
    if (open.length === 0 || (asked !== undefined && !open.includes(asked))) return null;
    sequence.push(asked ?? open[draw(open.length)]);
  }
  return sequence;
}

/** The joins between one trick and the next of a sequence. */
export const bridgeOf = (joint: Joint): readonly Join[] => (joint.kind === "bridge" ? joint.joins : []);

/** How a line is made into others. */
export const changes = ["mirrored", "other-end", "low-and-high", "one-thing"] as const;
export type Change = (typeof changes)[number];

/** Height between the same trick flown high and flown low, m. Ours. */
const LOWER_M = 6;

/** The lines that a change makes of one, with the tricks that are allowed. */
export function changed(line: Line, change: Change, allowed: readonly TrickItem["recipe"][]): readonly Line[] {
  const own = line.items;
  const as = (items: readonly LineItem[], what: string): Line => ({ ...line, id: `${line.id}-${what}`, items });
  const exchanged = (i: number): readonly LineItem[] => othersFor(own[i], allowed);
  switch (change) {
    case "mirrored": {
      // Left to one side, entered again from the other.
      const other = mirroredLine(line).items;
      const about: LineItem = { kind: "join", join: { kind: "turn", deg: 180 } };
      return [as(other, "mirrored"), as([...own, about, ...other], "there-and-back")];
    }
    case "other-end": {
      const last = own.map(({ kind }) => kind).lastIndexOf("trick");
      if (last < 0) return [];
      return exchanged(last).map((item, n) =>
        as([...own.slice(0, last), item, ...own.slice(last + 1)], `end-${n + 1}`),
      );
    }
    case "low-and-high":
      return own.flatMap((item, i) => {
        if (item.kind !== "trick") return [];
        const lower: LineItem = { kind: "join", join: { kind: "climb", m: -LOWER_M } };
        return [as([...own.slice(0, i + 1), lower, item, ...own.slice(i + 1)], `low-${i + 1}`)];
      });
    case "one-thing":
      return own.flatMap((_, i) =>
        exchanged(i).map((item, n) => as([...own.slice(0, i), item, ...own.slice(i + 1)], `other-${i + 1}-${n + 1}`)),
      );
  }
}

export const idOf = (recipe: TrickItem["recipe"]): string => (typeof recipe === "string" ? recipe : recipe.id);

/** What may stand in an item's place: another trick, its other direction, or a join of another size. */
function othersFor(item: LineItem, allowed: readonly TrickItem["recipe"][]): readonly LineItem[] {
  if (item.kind === "join") return otherJoins(item.join).map((join) => ({ kind: "join", join }));
  const own = idOf(item.recipe);
  return allowed.filter((one) => idOf(one) !== own).map((recipe) => ({ kind: "trick", recipe }));
}

function otherJoins(join: Join): readonly Join[] {
  switch (join.kind) {
    case "on":
      return [{ kind: "on", m: 2 * join.m }];
    case "climb":
      return [
        { kind: "climb", m: -join.m },
        { kind: "climb", m: 1.5 * join.m },
      ];
    case "turn":
      return [-join.deg, 0.5 * join.deg, join.deg > 0 ? 180 : -180]
        .filter((deg) => deg !== join.deg)
        .map((deg) => ({ kind: "turn", deg }));
    case "speed":
      return [{ kind: "speed", mps: 1.3 * join.mps }];
    case "hover":
    case "wait":
      return [{ ...join, s: 0.5 * join.s }];
    case "round":
      return [{ ...join, deg: -join.deg }];
  }
}
