import { isTemporary, send } from "@/ui/actions/send";

/** Something a person did that the server does not have yet. Kept on the device until it does. */
export interface Outgoing {
  readonly key: string;
  readonly sessionId: string;
  readonly action: "log-attempt" | "set-faults" | "set-measured" | "undo-attempt" | "restore-attempt";
  readonly input: object;
  /** Why the server will not take it; it stays here until somebody looks at it. */
  readonly refused?: string;
}

const STORE = "bathygon-outbox";
const listeners = new Set<() => void>();
let cached: { text: string; items: readonly Outgoing[] } = { text: "[]", items: [] };
let flushing = false;
let signedOut = false;

/** Everything waiting on this device, oldest first. The same array as long as nothing changes. */
export function waiting(): readonly Outgoing[] {
  const text = localStorage.getItem(STORE) ?? "[]";
  if (text !== cached.text) cached = { text, items: JSON.parse(text) as Outgoing[] };
  return cached.items;
}

export function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener("storage", listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("storage", listener);
  };
}

/** True when the server last turned us away for want of a sign-in. */
export function needsSignIn(): boolean {
  return signedOut;
}

/** Keeps something to be sent; it is on the device when this returns. */
export function put(item: Outgoing): void {
  write([...waiting(), item]);
  void flush();
}

/** Lets go of something the server refused. */
export function dismiss(key: string): void {
  write(waiting().filter((item) => item.key !== key));
}

/**
 * Sends what is waiting, in order. Stops at the first that nothing answers to; steps over what is refused.
 * Sending twice does no harm: every action carries its own id.
 */
export async function flush(): Promise<void> {
  if (flushing) return;
  flushing = true;
  try {
    for (;;) {
      const next = waiting().find((item) => item.refused === undefined);
      if (!next) return;
      const result = await send(next.action, next.input);
      const turnedAway = !result.ok && result.status === 401;
      if (turnedAway !== signedOut) {
        signedOut = turnedAway;
        tellListeners();
      }
      if (!result.ok && isTemporary(result.status)) return;
      write(
        result.ok
          ? waiting().filter((item) => item.key !== next.key)
          : waiting().map((item) => (item.key === next.key ? { ...item, refused: result.message } : item)),
      );
    }
  } finally {
    flushing = false;
  }
}

function write(items: readonly Outgoing[]): void {
  localStorage.setItem(STORE, JSON.stringify(items));
  tellListeners();
}

function tellListeners(): void {
  for (const listener of listeners) listener();
}
