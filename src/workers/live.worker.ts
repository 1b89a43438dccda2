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
  async begin(by: FlownBy): Promise<void> {
    tape = new LiveTape(by);
    askedMs = 0;
  },

  /** Takes lines that arrived at a moment. */
  async take(lines: readonly string[], arrivedMs: number): Promise<LiveState | null> {
    if (!tape) return null;
    for (const line of lines) tape.take(line, arrivedMs);
    const due = arrivedMs - askedMs >= EVERY_MS;
    if (due) askedMs = arrivedMs;
    const calls = due ? tape.calls() : [];
    const { tricks, last, lengthS, rows, faults } = tape;
    return { calls, tricks: [...tricks], last, lengthS, rows, faults };
  },

  /** From a call at a moment to the first stick that answers it, s. */
  async reactionS(calledMs: number): Promise<number | null> {
    return tape?.reactionS(calledMs) ?? null;
  },

  /** Lines of the recording from a row on. */
  async linesFrom(row: number): Promise<readonly string[]> {
    return tape?.linesFrom(row) ?? [];
  },
};
export type LiveWorker = typeof worker;

expose(answering(worker));
