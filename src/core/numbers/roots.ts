/**
 * Root of a continuous function with a sign change on [low, high], by bisection to `tolerance` in x.
 * Returns null when both ends have the same sign.
 */
export function bisect(f: (x: number) => number, low: number, high: number, tolerance: number): number | null {
  let a = low;
  let b = high;
  let fa = f(a);
  const fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0) return null;
  while (b - a > tolerance) {
    const middle = 0.5 * (a + b);
    if (middle === a || middle === b) break;
    const fm = f(middle);
    if (fm === 0) return middle;
    if (fm > 0 === fa > 0) {
      a = middle;
      fa = fm;
    } else {
      b = middle;
    }
  }
  return 0.5 * (a + b);
}

/**
 * Root of a function that is dear to work out, with a sign change on [low, high], to half of `tolerance` in x: a third to a half of the evaluations of `bisect`
 * where the function is smooth, and never more than three beyond them, jumps or not. Interpolate, truncate, project (Oliveira and Takahashi, ACM Transactions
 * on Mathematical Software 47(1), 2021), with their n₀ = 1, κ₁ = 0.2 / (high − low), κ₂ = 2. Begins at `guess` where that is within. Returns null when both
 * ends have the same sign.
 */
export function itpRoot(
  f: (x: number) => number,
  low: number,
  high: number,
  tolerance: number,
  guess: number = low,
): number | null {
  let [a, b] = [low, high];
  let [fa, fb] = [f(a), f(b)];
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0) return null;
  /** True when x is the root itself. */
  const narrowedAt = (x: number): boolean => {
    const fx = f(x);
    if (fx > 0 === fa > 0) [a, fa] = [x, fx];
    else [b, fb] = [x, fx];
    return fx === 0;
  };
  if (guess > a && guess < b && narrowedAt(guess)) return guess;
  const most = Math.ceil(Math.log2(Math.max(1, (b - a) / tolerance))) + 1;
  for (let n = 0; b - a > tolerance; n++) {
    const middle = 0.5 * (a + b);
    if (middle === a || middle === b) break;
    const interpolated = (fb * a - fa * b) / (fb - fa);
    const inwards = Math.sign(middle - interpolated);
    const moved = (0.2 / (high - low)) * (b - a) ** 2;
    const truncated = moved <= Math.abs(middle - interpolated) ? interpolated + inwards * moved : middle;
    const within = Math.max(0, 0.5 * tolerance * 2 ** (most - n) - 0.5 * (b - a));
    const x = Math.abs(truncated - middle) <= within ? truncated : middle - inwards * within;
    if (narrowedAt(x)) return x;
  }
  return 0.5 * (a + b);
}

/** Minimum of a unimodal function on [low, high] by golden-section search (Kiefer 1953). */
export function goldenMinimum(f: (x: number) => number, low: number, high: number, tolerance: number): number {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let a = low;
  let b = high;
  let c = b - ratio * (b - a);
  let d = a + ratio * (b - a);
  let fc = f(c);
  let fd = f(d);
  while (b - a > tolerance) {
    if (fc < fd) {
      b = d;
      d = c;
      fd = fc;
      c = b - ratio * (b - a);
      fc = f(c);
    } else {
      a = c;
      c = d;
      fc = fd;
      d = a + ratio * (b - a);
      fd = f(d);
    }
  }
  return 0.5 * (a + b);
}

/**
 * The s ≥ 0 at which cubic·s³ + linear·s = value, for values and coefficients that are not negative and not both 0. With s = 2√(p/3)·sinh θ and
 * p = linear/cubic, the left side is a multiple of 4 sinh³θ + 3 sinh θ = sinh 3θ, which gives θ.
 */
export function risingCubicRoot(cubic: number, linear: number, value: number): number {
  // Where the cube makes no difference any more, dividing by it would overflow.
  if (cubic <= 1e-14 * linear) return value / linear;
  const p = linear / cubic;
  if (p < 1e-100) return Math.cbrt(value / cubic);
  return 2 * Math.sqrt(p / 3) * Math.sinh(Math.asinh(((1.5 * value) / linear) * Math.sqrt(3 / p)) / 3);
}
