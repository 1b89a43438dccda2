"use client";

import { useCallback, useMemo, useRef } from "react";
import { requireSettings, withRise, type Settings } from "@/core";
import { useDraft } from "../drafts/use-draft";

/** What a person has changed in the settings of an aircraft and not saved. */
export interface SetupDraft {
  readonly settings: Settings;
  readonly reason: string;
}

/** Changes that follow one another so fast are one drag of a slider. */
const ONE_DRAG_MS = 700;

function isWhole(kept: unknown): kept is SetupDraft {
  try {
    const { settings, reason } = kept as SetupDraft;
    requireSettings(settings);
    return typeof reason === "string";
  } catch {
    return false;
  }
}

/** The draft for one aircraft, starting from `saved`. A kept draft that no longer makes sense is dropped. */
export function useSetupDraft(aircraftId: string, saved: Settings) {
  const start = useMemo<SetupDraft>(() => ({ settings: saved, reason: "" }), [saved]);
  const key = `bathygon-setup-draft-${aircraftId}`;
  const draft = useDraft({ key, saved: start, basedOn: 0, isWhole, renewed: withRise });
  const { change, drop } = draft;
  const last = useRef({ atMs: 0, drag: 0 });
  const changeInDrags = useCallback(
    (next: SetupDraft) => {
      const nowMs = Date.now();
      const { atMs, drag } = last.current;
      last.current = { atMs: nowMs, drag: nowMs - atMs < ONE_DRAG_MS ? drag : drag + 1 };
      change(next, `drag ${last.current.drag}`);
    },
    [change],
  );
  const dropTo = useCallback((settings: Settings) => drop({ settings, reason: "" }, 0), [drop]);
  return useMemo(
    () => ({ ...draft, draft: draft.document, change: changeInDrags, drop: dropTo }),
    [draft, changeInDrags, dropTo],
  );
}
