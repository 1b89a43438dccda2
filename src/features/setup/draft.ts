"use client";

import { useEffect, useState } from "react";
import { requireSettings, type Settings } from "@/core";

const key = (aircraftId: string) => `bathygon-setup-draft-${aircraftId}`;

/** What a person has changed and not saved, kept on this device over reloads until it is saved or dropped. */
export interface Draft {
  readonly settings: Settings;
  readonly reason: string;
}

/**
 * The draft for one aircraft, starting from `saved`. `restored` is true when it came back from an earlier visit.
 * A kept draft that no longer makes sense is dropped.
 */
export function useDraft(aircraftId: string, saved: Settings) {
  const [draft, setDraft] = useState<Draft>({ settings: saved, reason: "" });
  const [restored, setRestored] = useState(false);
  useEffect(() => {
    const kept = read(aircraftId);
    if (!kept) return;
    // The draft lives in the browser only, so it can be read no sooner than here.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setDraft(kept);
    setRestored(true);
  }, [aircraftId]);
  const change = (next: Draft) => {
    setDraft(next);
    localStorage.setItem(key(aircraftId), JSON.stringify(next));
  };
  const drop = (settings: Settings) => {
    localStorage.removeItem(key(aircraftId));
    setDraft({ settings, reason: "" });
    setRestored(false);
  };
  return { draft, restored, change, drop };
}

function read(aircraftId: string): Draft | null {
  try {
    const { settings, reason } = JSON.parse(localStorage.getItem(key(aircraftId)) ?? "null") as Draft;
    return { settings: requireSettings(settings), reason: String(reason) };
  } catch {
    return null;
  }
}
