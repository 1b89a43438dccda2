import { allot, DAY_MS, usualRules, weighEvidence, type Attempt, type SquadRules } from "@/core";
import {
  builtInSyllabus,
  currentStepOf,
  digestSteps,
  findStep,
  offersOf,
  schoolOf,
  standingAt,
  type DigestedStep,
} from "@/syllabus";
import { Learner } from "./learner";

/**
 * Does the coaching help? Made-up learners go through the flips twice a week for twelve weeks, coached in different ways by the same pass marks: by the
 * program's plans and advice, by a fixed rota, and by whatever failed last. What is compared is told with 90 % intervals over the learners.
 */

const learners = Number(process.argv[2] ?? 60);
const STEPS = ["flip-slow", "flip-ease-quarter", "flip-one-move", "flip-ease-end", "flip-stall"];
const DIRECTIONS = ["back", "front"];
const DAYS = Array.from({ length: 24 }, (_, i) => Math.floor((i * 7) / 2));
const TRIES_A_DAY = 24;
const HALF_PACK = 3;
/** A sign-off is false where the weaker direction goes clean less often than this. */
const GOOD_ENOUGH = 0.6;
const school = schoolOf({}, {});
/** Everything before the flips, on paper. */
const before = new Set(
  builtInSyllabus.steps
    .slice(0, builtInSyllabus.steps.indexOf(findStep(builtInSyllabus, STEPS[0])!))
    .map(({ id }) => id),
);

type Logged = Attempt & { readonly stepId: string };

interface Told {
  readonly signed: number;
  readonly kept: number;
  readonly falseSigned: number;
  readonly flown: number;
  readonly tries: number;
  readonly days: number;
  readonly crashes: number;
  readonly rests: number;
}

/** One learner coached in one way. */
class Course {
  readonly attempts: Logged[] = [];
  readonly signedOff = new Set<string>();
  falseSigned = 0;
  rests = 0;
  private readonly byStep = new Map<string, Logged[]>();
  private readonly flown = new Map<string, DigestedStep>();

  constructor(
    readonly learner: Learner,
    readonly rules: SquadRules,
  ) {}

  fly(stepId: string, direction: string, atMs: number): Logged {
    const outcome = this.learner.fly(stepId, direction);
    const one: Logged = {
      stepId,
      direction,
      outcome,
      place: "field",
      setupId: `setup ${this.learner.setup}`,
      atMs,
    };
    this.attempts.push(one);
    const own = [...(this.byStep.get(stepId) ?? []), one];
    this.byStep.set(stepId, own);
    for (const [id, digested] of digestSteps(own)) this.flown.set(id, digested);
    return one;
  }

  input(nowMs: number) {
    return {
      syllabus: builtInSyllabus,
      school,
      flown: this.flown,
      signedOff: new Set([...before, ...this.signedOff]),
      setupId: `setup ${this.learner.setup}`,
      nowMs,
      rules: this.rules,
    };
  }

  /** Where the step at hand meets its mark as surely as the rules ask. */
  signOffWhereMet(): void {
    const stepId = this.current();
    const { mark } = findStep(builtInSyllabus, stepId)!;
    const { passes, directions } = weighEvidence(this.byStep.get(stepId) ?? [], mark, DIRECTIONS);
    if (passes && directions.every(({ luck }) => (luck ?? 0) <= this.rules.mostLuck)) this.signOff(stepId);
  }

  signOff(stepId: string): void {
    if (this.signedOff.has(stepId)) return;
    this.signedOff.add(stepId);
    if (this.learner.weakest(stepId) < GOOD_ENOUGH) this.falseSigned++;
  }

  current = () => STEPS.find((id) => !this.signedOff.has(id)) ?? STEPS[STEPS.length - 1];

  told(): Told {
    return {
      signed: this.signedOff.size,
      kept: [...this.signedOff].filter((id) => this.learner.weakest(id) >= GOOD_ENOUGH).length,
      falseSigned: this.falseSigned,
      flown: this.attempts.length,
      tries: this.attempts.length / Math.max(1, this.signedOff.size),
      days: DAYS.length / Math.max(1, this.signedOff.size),
      crashes: (100 * this.attempts.filter(({ outcome }) => outcome === "crashed").length) / this.attempts.length,
      rests: this.rests,
    };
  }
}

type Way = (course: Course, day: number) => boolean;

/** The program: its plan for the day, the weaker side first, its advice after every try. Returns whether it lets the setup be changed. */
const byProgram: Way = (course, day) => {
  let nowMs = day * DAY_MS + 10 * 3_600_000;
  const offers = offersOf(course.input(nowMs)).filter(({ stepId }) => stepId === null || STEPS.includes(stepId));
  const frame = { minutes: 8 * TRIES_A_DAY, packMin: 4, changeMin: 0, spots: 1, observers: 1, newSteps: 1 };
  const packs = TRIES_A_DAY / (2 * HALF_PACK);
  const blocks = allot([{ pilotId: "one", packs, offers }], frame, packs).get("one")!.blocks;
  let settling = false;
  for (const { kind, stepId, halfPacks } of blocks) {
    const offer = offers.find((one) => one.kind === kind && one.stepId === stepId);
    // Free flying, the pilot flies what is known.
    let flown = stepId ?? [...course.signedOff].at(-1) ?? STEPS[0];
    let turn = Math.max(0, DIRECTIONS.indexOf(offer?.firstDirection ?? ""));
    for (let n = 0; n < halfPacks * HALF_PACK; n++) {
      nowMs += 120_000;
      course.fly(flown, DIRECTIONS[turn++ % 2], nowMs);
      const step = findStep(builtInSyllabus, flown)!;
      const { advice } = standingAt(step, course.input(nowMs));
      if (advice.kind === "rest") {
        course.rests++;
        return true;
      }
      settling = advice.kind === "settle" || (advice.kind === "stuck" && advice.tryNext.kind === "one-setup");
      if (advice.kind === "advance") {
        course.signOff(flown);
        flown = currentStepOf(course.input(nowMs))?.id ?? flown;
        if (!STEPS.includes(flown)) flown = STEPS[STEPS.length - 1];
      } else if (advice.kind === "stay" && advice.focus.kind === "weaker-side")
        turn = DIRECTIONS.indexOf(advice.focus.direction);
    }
  }
  return !settling;
};

/** A fixed rota: a third of the day for what was signed off last, the rest for the step at hand, sides in turn. */
const byRota: Way = (course, day) => {
  for (let n = 0; n < TRIES_A_DAY; n++) {
    const known = [...course.signedOff];
    const stepId = n < TRIES_A_DAY / 3 && known.length > 0 ? known[Math.floor(n / 4) % known.length] : course.current();
    course.fly(stepId, DIRECTIONS[n % 2], day * DAY_MS + 36_000_000 + n * 120_000);
    course.signOffWhereMet();
  }
  return true;
};

/** Whatever failed last, until it goes; else the step at hand. */
const byFailure: Way = (course, day) => {
  let failed: { stepId: string; direction: string } | null = null;
  for (let n = 0; n < TRIES_A_DAY; n++) {
    const next: { stepId: string; direction: string } = failed ?? {
      stepId: course.current(),
      direction: DIRECTIONS[n % 2],
    };
    const one = course.fly(next.stepId, next.direction, day * DAY_MS + 36_000_000 + n * 120_000);
    failed = one.outcome === "clean" ? null : next;
    course.signOffWhereMet();
  }
  return true;
};

function coached(way: Way, seed: number, rules: SquadRules): Told {
  const course = new Course(new Learner(STEPS, DIRECTIONS, seed), rules);
  for (const day of DAYS) {
    course.learner.begin(day);
    const mayChange = way(course, day);
    if (course.learner.temptedToChange() && mayChange) course.learner.changeSetup();
  }
  // A week later.
  course.learner.begin(DAYS[DAYS.length - 1] + 7);
  return course.told();
}

const figures: readonly (readonly [keyof Told, string])[] = [
  ["signed", "steps signed off"],
  ["kept", "of them still good a week later"],
  ["falseSigned", "signed off too early"],
  ["flown", "tries in all"],
  ["tries", "tries to each sign-off"],
  ["days", "flying days to each sign-off"],
  ["crashes", "crashes in 100 tries"],
  ["rests", "days broken off to rest"],
];

const luckWords = (mostLuck: number) =>
  mostLuck === 1 ? "the mark alone" : `luck ${Math.round(100 * mostLuck)} % or less`;

const ways: readonly (readonly [string, Way, SquadRules])[] = [
  ...([1, 0.3, 0.1] as const).map(
    (mostLuck) => [`plans and advice, ${luckWords(mostLuck)}`, byProgram, { ...usualRules, mostLuck }] as const,
  ),
  ...([1, 0.3] as const).map(
    (mostLuck) => [`a fixed rota, ${luckWords(mostLuck)}`, byRota, { ...usualRules, mostLuck }] as const,
  ),
  ...([1, 0.3] as const).map(
    (mostLuck) => [`whatever failed last, ${luckWords(mostLuck)}`, byFailure, { ...usualRules, mostLuck }] as const,
  ),
];

console.log(
  `${learners} made-up learners, ${DAYS.length} flying days of ${TRIES_A_DAY} tries, ${STEPS.length} steps; mean and its 90 % interval`,
);
for (const [name, way, rules] of ways) {
  const told = Array.from({ length: learners }, (_, n) => coached(way, 7 + 13 * n, rules));
  console.log(name);
  for (const [key, words] of figures) {
    const values = told.map((one) => one[key]);
    const mean = values.reduce((a, b) => a + b) / values.length;
    const spread = Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1));
    const half = (1.645 * spread) / Math.sqrt(values.length);
    console.log(
      `  ${words.padEnd(34)} ${mean.toFixed(2)} (${(mean - half).toFixed(2)} to ${(mean + half).toFixed(2)})`,
    );
  }
}
