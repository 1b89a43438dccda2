/**
 * Non-negative least squares for a handful of columns: coefficients ≥ 0 that minimise |Σ cⱼ·columnⱼ − target|².
 * Every subset of columns is solved by its normal equations and the best non-negative one wins (exact for so few columns).
 */
export function nonNegativeLeastSquares(
  columns: readonly (readonly number[])[],
  target: readonly number[],
): { coefficients: number[]; squaredError: number } {
  const count = columns.length;
  let best = { coefficients: new Array<number>(count).fill(0), squaredError: dot(target, target) };
  for (let subset = 1; subset < 1 << count; subset++) {
    const used = columns.map((_, j) => j).filter((j) => subset & (1 << j));
    const solved = solveNormalEquations(
      used.map((j) => columns[j]),
      target,
    );
    if (!solved || solved.some((c) => c < 0)) continue;
    const coefficients = new Array<number>(count).fill(0);
    used.forEach((j, k) => (coefficients[j] = solved[k]));
    let squaredError = 0;
    for (let i = 0; i < target.length; i++) {
      let residual = -target[i];
      for (const j of used) residual += coefficients[j] * columns[j][i];
      squaredError += residual * residual;
    }
    if (squaredError < best.squaredError) best = { coefficients, squaredError };
  }
  return best;
}

function solveNormalEquations(columns: readonly (readonly number[])[], target: readonly number[]): number[] | null {
  return solvedLinear(columns.map((a) => [...columns.map((b) => dot(a, b)), dot(a, target)]));
}

/**
 * The values that a system of linear equations gives, row by row its coefficients and then its right side; null where a pivot vanishes. Gauss's
 * elimination without exchanges: for matrices that are symmetric and positive definite, as normal equations are. The rows are used up.
 */
export function solvedLinear(rows: readonly number[][]): number[] | null {
  const n = rows.length;
  for (let i = 0; i < n; i++) {
    if (Math.abs(rows[i][i]) < 1e-12) return null;
    for (let k = i + 1; k < n; k++) {
      const factor = rows[k][i] / rows[i][i];
      for (let j = i; j <= n; j++) rows[k][j] -= factor * rows[i][j];
    }
  }
  const solution = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = rows[i][n];
    for (let j = i + 1; j < n; j++) sum -= rows[i][j] * solution[j];
    solution[i] = sum / rows[i][i];
  }
  return solution;
}

function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
  return sum;
}
