/** Where a session is in its order of turns. */
export interface TurnOrder {
  /** Place in the order. */
  readonly turn: number;
  /** A later turn that is flown now, out of order; null while the order is kept. */
  readonly guest: number | null;
  /** Turns ahead that were flown early: they are passed over when the order comes to them. */
  readonly early: readonly number[];
}

export const FROM_THE_START: TurnOrder = { turn: 0, guest: null, early: [] };

/** Turns of pilots who have left: nobody flies them. */
type Gone = ReadonlySet<number>;
const NOBODY: Gone = new Set();

/** The turn flown now, of so many. */
export function turnNow(order: TurnOrder, count: number, gone: Gone = NOBODY): number {
  const now = (order.guest ?? order.turn) % count;
  return gone.has(now) ? turnsAhead(order, count, gone)[0] : now;
}

/** The turns that follow, in order, round and round: those flown early are left out, the present one comes last. */
export function turnsAhead({ turn, early }: TurnOrder, count: number, gone: Gone = NOBODY): readonly number[] {
  const all = Array.from({ length: count }, (_, i) => (turn + 1 + i) % count);
  const here = all.filter((one) => !gone.has(one));
  const left = here.filter((one) => !early.includes(one));
  return left.length > 0 ? left : here.length > 0 ? here : all;
}

/** The next turn of the order. */
export function nextTurn(order: TurnOrder, count: number, gone: Gone = NOBODY): TurnOrder {
  const [to] = turnsAhead(order, count, gone);
  const passed = (one: number) => (one - order.turn + count) % count <= (to - order.turn + count - 1) % count;
  return { turn: to, guest: null, early: order.early.filter((one) => !passed(one)) };
}

/** Back to the turn before; from one out of order to where the order was left. */
export function turnBefore({ turn, guest, early }: TurnOrder, count: number, gone: Gone = NOBODY): TurnOrder {
  if (guest !== null) return { turn, guest: null, early: early.filter((one) => one !== guest) };
  const before = Array.from({ length: count }, (_, i) => (turn + 2 * count - 1 - i) % count);
  return { turn: before.find((one) => !gone.has(one)) ?? turn, guest: null, early };
}

/** A turn out of order: it is flown now, and the order goes on afterwards where it was left. Nobody else loses theirs. */
export function takeTurn(order: TurnOrder, at: number): TurnOrder {
  const back = { ...order, guest: null };
  return at === order.turn ? back : { ...back, guest: at, early: [...new Set([...order.early, at])] };
}
