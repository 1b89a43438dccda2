import type { PassMark } from "@/core";

/** Every kind of mark: what it is called, and one to begin with. */
export const markKinds: Readonly<Record<PassMark["kind"], { readonly name: string; readonly fresh: PassMark }>> = {
  "k-of-last": { name: "k clean of the last n", fresh: { kind: "k-of-last", k: 3, n: 4 } },
  run: { name: "clean in a row", fresh: { kind: "run", k: 3 } },
  "clean-packs": { name: "clean packs", fresh: { kind: "clean-packs", packs: 1 } },
  minutes: { name: "minutes flown", fresh: { kind: "minutes", minutes: 30 } },
  measured: {
    name: "measured within limits",
    fresh: { kind: "measured", measure: "stopErrorDeg", within: 15, k: 3, n: 4 },
  },
  "each-direction": {
    name: "each direction on its own",
    fresh: { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } },
  },
  "in-places": {
    name: "only at these places",
    fresh: { kind: "in-places", places: ["field"], rule: { kind: "k-of-last", k: 3, n: 4 } },
  },
  all: {
    name: "all of these",
    fresh: { kind: "all", rules: [{ kind: "k-of-last", k: 3, n: 4 }] },
  },
  any: {
    name: "any of these",
    fresh: { kind: "any", rules: [{ kind: "k-of-last", k: 3, n: 4 }] },
  },
};

/**
 * A mark of another kind that keeps what is inside: a rule is wrapped whole, a wrapping is exchanged, and a simple rule is the one of that kind within, or a
 * new one with the figures of the rule before.
 */
export function turnedInto(mark: PassMark, kind: PassMark["kind"]): PassMark {
  switch (kind) {
    case mark.kind:
      return mark;
    case "each-direction":
      return { kind, rule: insideOf(mark) };
    case "in-places":
      return { kind, places: ["field"], rule: insideOf(mark) };
    case "all":
    case "any":
      return { kind, rules: rulesOf(mark) };
    default: {
      const [first] = simpleRules(mark);
      const known = simpleRules(mark).find((one) => one.kind === kind);
      return known ?? ({ ...markKinds[kind].fresh, ...figuresFor(kind, first) } as PassMark);
    }
  }
}

/** What a wrapping holds; a list of rules stays one, and a single one stands alone. */
function insideOf(mark: PassMark): PassMark {
  if ("rule" in mark) return mark.rule;
  return "rules" in mark && mark.rules.length === 1 ? mark.rules[0] : mark;
}

function rulesOf(mark: PassMark): readonly PassMark[] {
  if ("rules" in mark) return mark.rules;
  if (!("rule" in mark)) return [mark];
  return "rules" in mark.rule ? mark.rule.rules : [mark.rule];
}

function simpleRules(mark: PassMark): readonly PassMark[] {
  if ("rule" in mark) return simpleRules(mark.rule);
  return "rules" in mark ? mark.rules.flatMap(simpleRules) : [mark];
}

/** How many of how many, where both kinds ask for that. */
function figuresFor(kind: PassMark["kind"], before: PassMark): object {
  if (!("k" in before)) return {};
  if (kind === "run") return { k: before.k };
  if (kind !== "k-of-last" && kind !== "measured") return {};
  return "n" in before ? { k: before.k, n: before.n } : { k: before.k, n: before.k };
}
