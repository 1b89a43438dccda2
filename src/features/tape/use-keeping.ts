"use client";

import { proxy } from "comlink";
import { useEffect, useRef, useState } from "react";
import { v7 as newId } from "uuid";
import type { ActionInput, ActionName, RecordingFound } from "@/contract";
import type { TapeMapping } from "@/core";
import { base64 } from "@/ui/actions/base64";
import { isTemporary, send, type SendResult } from "@/ui/actions/send";
import { workerClient } from "@/ui/worker/worker-client";
import type { PackedFile, TapeWorker } from "@/workers/tape.worker";
import { startTapeWorker } from "./use-recording";

/** How far a recording is kept. */
export type Keeping =
  | { readonly kind: "not" }
  | { readonly kind: "packing"; readonly share: number }
  /** `waiting` while nothing answers: it goes on by itself. */
  | { readonly kind: "sending"; readonly done: number; readonly of: number; readonly waiting: boolean }
  | { readonly kind: "kept"; readonly id: string }
  | { readonly kind: "refused"; readonly message: string };

export interface ToKeep {
  readonly pilotId: string;
  readonly setupId: string;
  readonly file: File;
  readonly mapping: TapeMapping | null;
  readonly found: RecordingFound;
}

const SHORTEST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 30_000;

/** Sends a recording to the server, piece by piece, over whatever network there is. What is there already is not sent again. */
export function useKeeping() {
  const [keeping, setKeeping] = useState<Keeping>({ kind: "not" });
  /** Stops whatever is under way. */
  const stopping = useRef(new AbortController());
  useEffect(() => () => stopping.current.abort(), []);
  const stop = () => {
    stopping.current.abort();
    setKeeping({ kind: "not" });
  };
  const keep = async (one: ToKeep) => {
    stopping.current.abort();
    const own = new AbortController();
    stopping.current = own;
    const set = (next: Keeping) => {
      if (!own.signal.aborted) setKeeping(next);
    };
    try {
      set({ kind: "packing", share: 0 });
      const packed = await packedFile(one.file, own.signal, (share) => set({ kind: "packing", share }));
      const id = await sendAll(one, packed, own.signal, set);
      set({ kind: "kept", id });
    } catch (error) {
      set({ kind: "refused", message: error instanceof Error ? error.message : "It could not be kept." });
    }
  };
  return { keeping, keep, stop };
}

async function packedFile(file: File, signal: AbortSignal, onProgress: (share: number) => void): Promise<PackedFile> {
  const client = workerClient<TapeWorker>(startTapeWorker);
  signal.addEventListener("abort", client.close);
  try {
    return await client.ask((remote) => remote.packFile(file, proxy(onProgress)));
  } finally {
    client.close();
  }
}

async function sendAll(
  { pilotId, setupId, file, mapping, found }: ToKeep,
  { sha256, pieces }: PackedFile,
  signal: AbortSignal,
  set: (next: Keeping) => void,
): Promise<string> {
  let done = 0;
  const say = (waiting: boolean) => set({ kind: "sending", done, of: pieces.length, waiting });
  const sure = <Name extends ActionName>(action: Name, input: ActionInput<Name>) =>
    untilAnswered(action, input, signal, say);
  say(false);
  const begun = await sure("begin-recording", {
    id: newId(),
    pilotId,
    setupId,
    name: file.name.slice(0, 120),
    sha256,
    bytes: file.size,
    packedBytes: pieces.reduce((sum, piece) => sum + piece.length, 0),
    recordedAtMs: file.lastModified || null,
    mapping,
  });
  if (begun.whole) return begun.id;
  const here = new Set(begun.here);
  done = here.size;
  for (const [number, piece] of pieces.entries()) {
    if (here.has(number)) continue;
    say(false);
    await sure("keep-piece", { id: begun.id, number, packed: base64(piece) });
    done++;
  }
  say(false);
  await sure("finish-recording", { id: begun.id, found });
  return begun.id;
}

/** Sends until something answers; throws with the message of a refusal. What is stopped never comes back. */
async function untilAnswered<Name extends ActionName>(
  action: Name,
  input: ActionInput<Name>,
  signal: AbortSignal,
  say: (waiting: boolean) => void,
): Promise<Extract<SendResult<Name>, { ok: true }>["data"]> {
  for (let waitMs = SHORTEST_WAIT_MS; ; waitMs = Math.min(LONGEST_WAIT_MS, 2 * waitMs)) {
    const result = await send(action, input);
    if (signal.aborted) return new Promise(() => undefined);
    if (result.ok) return result.data;
    if (!isTemporary(result.status) || result.status === 401) throw new Error(result.message);
    say(true);
    await waited(waitMs);
    if (signal.aborted) return new Promise(() => undefined);
  }
}

/** So long, or until the network is back. */
function waited(ms: number): Promise<void> {
  return new Promise((resolve) => {
    const end = () => {
      clearTimeout(timer);
      removeEventListener("online", end);
      resolve();
    };
    const timer = setTimeout(end, ms);
    addEventListener("online", end);
  });
}
