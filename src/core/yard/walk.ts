import { between, type PlanPoint } from "./point";

/** More stops than this are not walked in the very shortest order, but in a good one. */
const EXACT_UP_TO = 11;

/** The stops in the order of the shortest way from a start past all of them: exact for few (Held and Karp 1962), else the nearest next, crossings undone. */
export function shortestWalk<Stop extends PlanPoint>(start: PlanPoint, stops: readonly Stop[]): readonly Stop[] {
  return stops.length <= EXACT_UP_TO ? exact(start, stops) : uncrossed(start, nearestNext(start, stops));
}

function exact<Stop extends PlanPoint>(start: PlanPoint, stops: readonly Stop[]): readonly Stop[] {
  const count = stops.length;
  const full = (1 << count) - 1;
  const cost = new Float64Array((full + 1) * count).fill(Infinity);
  const before = new Int8Array((full + 1) * count).fill(-1);
  for (let i = 0; i < count; i++) cost[(1 << i) * count + i] = between(start, stops[i]);
  for (let seen = 1; seen <= full; seen++)
    for (let last = 0; last < count; last++) {
      const so = cost[seen * count + last];
      if (!Number.isFinite(so)) continue;
      for (let next = 0; next < count; next++) {
        if (seen & (1 << next)) continue;
        const at = (seen | (1 << next)) * count + next;
        const way = so + between(stops[last], stops[next]);
        if (way < cost[at] - 1e-9) [cost[at], before[at]] = [way, last];
      }
    }
  let last = 0;
  for (let i = 1; i < count; i++) if (cost[full * count + i] < cost[full * count + last] - 1e-9) last = i;
  const order: Stop[] = [];
  for (let seen = full; last >= 0;) {
    order.push(stops[last]);
    const earlier = before[seen * count + last];
    seen &= ~(1 << last);
    last = earlier;
  }
  return order.reverse();
}

function nearestNext<Stop extends PlanPoint>(start: PlanPoint, stops: readonly Stop[]): Stop[] {
  const left = [...stops];
  const order: Stop[] = [];
  for (let here = start; left.length > 0;) {
    let nearest = 0;
    for (let i = 1; i < left.length; i++) if (between(here, left[i]) < between(here, left[nearest])) nearest = i;
    const [next] = left.splice(nearest, 1);
    order.push(next);
    here = next;
  }
  return order;
}

/** Turns pieces of the way round while that makes it shorter (2-opt; Croes 1958). */
function uncrossed<Stop extends PlanPoint>(start: PlanPoint, order: Stop[]): readonly Stop[] {
  const at = (i: number): PlanPoint => (i < 0 ? start : order[i]);
  for (let better = true; better;) {
    better = false;
    for (let i = 0; i < order.length - 1; i++)
      for (let j = i + 1; j < order.length; j++) {
        const beyond = j + 1 < order.length;
        const now = between(at(i - 1), order[i]) + (beyond ? between(order[j], order[j + 1]) : 0);
        const then = between(at(i - 1), order[j]) + (beyond ? between(order[i], order[j + 1]) : 0);
        if (then >= now - 1e-9) continue;
        order.splice(i, j - i + 1, ...order.slice(i, j + 1).reverse());
        better = true;
      }
  }
  return order;
}
