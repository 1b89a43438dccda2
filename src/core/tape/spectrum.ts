/** Discrete Fourier transform of `2^n` complex numbers in place (Cooley and Tukey 1965). Throws nothing; lengths are the caller's to keep. */
export function transform(re: Float64Array, im: Float64Array): void {
  const n = re.length;
  for (let i = 1, j = 0; i < n; i++) {
    let bit = n >> 1;
    for (; j & bit; bit >>= 1) j ^= bit;
    j ^= bit;
    if (i < j) {
      [re[i], re[j]] = [re[j], re[i]];
      [im[i], im[j]] = [im[j], im[i]];
    }
  }
  for (let size = 2; size <= n; size <<= 1) {
    const step = (-2 * Math.PI) / size;
    for (let k = 0; k < size / 2; k++) {
      const [cos, sin] = [Math.cos(step * k), Math.sin(step * k)];
      for (let i = k; i < n; i += size) {
        const j = i + size / 2;
        const [a, b] = [re[j] * cos - im[j] * sin, re[j] * sin + im[j] * cos];
        re[j] = re[i] - a;
        im[j] = im[i] - b;
        re[i] += a;
        im[i] += b;
      }
    }
  }
}

/** The least power of two that is no less. */
export const powerOfTwo = (n: number): number => 2 ** Math.ceil(Math.log2(Math.max(1, n)));

/** Complex spectrum of a stretch of numbers, its mean off and tapered by a Hann window; amplitudes are those of sines. */
export function spectrumOf(values: Float32Array, from: number, length: number) {
  const size = powerOfTwo(length);
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  let mean = 0;
  for (let i = 0; i < length; i++) mean += values[from + i] / length;
  for (let i = 0; i < length; i++) {
    const taper = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / (length - 1));
    re[i] = ((values[from + i] - mean) * taper * 4) / length;
  }
  transform(re, im);
  return { re, im, size };
}
