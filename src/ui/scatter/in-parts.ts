/** Flights a worker flies before it is asked again: small enough that progress moves and all end together. */
const AT_A_TIME = 25;

/** Flies runs a part at a time, each part wherever a worker is free; `onFlown` hears how many of them were flown when a part is done. */
export function inParts<T>(
  runs: number,
  fly: (from: number, to: number) => Promise<T>,
  onFlown: (flown: number) => void,
): Promise<readonly T[]> {
  const starts = Array.from({ length: Math.ceil(runs / AT_A_TIME) }, (_, i) => i * AT_A_TIME);
  return Promise.all(
    starts.map(async (from) => {
      const to = Math.min(runs, from + AT_A_TIME);
      const part = await fly(from, to);
      onFlown(to - from);
      return part;
    }),
  );
}
