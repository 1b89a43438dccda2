import { expose } from "comlink";
import { answering } from "@/contract";
import { LiveTape, type FlownBy, type FoundTrick, type LiveCall, type LiveFaults } from "@/core";

/** How a live recording stands after some lines. */
export interface LiveState {
  readonly calls: readonly LiveCall[];
  readonly tricks: readonly FoundTrick[];
  readonly last: LiveTape["last"];
  readonly lengthS: number;
  readonly rows: number;
  readonly faults: LiveFaults;
}

/** Calls are looked for so often, ms: a trick is called well within half a second of its stop. */
const EVERY_MS = 100;
let tape: LiveTape | null = null;
let askedMs = 0;

const worker = {
  begin(by: FlownBy): void {
    tape = new LiveTape(by);
    askedMs = 0;
  },

  /** Takes lines that arrived at a moment. */
  take(lines: readonly string[], arrivedMs: number): LiveState | null {
    if (!tape) return null;
    for (const line of lines) tape.take(line, arrivedMs);
    const due = arrivedMs - askedMs >= EVERY_MS;
    if (due) askedMs = arrivedMs;
    const calls = due ? tape.calls() : [];
    const { tricks, last, lengthS, rows, faults } = tape;
    return { calls, tricks: [...tricks], last, lengthS, rows, faults };
  },

  /** Lines of the recording from a row on. */
  linesFrom(row: number): readonly string[] {
    return tape?.linesFrom(row) ?? [];
  },
};
export type LiveWorker = {
  readonly [Name in keyof typeof worker]: (
    ...args: Parameters<(typeof worker)[Name]>
  ) => Promise<ReturnType<(typeof worker)[Name]>>;
};

expose(answering(worker as unknown as LiveWorker));
