/** A recording that one screen hands to the other; it lives as long as the page does. */
export interface HandedOver {
  readonly file: File;
  /** Called once it is kept on the server: who handed it over need not keep it any longer. */
  readonly onKept: () => void;
}

let waiting: HandedOver | null = null;

export function handOver(one: HandedOver): void {
  waiting = one;
}

/** What was handed over, once. */
export function takeHandedOver(): HandedOver | null {
  const one = waiting;
  waiting = null;
  return one;
}
