import { attemptMeasures, places, type Attempt, type AttemptMeasure, type Place } from "./attempt";
import { DomainError, requireNumber, requireWhole, DAY_MS } from "../numbers";

/**
 * What passes: a rule, or rules joined. `each-direction` asks its rule of every direction by itself; without it the directions count together.
 * `in-places` looks only at attempts in those places.
 */
export type PassMark =
  | { readonly kind: "k-of-last"; readonly k: number; readonly n: number }
  /** The last `k` all clean. */
  | { readonly kind: "run"; readonly k: number }
  /** The last `packs` batteries clean from end to end. */
  | { readonly kind: "clean-packs"; readonly packs: number }
  /** Flown, without those that crashed. */
  | { readonly kind: "minutes"; readonly minutes: number }
  /** `k` of the last `n` that were measured at most `within`, in the unit of the measure. */
  | {
      readonly kind: "measured";
      readonly measure: AttemptMeasure;
      readonly within: number;
      readonly k: number;
      readonly n: number;
    }
  | { readonly kind: "each-direction"; readonly rule: PassMark }
  | { readonly kind: "in-places"; readonly places: readonly Place[]; readonly rule: PassMark }
  | { readonly kind: "all"; readonly rules: readonly PassMark[] }
  | { readonly kind: "any"; readonly rules: readonly PassMark[] };

/** What has been counted towards a simple rule, and what it asks for. */
export type RuleCount =
  /** `count` clean of the `seen` that the window of `n` holds so far. */
  | {
      readonly kind: "k-of-last";
      readonly count: number;
      readonly seen: number;
      readonly k: number;
      readonly n: number;
    }
  | { readonly kind: "run"; readonly count: number; readonly k: number }
  | { readonly kind: "clean-packs"; readonly count: number; readonly packs: number }
  | { readonly kind: "minutes"; readonly flown: number; readonly minutes: number }
  | {
      readonly kind: "measured";
      readonly measure: AttemptMeasure;
      readonly within: number;
      readonly count: number;
      readonly seen: number;
      readonly k: number;
      readonly n: number;
    };

/** How a mark stands: a simple rule with its count, or a joined one with its parts. */
export interface Judged {
  readonly met: boolean;
  /** Null for joined marks. */
  readonly count: RuleCount | null;
  /** The direction it was asked of; null where directions count together. */
  readonly direction: string | null;
  readonly parts: readonly Judged[];
}

/** How a simple rule stands. */
export interface JudgedRule extends Judged {
  readonly count: RuleCount;
}

/** Longest window a mark may look back over, attempts or batteries. */
const LONGEST_WINDOW = 50;
const DEEPEST = 6;

/** Places where something is flown for real: there attempts count for any mark. In the simulator they count only where a mark names it. */
const realPlaces = places.filter((place) => place !== "simulator");

/** The same mark with every rule that names no place asked of the real ones. */
function placed(mark: PassMark): PassMark {
  if (mark.kind === "in-places") return mark;
  if (mark.kind === "each-direction") return { ...mark, rule: placed(mark.rule) };
  if (mark.kind === "all" || mark.kind === "any") return { ...mark, rules: mark.rules.map(placed) };
  return { kind: "in-places", places: realPlaces, rule: mark };
}

/** Holds a mark against attempts in the order flown. */
export function judge(mark: PassMark, attempts: readonly Attempt[], directions: readonly string[]): Judged {
  return judgeIn(placed(mark), attempts, directions, null);
}

function judgeIn(
  mark: PassMark,
  attempts: readonly Attempt[],
  directions: readonly string[],
  direction: string | null,
): Judged {
  const leaf = (met: boolean, count: RuleCount): JudgedRule => ({ met, count, direction, parts: [] });
  const joined = (parts: readonly Judged[], met: boolean): Judged => ({ met, count: null, direction, parts });
  switch (mark.kind) {
    case "k-of-last": {
      const last = attempts.slice(-mark.n);
      const count = countClean(last);
      return leaf(count >= mark.k, { ...mark, count, seen: last.length });
    }
    case "run": {
      const count = runOf(attempts.map(({ outcome }) => outcome === "clean"));
      return leaf(count >= mark.k, { ...mark, count });
    }
    case "clean-packs": {
      const count = runOf(packsOf(attempts).map((pack) => countClean(pack) === pack.length));
      return leaf(count >= mark.packs, { ...mark, count });
    }
    case "minutes": {
      const flown = attempts.reduce(
        (sum, { minutes, outcome }) => sum + (outcome === "crashed" ? 0 : (minutes ?? 0)),
        0,
      );
      return leaf(flown >= mark.minutes, { ...mark, flown });
    }
    case "measured": {
      const last = attempts.filter(({ measured }) => measured?.[mark.measure] !== undefined).slice(-mark.n);
      const count = last.filter(({ measured }) => Math.abs(measured![mark.measure]!) <= mark.within).length;
      return leaf(count >= mark.k, { ...mark, count, seen: last.length });
    }
    case "each-direction": {
      const parts = directions.map((one) =>
        judgeIn(
          mark.rule,
          attempts.filter((attempt) => attempt.direction === one),
          [one],
          one,
        ),
      );
      return joined(
        parts,
        parts.every(({ met }) => met),
      );
    }
    case "in-places":
      return judgeIn(
        mark.rule,
        attempts.filter(({ place }) => mark.places.includes(place)),
        directions,
        direction,
      );
    case "all": {
      const parts = mark.rules.map((rule) => judgeIn(rule, attempts, directions, direction));
      return joined(
        parts,
        parts.every(({ met }) => met),
      );
    }
    case "any": {
      const parts = mark.rules.map((rule) => judgeIn(rule, attempts, directions, direction));
      return joined(
        parts,
        parts.some(({ met }) => met),
      );
    }
  }
}

/** The counts behind a judgement, one for each simple rule in it. */
export function leavesOf(judged: Judged): readonly JudgedRule[] {
  const { count } = judged;
  return count === null ? judged.parts.flatMap(leavesOf) : [{ ...judged, count }];
}

/** A simple rule of a mark with the attempts it looks at. */
export interface AskedRule {
  readonly rule: PassMark;
  readonly attempts: readonly Attempt[];
  /** Null where directions count together. */
  readonly direction: string | null;
}

/** The simple rules of a mark as `judge` asks them, in the order of `leavesOf`. */
export function rulesAsked(
  mark: PassMark,
  attempts: readonly Attempt[],
  directions: readonly string[],
): readonly AskedRule[] {
  return rulesIn(placed(mark), attempts, directions, null);
}

function rulesIn(
  mark: PassMark,
  attempts: readonly Attempt[],
  directions: readonly string[],
  direction: string | null,
): readonly AskedRule[] {
  switch (mark.kind) {
    case "each-direction":
      return directions.flatMap((one) =>
        rulesIn(
          mark.rule,
          attempts.filter((attempt) => attempt.direction === one),
          [one],
          one,
        ),
      );
    case "in-places":
      return rulesIn(
        mark.rule,
        attempts.filter(({ place }) => mark.places.includes(place)),
        directions,
        direction,
      );
    case "all":
    case "any":
      return mark.rules.flatMap((rule) => rulesIn(rule, attempts, directions, direction));
    default:
      return [{ rule: mark, attempts, direction }];
  }
}

/** Places whose attempts count for any rule of the mark; all but the simulator where it names none. */
export function placesOf(mark: PassMark): readonly Place[] {
  const within = (rule: PassMark): ReadonlySet<Place> => {
    if (rule.kind === "in-places") {
      const inner = within(rule.rule);
      return new Set(rule.places.filter((place) => inner.has(place)));
    }
    if (rule.kind === "each-direction") return within(rule.rule);
    if (rule.kind === "all" || rule.kind === "any") return new Set(rule.rules.flatMap((one) => [...within(one)]));
    return new Set(places);
  };
  const found = within(placed(mark));
  return places.filter((place) => found.has(place));
}

/** The same mark asked of attempts in one place only, whatever places it names. */
export function markIn(mark: PassMark, place: Place): PassMark {
  return { kind: "in-places", places: [place], rule: withoutPlaces(mark) };
}

function withoutPlaces(mark: PassMark): PassMark {
  if (mark.kind === "in-places") return withoutPlaces(mark.rule);
  if (mark.kind === "each-direction") return { ...mark, rule: withoutPlaces(mark.rule) };
  if (mark.kind === "all" || mark.kind === "any") return { ...mark, rules: mark.rules.map(withoutPlaces) };
  return mark;
}

/** How many attempts a mark looks back over, and the clean rate it asks for: a run of k asks for the rate at which it is as likely as not. */
export function windowOf(mark: PassMark): { readonly attempts: number; readonly share: number } {
  switch (mark.kind) {
    case "k-of-last":
    case "measured":
      return { attempts: mark.n, share: mark.k / mark.n };
    case "run":
      return { attempts: mark.k, share: 0.5 ** (1 / mark.k) };
    case "each-direction":
    case "in-places":
      return windowOf(mark.rule);
    case "all":
    case "any": {
      const each = mark.rules.map(windowOf);
      return {
        attempts: Math.max(...each.map(({ attempts }) => attempts)),
        share:
          mark.kind === "all"
            ? Math.max(...each.map(({ share }) => share))
            : Math.min(...each.map(({ share }) => share)),
      };
    }
    default:
      return { attempts: 4, share: 0.75 };
  }
}

/**
 * The mark when it is one that can be judged. Throws a DomainError that names the place: counts 1 to 50, no more clean than looked at, places
 * and measures that exist, joined marks not deeper than six.
 */
export function requireMark(mark: unknown, place = "mark", depth = 0): PassMark {
  if (depth > DEEPEST)
    throw new DomainError(place, depth, `${DEEPEST} at most`, `${place} is joined deeper than ${DEEPEST} times`);
  if (typeof mark !== "object" || mark === null)
    throw new DomainError(place, mark, "a pass mark", `${place} is no pass mark`);
  const rule = mark as PassMark;
  const whole = (name: string, value: unknown, most: number) => {
    requireNumber(`${place}.${name}`, value, 1, most);
    requireWhole(`${place}.${name}`, value, 1, most);
  };
  switch (rule.kind) {
    case "measured":
      if (!attemptMeasures.includes(rule.measure))
        throw new DomainError(
          `${place}.measure`,
          rule.measure,
          attemptMeasures.join(", "),
          `${place}.measure is not one that is known`,
        );
      requireNumber(`${place}.within`, rule.within, 0, 10_000);
      whole("n", rule.n, LONGEST_WINDOW);
      whole("k", rule.k, rule.n);
      break;
    case "k-of-last":
      whole("n", rule.n, LONGEST_WINDOW);
      whole("k", rule.k, rule.n);
      break;
    case "run":
      whole("k", rule.k, LONGEST_WINDOW);
      break;
    case "clean-packs":
      whole("packs", rule.packs, 10);
      break;
    case "minutes":
      requireNumber(`${place}.minutes`, rule.minutes, 1, 10_000);
      break;
    case "each-direction":
      requireMark(rule.rule, `${place}.rule`, depth + 1);
      break;
    case "in-places":
      if (!Array.isArray(rule.places) || rule.places.length === 0 || rule.places.some((one) => !places.includes(one)))
        throw new DomainError(
          `${place}.places`,
          rule.places,
          places.join(", "),
          `${place}.places must name one or more of ${places.join(", ")}`,
        );
      requireMark(rule.rule, `${place}.rule`, depth + 1);
      break;
    case "all":
    case "any":
      if (!Array.isArray(rule.rules) || rule.rules.length === 0 || rule.rules.length > 8)
        throw new DomainError(`${place}.rules`, rule.rules, "one to eight", `${place}.rules must be one to eight`);
      rule.rules.forEach((one, i) => requireMark(one, `${place}.rules.${i}`, depth + 1));
      break;
    default:
      throw new DomainError(
        `${place}.kind`,
        undefined,
        "a kind of pass mark",
        `${place}.kind is not one that is known`,
      );
  }
  return rule;
}

/** Attempts by battery, in order. Those of one session whose batteries were not counted are taken as one. */
function packsOf(attempts: readonly Attempt[]): readonly (readonly Attempt[])[] {
  const packs = new Map<string, Attempt[]>();
  for (const attempt of attempts) {
    const key = `${attempt.sessionId ?? Math.floor(attempt.atMs / DAY_MS)} ${attempt.pack ?? ""}`;
    const pack = packs.get(key);
    if (pack) pack.push(attempt);
    else packs.set(key, [attempt]);
  }
  return [...packs.values()];
}

function runOf(clean: readonly boolean[]): number {
  const lastBad = clean.lastIndexOf(false);
  return clean.length - 1 - lastBad;
}

const countClean = (attempts: readonly Attempt[]) => attempts.filter(({ outcome }) => outcome === "clean").length;
