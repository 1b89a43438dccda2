/** Something said for some seconds at the foot of the screen. */
export interface Message {
  readonly text: string;
  readonly kind?: "done" | "warning" | "error";
  readonly forMs?: number;
  /** What takes back the thing that is reported. */
  readonly undo?: () => void;
}

const waiting: Message[] = [];
const listeners = new Set<() => void>();

/** Says something; it waits until the part that shows it is there. */
export function tell(text: string, more: Omit<Message, "text"> = {}): void {
  waiting.push({ text, ...more });
  for (const listener of listeners) listener();
}

/** Calls `listener` whenever something waits to be shown, at once too. Returns how to stop. */
export function onTold(listener: () => void): () => void {
  listeners.add(listener);
  if (waiting.length > 0) listener();
  return () => void listeners.delete(listener);
}

/** What waits, which waits no longer. */
export const takeMessages = (): readonly Message[] => waiting.splice(0);
