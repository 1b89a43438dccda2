"use client";

import type { Remote } from "comlink";
import { startTransition, useEffect, useRef, useState } from "react";
import { workerClient, type WorkerClient } from "./worker-client";

/** What came of a request: an answer, or why it was refused. */
export type Answered<T> =
  | { readonly kind: "answer"; readonly answer: T }
  | { readonly kind: "refused"; readonly why: Error };

/**
 * Asks a worker that stays for what is wanted; the newest request wins, and what was answered before stays until then. `pending` is true while the newest
 * is still on its way. `start` and `ask` are those of the first time.
 */
export function useNewest<Request, Answer, Api>(
  request: Request | null,
  start: () => Worker,
  ask: (remote: Remote<Api>, request: Request) => Promise<Answer>,
): { readonly result: Answered<Answer> | null; readonly pending: boolean } {
  const [answer, setAnswer] = useState<{ readonly key: string; readonly result: Answered<Answer> } | null>(null);
  const client = useRef<WorkerClient<Api> | null>(null);
  const busy = useRef(false);
  const wanted = useRef<{ key: string; request: Request } | null>(null);
  const how = useRef({ start, ask });
  const key = request === null ? "" : JSON.stringify(request);

  useEffect(() => {
    const made = workerClient<Api>(how.current.start);
    client.current = made;
    return () => {
      client.current = null;
      made.close();
    };
  }, []);

  useEffect(() => {
    if (key === "") return;
    wanted.current = { key, request: JSON.parse(key) as Request };
    const next = async () => {
      // One at a time: what was asked meanwhile replaces what waits.
      while (wanted.current && client.current) {
        const { key: asked, request: now } = wanted.current;
        wanted.current = null;
        const result = await client.current
          .ask((remote) => how.current.ask(remote, now))
          .then((given): Answered<Answer> => ({ kind: "answer", answer: given }))
          .catch((error: Error): Answered<Answer> => ({ kind: "refused", why: error }));
        // Drawing it holds up nobody's hand.
        startTransition(() => setAnswer({ key: asked, result }));
      }
      busy.current = false;
    };
    if (busy.current) return;
    busy.current = true;
    void next();
  }, [key]);

  return { result: key === "" ? null : (answer?.result ?? null), pending: key !== "" && answer?.key !== key };
}
