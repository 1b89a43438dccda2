"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { v7 as newId } from "uuid";
import type { FlownBy, LiveCall } from "@/core";
import { workerClient, type WorkerClient } from "@/ui/worker/worker-client";
import type { LiveState, LiveWorker } from "@/workers/live.worker";
import { beginLive, keepLines } from "./live-store";
import type { LineState, LiveSource } from "./sources";

const start = () => new Worker(new URL("../../workers/live.worker.ts", import.meta.url), { type: "module" });
const EVERY_MS = 60;
const KEEP_MS = 2000;
const HEARD_MS = 500;

/** The computing broke off, or the device keeps no more of what comes. */
export type LiveTrouble = "broke" | "not-kept";

export interface Running {
  readonly id: string;
  readonly beganMs: number;
  readonly source: LiveSource;
}

/** Listens to a source: its frames go to a worker that calls the tricks, and on this device as they come. Answers go to `onAnswer`, calls to `onCalls`. */
export function useLive(
  by: FlownBy,
  pilotId: string,
  {
    onAnswer,
    onCalls,
  }: { readonly onAnswer: (line: string) => void; readonly onCalls: (calls: readonly LiveCall[]) => void },
) {
  const [running, setRunning] = useState<Running | null>(null);
  const [line, setLine] = useState<LineState>("closed");
  const [state, setState] = useState<LiveState | null>(null);
  const [keptRows, setKeptRows] = useState(0);
  const [trouble, setTrouble] = useState<LiveTrouble | null>(null);
  /** When rows came last, by the page's clock. */
  const heardMs = useRef(-Infinity);
  const stopping = useRef<() => Promise<void>>(async () => undefined);
  const reaction = useRef<(calledMs: number) => Promise<number | null>>(async () => null);
  const told = useRef({ onAnswer, onCalls });
  useEffect(() => {
    told.current = { onAnswer, onCalls };
  });
  const stop = useCallback(async () => {
    await stopping.current();
    setRunning(null);
    setLine("closed");
  }, []);
  useEffect(() => () => void stopping.current(), []);
  const listen = async (source: LiveSource) => {
    await stop();
    const client: WorkerClient<LiveWorker> = workerClient<LiveWorker>(start);
    const one = { id: newId(), beganMs: Date.now(), source };
    reaction.current = (calledMs) => client.ask((remote) => remote.reactionS(calledMs));
    await client.ask((remote) => remote.begin(by));
    await beginLive({ id: one.id, pilotId, beganMs: one.beganMs });
    let waiting: string[] = [];
    let [busy, kept] = [false, 0];
    let current = true;
    const takeAll = async () => {
      if (busy || waiting.length === 0) return;
      busy = true;
      const lines = waiting;
      waiting = [];
      heardMs.current = performance.now();
      const now = await client.ask((remote) => remote.take(lines, performance.now()));
      busy = false;
      if (!now || !current) return;
      setState(now);
      if (now.calls.length > 0) told.current.onCalls(now.calls);
    };
    const keep = async () => {
      const lines = await client.ask((remote) => remote.linesFrom(kept));
      if (lines.length === 0) return;
      await keepLines(one.id, kept, lines);
      kept += lines.length;
      if (current) setKeptRows(kept);
    };
    // A worker that broke has lost what was not kept: nothing goes on as if it were there.
    const takeSafely = () => takeAll().catch(() => end("broke"));
    const keepSafely = () =>
      keep().then(
        () => current && setTrouble((was) => (was === "not-kept" ? null : was)),
        () => current && setTrouble("not-kept"),
      );
    const timers = [setInterval(() => void takeSafely(), EVERY_MS), setInterval(() => void keepSafely(), KEEP_MS)];
    const end = (why: LiveTrouble | null) => {
      stopping.current = async () => undefined;
      reaction.current = async () => null;
      source.close();
      timers.forEach(clearInterval);
      if (why && current) {
        setTrouble(why);
        setRunning(null);
      }
      current = false;
      client.close();
    };
    stopping.current = async () => {
      source.close();
      timers.forEach(clearInterval);
      await takeSafely();
      await keepSafely();
      end(null);
    };
    setState(null);
    setTrouble(null);
    setKeptRows(0);
    setRunning(one);
    source.open({
      hear: (lines) => {
        for (const text of lines) {
          if (text.startsWith("{")) told.current.onAnswer(text);
          else if (text.trim() !== "") waiting.push(text);
        }
      },
      state: setLine,
    });
  };
  /** Whether the aircraft was heard just now. */
  const isHeard = () => performance.now() - heardMs.current < HEARD_MS;
  const reactionS = useCallback((calledMs: number) => reaction.current(calledMs), []);
  return { running, line, state, keptRows, trouble, isHeard, reactionS, listen, stop };
}
