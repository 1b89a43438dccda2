import type { FieldAction } from "@/contract";
import { isTemporary, send } from "../actions/send";
import { appendToOutbox, changeOutbox, noteSent, readOutbox } from "./device-store";
import type { Outgoing } from "./outgoing";

export type { Outgoing } from "./outgoing";

/** How the outbox stands. */
export interface OutboxState {
  /** Everything waiting on this device, oldest first. */
  readonly items: readonly Outgoing[];
  /** Keys of items that are not on the disk yet. */
  readonly unkept: ReadonlySet<string>;
  /** The accounts whose sign-in is wanted before their items can be sent. */
  readonly signedOutIds: ReadonlySet<string>;
  /** Why this device keeps nothing; null while it does. */
  readonly broken: string | null;
}

const EMPTY: OutboxState = { items: [], unkept: new Set(), signedOutIds: new Set(), broken: null };
const listeners = new Set<() => void>();
/** Tells other tabs of this browser; there is nobody to tell where no page is. */
const channel =
  typeof window === "undefined" || typeof BroadcastChannel === "undefined"
    ? null
    : new BroadcastChannel("bathygon-outbox");
let state = EMPTY;
/** One writing of the device after the other, in the order asked for. */
let writing: Promise<unknown> = Promise.resolve();
let flushing: Promise<void> | null = null;
/** Asked for while it was under way: what came in meanwhile may have been missed. */
let again = false;

export const outboxNow = (): OutboxState => state;
export const emptyOutbox = (): OutboxState => EMPTY;

export function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Reads what waits on this device: after a reload, a crash, or what another tab did. */
export async function reread(): Promise<void> {
  await writing;
  try {
    const kept = (await readOutbox()).map(([, item]) => item);
    const known = new Set(kept.map(({ key }) => key));
    set({
      items: [...kept, ...state.items.filter(({ key }) => state.unkept.has(key) && !known.has(key))],
    });
  } catch (error) {
    set({ broken: why(error) });
  }
}

/** Keeps something to be sent. It is in sight at once, and on the disk when this resolves. */
export function enqueue(item: Outgoing): Promise<void> {
  set({ items: [...state.items, item], unkept: new Set([...state.unkept, item.key]) });
  return write(() => appendToOutbox(item)).then((kept) => {
    if (kept) set({ unkept: new Set([...state.unkept].filter((key) => key !== item.key)) });
    void flush();
  });
}

/** Lets go of something the server refused. */
export function dismiss(key: string): Promise<void> {
  return change((item) => (item.key === key ? null : item));
}

/** Sends something refused again, put right where that is given, with whatever was refused because of it. */
export async function resubmit(key: string, mended?: FieldAction): Promise<void> {
  const id = state.items.find((item) => item.key === key)?.input.id;
  await change((item) => {
    if (item.key === key) return { ...without(item), ...mended };
    return item.input.id === id && item.refused !== undefined ? without(item) : item;
  });
  await flush();
}

const without = ({ refused: _, failedAtMs: __, ...item }: Outgoing): Outgoing => item;

/** An error of the server's own, with this item and not with all of them. */
const FAILED_ON_IT = 500;
const ASIDE_MS = 10 * 60_000;
/** A server may stumble once or twice; what it fails on every time is not held up any longer. */
const MOST_FAILURES = 5;
const failures = new Map<string, number>();

/** Counts a failure; true for one too many. */
function failedAgain(key: string): boolean {
  const count = (failures.get(key) ?? 0) + 1;
  failures.set(key, count);
  return count >= MOST_FAILURES;
}

const isDue = ({ refused, failedAtMs }: Outgoing, nowMs: number): boolean =>
  refused === undefined || (failedAtMs !== undefined && nowMs - failedAtMs > ASIDE_MS);

/**
 * Sends what is waiting, in order, one tab of this device at a time. Stops at the first that nothing answers to; steps over what is
 * refused and over what wants the sign-in of someone else. Sending twice does no harm: every action carries its own id.
 */
export function flush(): Promise<void> {
  if (flushing) again = true;
  flushing ??= sendUntilQuiet().finally(() => {
    flushing = null;
  });
  return flushing;
}

async function sendUntilQuiet(): Promise<void> {
  do {
    again = false;
    await alone(sendAll);
  } while (again);
}

async function sendAll(): Promise<void> {
  await reread();
  const away = new Set<string>();
  for (;;) {
    // What this device cannot keep is sent from memory; what is on its way to the disk is taken off it after it got there.
    const next = state.items.find((item) => isDue(item, Date.now()) && !away.has(item.accountId));
    if (!next) break;
    const result = await send(next.action, next.input, { accountId: next.accountId });
    if (!result.ok && result.status === 401) {
      away.add(next.accountId);
      continue;
    }
    const failed = !result.ok && result.status === FAILED_ON_IT && failedAgain(next.key);
    if (!result.ok && isTemporary(result.status) && !failed) break;
    failures.delete(next.key);
    // Before it leaves the outbox, so that it is in one of both whatever happens between.
    if (result.ok) await write(() => noteSent(sentOf(next)));
    await change((item) => {
      if (item.key !== next.key) return item;
      if (result.ok) return null;
      return { ...without(item), refused: result.message, ...(failed && { failedAtMs: Date.now() }) };
    });
  }
  set({ signedOutIds: away });
}

const sentOf = ({ key: _, accountId: __, refused: ___, failedAtMs: ____, ...sent }: Outgoing) => sent;

/** Runs something while no other tab does, or not at all when one does already. */
async function alone(run: () => Promise<void>): Promise<void> {
  if (typeof navigator.locks === "undefined") return run();
  await navigator.locks.request("bathygon-outbox", { ifAvailable: true }, async (lock) => {
    if (lock) await run();
  });
}

/** Changes items by key, on the device and in sight. */
async function change(each: (item: Outgoing) => Outgoing | null): Promise<void> {
  await write(async () => {
    const changes = (await readOutbox()).flatMap(([key, item]) => {
      const changed = each(item);
      return changed === item ? [] : [[key, changed] as const];
    });
    await changeOutbox(changes);
  });
  set({ items: state.items.flatMap((item) => each(item) ?? []) });
}

/** One after the other; what goes wrong is said, and what is in sight stays in sight. */
function write(run: () => Promise<void>): Promise<boolean> {
  const done = writing.then(run).then(
    () => {
      if (state.broken !== null) set({ broken: null });
      channel?.postMessage("changed");
      return true;
    },
    (error: unknown) => {
      set({ broken: why(error) });
      return false;
    },
  );
  writing = done;
  return done;
}

const why = (error: unknown) => (error instanceof Error ? error.message : String(error));

function set(part: Partial<OutboxState>): void {
  state = { ...state, ...part };
  for (const listener of listeners) listener();
}

channel?.addEventListener("message", () => void reread());
