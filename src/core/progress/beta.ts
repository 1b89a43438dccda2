import { requireNumber } from "../numbers";

/** Share of a Beta(a, b) distribution below x: the regularised incomplete beta function I_x(a, b). */
export function betaCdf(x: number, a: number, b: number): number {
  requireNumber("x", x, 0, 1);
  requireNumber("a", a, 1e-6, 1e7);
  requireNumber("b", b, 1e-6, 1e7);
  if (x === 0 || x === 1) return x;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log1p(-x));
  // The fraction converges fast on the near side of the mean; the symmetry I_x(a,b) = 1 − I_{1−x}(b,a) gives the other.
  return x < (a + 1) / (a + b + 2) ? (front * fraction(x, a, b)) / a : 1 - (front * fraction(1 - x, b, a)) / b;
}

/** The x below which a Beta(a, b) distribution has the given share: Newton's steps on `betaCdf`, halving where one would leave the bracket. */
export function betaQuantile(share: number, a: number, b: number): number {
  requireNumber("share", share, 0, 1);
  if (share === 0 || share === 1) return share;
  let low = 0;
  let high = 1;
  let x = a / (a + b);
  for (let i = 0; i < 100; i++) {
    const miss = betaCdf(x, a, b) - share;
    if (Math.abs(miss) < 1e-14) return x;
    if (miss < 0) low = x;
    else high = x;
    const next = x - miss / betaDensity(x, a, b);
    const inside = next > low && next < high;
    const moved = inside ? next : 0.5 * (low + high);
    if (Math.abs(moved - x) < 1e-15) return moved;
    x = moved;
  }
  return x;
}

/** Density of a Beta(a, b) distribution at x. */
export function betaDensity(x: number, a: number, b: number): number {
  return Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + (a - 1) * Math.log(x) + (b - 1) * Math.log1p(-x));
}

/** Continued fraction of the incomplete beta function (Abramowitz and Stegun 26.5.8) by Lentz's method. */
function fraction(x: number, a: number, b: number): number {
  const tiny = 1e-300;
  const guard = (value: number) => (Math.abs(value) < tiny ? tiny : value);
  let c = 1;
  let d = 1 / guard(1 - ((a + b) * x) / (a + 1));
  let result = d;
  for (let m = 1; m <= 500; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / guard(1 + even * d);
    c = guard(1 + even / c);
    result *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / guard(1 + odd * d);
    c = guard(1 + odd / c);
    const change = d * c;
    result *= change;
    if (Math.abs(change - 1) < 1e-15) break;
  }
  return result;
}

/** ln Γ(x) for x > 0 (Lanczos 1964, g = 7, nine coefficients). */
function logGamma(x: number): number {
  const coefficients = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
    12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const t = x - 1 + 7.5;
  let sum = coefficients[0];
  for (let i = 1; i < coefficients.length; i++) sum += coefficients[i] / (x - 1 + i);
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}
