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
