import type { FieldAction } from "@/contract";

interface Waiting {
  readonly key: string;
  /** The account that did it: nobody else's sign-in sends it. */
  readonly accountId: string;
  readonly sessionId: string;
  /** Why the server will not take it; it stays here until somebody mends or drops it. */
  readonly refused?: string;
  /** When the server failed on it, ms: set aside so that the rest goes on, and tried again after a while. */
  readonly failedAtMs?: number;
}

/** Something a person did in a session that the server does not have yet. Kept on the device until it does. */
export type Outgoing = FieldAction & Waiting;
