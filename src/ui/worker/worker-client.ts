import { unlessRefused } from "@/contract";
import { releaseProxy, wrap, type Remote } from "comlink";

/** The one way to ask a web worker something. */
export interface WorkerClient<Api> {
  /** Rejects with a DomainError when the input is refused, and when the worker breaks; whoever asks next gets a new one. Never settles once the client is closed. */
  readonly ask: <Answer>(call: (remote: Remote<Api>) => Promise<Answer>) => Promise<Answer>;
  /** Ends the worker with whatever it is at. */
  readonly close: () => void;
}

interface Running<Api> {
  readonly worker: Worker;
  readonly remote: Remote<Api>;
  /** The same, a refusal of any call rejected: several may be asked in one go. */
  readonly told: Remote<Api>;
  readonly broken: Promise<never>;
}

type Call = (...given: readonly unknown[]) => Promise<unknown>;

/** What is asked of a worker, with what it refuses thrown instead of answered as data. */
const rejecting = <Api>(remote: Remote<Api>): Remote<Api> =>
  new Proxy({} as Remote<Api> & object, {
    get: (_, name: string): Call => {
      const calls = remote as unknown as Readonly<Record<string, Call>>;
      return async (...given) => unlessRefused(await calls[name](...given));
    },
  });

/** A worker that `start` makes when it is first asked, and again after it broke. */
export function workerClient<Api>(start: () => Worker): WorkerClient<Api> {
  let running: Running<Api> | null = null;
  let closed = false;
  const stop = () => {
    running?.remote[releaseProxy]();
    running?.worker.terminate();
    running = null;
  };
  const begin = (): Running<Api> => {
    const worker = start();
    // A worker that breaks answers nothing: without this whoever asked would wait for ever.
    const broken = new Promise<never>((_, reject) => {
      worker.onerror = (event) => {
        stop();
        reject(new Error(event.message || "The computation could not be started."));
      };
    });
    broken.catch(() => undefined);
    const remote = wrap<Api>(worker);
    return { worker, remote, told: rejecting(remote), broken };
  };
  return {
    ask: async (call) => {
      if (closed) return new Promise(() => undefined);
      running ??= begin();
      return Promise.race([call(running.told), running.broken]);
    },
    close: () => {
      closed = true;
      stop();
    },
  };
}
