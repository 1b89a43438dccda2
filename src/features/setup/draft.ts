"use client";

import { useEffect, useState } from "react";
import { requireSettings, type Settings } from "@/core";

const key = (aircraftId: string) => `bathygon-setup-draft-${aircraftId}`;

/** What a person has changed and not saved, kept on this device over reloads until it is saved or dropped. */
export interface Draft {
  readonly settings: Settings;
  readonly reason: string;
}

/** What can be gone back to, and when it was left. */
interface Step {
  readonly draft: Draft;
  readonly atMs: number;
}

const ONE_DRAG_MS = 700;
const MOST_STEPS = 100;

/**
 * The draft for one aircraft, starting from `saved`. `restored` is true when it came back from an earlier visit.
 * A kept draft that no longer makes sense is
 * dropped. `undo` and `redo` are null where there is nothing to go to.
 */
export function useDraft(aircraftId: string, saved: Settings) {
  const [draft, setDraft] = useState<Draft>({ settings: saved, reason: "" });
  const [restored, setRestored] = useState(false);
  const [past, setPast] = useState<readonly Step[]>([]);
  const [future, setFuture] = useState<readonly Draft[]>([]);
  useEffect(() => {
    const kept = read(aircraftId);
    if (!kept) return;
    // The draft lives in the browser only, so it can be read no sooner than here.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setDraft(kept);
    setRestored(true);
  }, [aircraftId]);
  const show = (next: Draft) => {
    setDraft(next);
    localStorage.setItem(key(aircraftId), JSON.stringify(next));
  };
  const change = (next: Draft) => {
    const now = Date.now();
    // One drag of a slider is one step back, not fifty.
    setPast((steps) => {
      const dragging = steps.length > 0 && now - steps[steps.length - 1].atMs < ONE_DRAG_MS;
      return dragging
        ? [...steps.slice(0, -1), { ...steps[steps.length - 1], atMs: now }]
        : [...steps.slice(-MOST_STEPS), { draft, atMs: now }];
    });
    setFuture([]);
    show(next);
  };
  const undo = () => {
    const last = past.at(-1);
    if (!last) return;
    setPast(past.slice(0, -1));
    setFuture([draft, ...future]);
    show(last.draft);
  };
  const redo = () => {
    const [next, ...rest] = future;
    if (!next) return;
    setPast([...past, { draft, atMs: 0 }]);
    setFuture(rest);
    show(next);
  };
  const drop = (settings: Settings) => {
    localStorage.removeItem(key(aircraftId));
    setDraft({ settings, reason: "" });
    setRestored(false);
    setPast([]);
    setFuture([]);
  };
  return { draft, restored, change, drop, undo: past.length ? undo : null, redo: future.length ? redo : null };
}

function read(aircraftId: string): Draft | null {
  try {
    const { settings, reason } = JSON.parse(localStorage.getItem(key(aircraftId)) ?? "null") as Draft;
    return { settings: requireSettings(settings), reason: String(reason) };
  } catch {
    return null;
  }
}
