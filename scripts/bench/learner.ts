import { seededNormal, seededRandom, type Outcome } from "@/core";

/**
 * A made-up learner. Each assumption has its source or is ours:
 * - practice: the chance of an error falls as a power of the tries made (Newell and Rosenbloom 1981, Mechanisms of skill acquisition and the law of practice);
 * - forgetting: what tries are worth fades between days as a power of the time (Wixted and Ebbesen 1991, On the form of forgetting, Psychological Science 2),
 *   the less the more days it was practised on (Cepeda and others 2006, Distributed practice in verbal recall tasks, Psychological Bulletin 132; how much is ours);
 * - one side helps the other by half (bilateral transfer; how much is ours), and one side comes easier (ours);
 * - a step begun before the one it builds on is sure is learnt more slowly (ours);
 * - every sixth day is a bad one, and after sixteen tries hands tire (ours);
 * - a changed setup takes a third of what was learnt away for twelve tries (ours); after a bad day the setup is changed in three cases of ten (ours);
 * - of what goes wrong one in eight crashes, twice as many where hands are tired (ours).
 */
export class Learner {
  private readonly uniform: () => number;
  private readonly normal: () => number;
  private readonly alpha: number;
  private readonly ease: ReadonlyMap<string, number>;
  private readonly worth = new Map<string, number>();
  /** Days on which each was practised, and the last of them. */
  private readonly practised = new Map<string, { readonly days: number; readonly last: number }>();
  private triesToday = 0;
  private badDay = false;
  private today = 0;
  private sinceChange = 100;
  setup = 0;

  constructor(
    private readonly steps: readonly string[],
    private readonly directions: readonly string[],
    seed: number,
  ) {
    this.uniform = seededRandom(seed);
    this.normal = seededNormal(seededRandom(seed + 1_000_003));
    this.alpha = 0.75 * Math.exp(0.3 * this.normal());
    const side = 0.5 * this.normal();
    this.ease = new Map(
      steps.flatMap((step) => {
        const hardness = 0.35 * this.normal();
        return directions.map((direction, i) => [`${step} ${direction}`, hardness + (i === 0 ? side : -side)] as const);
      }),
    );
  }

  /** A new day: what was learnt fades, and the day is good or bad. */
  begin(day: number): void {
    const gap = day - this.today;
    for (const [key, tries] of this.worth) {
      const { days } = this.practised.get(key) ?? { days: 0 };
      this.worth.set(key, tries * (1 + gap) ** (-0.2 / (1 + days / 2)));
    }
    this.today = day;
    this.triesToday = 0;
    this.badDay = this.uniform() < 1 / 6;
  }

  /** After a day: some change their setup because it went badly. */
  temptedToChange(): boolean {
    return this.badDay && this.uniform() < 0.3;
  }

  changeSetup(): void {
    this.setup++;
    this.sinceChange = 0;
  }

  /** True clean rate of a step in a direction on a usual day, hands rested, setup settled. */
  rate(step: string, direction: string): number {
    return this.rateAs(step, direction, 1, 0);
  }

  /** Of its weaker direction. */
  weakest(step: string): number {
    return Math.min(...this.directions.map((one) => this.rate(step, one)));
  }

  private rateAs(step: string, direction: string, settled: number, shift: number): number {
    const own = this.worth.get(`${step} ${direction}`) ?? 0;
    const others = this.directions
      .filter((one) => one !== direction)
      .reduce((sum, one) => sum + (this.worth.get(`${step} ${one}`) ?? 0), 0);
    const tries = settled * (own + 0.5 * others);
    const error = 0.85 * (1 + tries / 6) ** -this.alpha;
    const odds = (1 - error) / error;
    return 1 / (1 + Math.exp(-(Math.log(odds) + (this.ease.get(`${step} ${direction}`) ?? 0) + shift)));
  }

  fly(step: string, direction: string): Outcome {
    const tired = this.triesToday >= 16;
    const shift = (this.badDay ? -0.7 : 0) + (tired ? -0.05 * (this.triesToday - 16) : 0);
    const settled = this.sinceChange < 12 ? 2 / 3 : 1;
    const rate = this.rateAs(step, direction, settled, shift);
    const at = this.steps.indexOf(step);
    const ground = at === 0 ? 1 : Math.min(1, this.weakest(this.steps[at - 1]) / 0.6);
    const key = `${step} ${direction}`;
    this.worth.set(key, (this.worth.get(key) ?? 0) + 0.3 + 0.7 * ground);
    const known = this.practised.get(key);
    if (known?.last !== this.today) this.practised.set(key, { days: (known?.days ?? 0) + 1, last: this.today });
    this.triesToday++;
    this.sinceChange++;
    if (this.uniform() < rate) return "clean";
    if (this.uniform() < (tired ? 0.25 : 0.125)) return "crashed";
    return this.uniform() < 0.25 ? "bailed" : "rough";
  }
}
