import "server-only";
import path from "node:path";
import { Worker } from "node:worker_threads";
import type { Content, TDocumentDefinitions } from "pdfmake/interfaces";

/** How a table is ruled: lines between its rows, and the room about each cell, above, right, below and left. */
export interface Ruled {
  readonly colour: string;
  readonly widthPt: number;
  readonly paddingPt: readonly [number, number, number, number];
}

/** A document as plain data, so that it can be set elsewhere. Tables name in `layout` how they are ruled. */
export interface Paper extends Omit<TDocumentDefinitions, "footer"> {
  /** At the foot of every page; {page} and {pages} in its texts stand for numbers. */
  readonly footer?: Content;
  readonly ruled?: Readonly<Record<string, Ruled>>;
}

/** No document takes so long; whoever waits behind it is not kept. */
const LONGEST_MS = 60_000;
const MOST_MB = 192;

type Answer = { readonly id: number; readonly bytes?: Uint8Array<ArrayBuffer>; readonly error?: string };
interface Waiting {
  readonly done: (bytes: Uint8Array<ArrayBuffer>) => void;
  readonly fail: (error: Error) => void;
}

/** The thread that sets documents, and who waits for which; null until somebody asks, and after it ended. */
let setter: { readonly worker: Worker; readonly waiting: Map<number, Waiting> } | null = null;
let asked = 0;

function startSetter(): NonNullable<typeof setter> {
  const worker = new Worker(path.join(process.cwd(), "src/server/files/pdf-worker.mjs"), {
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    // What the process was started with is not for this thread: a test's hooks, a profiler.
    execArgv: [],
  });
  // It keeps nobody from ending.
  worker.unref();
  const started = { worker, waiting: new Map<number, Waiting>() };
  const ended = (error: Error) => {
    if (setter === started) setter = null;
    for (const { fail } of started.waiting.values()) fail(error);
    started.waiting.clear();
  };
  worker.on("message", ({ id, bytes, error }: Answer) => {
    const one = started.waiting.get(id);
    if (bytes) one?.done(bytes);
    else one?.fail(new Error(`A document could not be set: ${error}`));
  });
  worker.on("error", ended);
  worker.on("exit", (code) => ended(new Error(`The thread that sets documents ended with ${code}`)));
  return started;
}

/** A document as PDF, in the two shipped typefaces; set in a thread of its own, one after the other. Throws when that takes over a minute. */
export async function pdfOf(paper: Paper): Promise<Uint8Array<ArrayBuffer>> {
  const { worker, waiting } = (setter ??= startSetter());
  const id = asked++;
  let tooLong: NodeJS.Timeout | undefined;
  try {
    return await new Promise((done, fail) => {
      waiting.set(id, { done, fail });
      worker.ref();
      tooLong = setTimeout(() => {
        fail(new Error(`A document took over ${LONGEST_MS / 1000} s`));
        void worker.terminate();
      }, LONGEST_MS);
      worker.postMessage({ id, paper });
    });
  } finally {
    clearTimeout(tooLong);
    waiting.delete(id);
    if (waiting.size === 0) worker.unref();
  }
}
