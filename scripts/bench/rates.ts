import { posteriorOf, seededRandom } from "@/core";

/** How often the 90 % interval of a clean rate holds the rate, of rates that rise, fall, jump and stay: at the end, and after every attempt. */

const RUNS = 1000;
const courses: readonly (readonly [string, number, (n: number) => number])[] = [
  ["rises from 0.2 to 0.9 over 40 tries", 40, (n) => 0.2 + (0.7 * n) / 40],
  ["the same, then stays for 20", 60, (n) => (n < 40 ? 0.2 + (0.7 * n) / 40 : 0.9)],
  ["stays at 0.5", 40, () => 0.5],
  ["stays at 0.9", 40, () => 0.9],
  ["stays at 0.15", 40, () => 0.15],
  ["falls from 0.9 to 0.3", 40, (n) => 0.9 - (0.6 * n) / 40],
  ["jumps from 0.3 to 0.8 after 20", 40, (n) => (n < 20 ? 0.3 : 0.8)],
];

for (const [name, tries, rate] of courses) {
  const uniform = seededRandom(1);
  let atEnd = 0;
  let always = 0;
  let width = 0;
  for (let run = 0; run < RUNS; run++) {
    const flown = Array.from({ length: tries }, (_, n) => ({
      outcome: uniform() < rate(n) ? ("clean" as const) : ("rough" as const),
    }));
    for (let n = 1; n <= tries; n++) {
      const { low, high } = posteriorOf(flown.slice(0, n), 0.75);
      const holds = low <= rate(n - 1) && rate(n - 1) <= high;
      if (holds) always++;
      if (n < tries) continue;
      if (holds) atEnd++;
      width += high - low;
    }
  }
  const share = (count: number) => `${((100 * count) / RUNS).toFixed(1)} %`;
  console.log(
    `${name.padEnd(38)} at the end ${share(atEnd)}, after every try ${share(always / tries)}, wide ${(width / RUNS).toFixed(2)}`,
  );
}
