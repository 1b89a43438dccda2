/** A seeded source of uniform numbers in [0, 1): mulberry32, public domain. The same seed gives the same sequence. */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = nextState(state);
    return uniformOf(state);
  };
}

const nextState = (state: number): number => (state + 0x6d2b79f5) >>> 0;

function uniformOf(state: number): number {
  let t = state;
  t = Math.imul(t ^ (t >>> 15), t | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}

/** The standard normal numbers of a seed, the same as `seededNormal(seededRandom(seed))`, that can be gone on with elsewhere: a copy draws what this one would. */
export class NormalDraws {
  private readonly normal: () => number;

  constructor(
    seed: number,
    private state = seed >>> 0,
    private readonly waiting: { spare: number | null } = { spare: null },
  ) {
    this.normal = seededNormal(() => {
      this.state = nextState(this.state);
      return uniformOf(this.state);
    }, waiting);
  }

  next(): number {
    return this.normal();
  }

  copy(): NormalDraws {
    return new NormalDraws(0, this.state, { ...this.waiting });
  }
}

/** Standard normal numbers from a uniform source (Box and Muller 1958). */
export function seededNormal(
  uniform: () => number,
  // Numbers come in pairs, of which the second waits.
  waiting: { spare: number | null } = { spare: null },
): () => number {
  return () => {
    const { spare } = waiting;
    if (spare !== null) {
      waiting.spare = null;
      return spare;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
    const angle = 2 * Math.PI * uniform();
    waiting.spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
