"use client";

import { useCallback, useEffect, useMemo, useState } from "react";
import { isCount, isRecord, readDevice, writeDevice } from "../device/device-storage";

const MOST_STEPS = 100;

interface State<T> {
  /** The version that is changed, by its number. */
  readonly basedOn: number;
  readonly document: T;
  readonly past: readonly T[];
  readonly future: readonly T[];
  /** What the last change belongs to: a drag or a key held down is undone as one. */
  readonly gesture: string | null;
  readonly restored: boolean;
  /** Since it was begun or dropped. */
  readonly touched: boolean;
}

const fresh = <T>(document: T, basedOn: number): State<T> => ({
  basedOn,
  document,
  past: [],
  future: [],
  gesture: null,
  restored: false,
  touched: false,
});

/**
 * What somebody has changed and not saved, kept on this device under `key` over reloads until it is saved or dropped; with undo and redo. `isWhole`
 * tells whether what was kept is one of these at all.
 */
export function useDraft<T>({
  key,
  saved,
  basedOn,
  isWhole,
  renewed = (kept) => kept,
}: {
  readonly key: string;
  readonly saved: T;
  readonly basedOn: number;
  readonly isWhole: (document: unknown) => document is T;
  /** What was kept, with everything named as it is now. */
  readonly renewed?: (kept: unknown) => unknown;
}) {
  const [state, setState] = useState<State<T>>(() => fresh(saved, basedOn));
  useEffect(() => {
    const kept = readDevice(key);
    if (!isRecord(kept)) return;
    const known = renewed(kept.document);
    if (!isWhole(known)) return;
    // The draft lives in the browser only, so it can be read no sooner than here.
    setState({ ...fresh(known, isCount(kept.basedOn) ? kept.basedOn : basedOn), restored: true });
    // oxlint-disable-next-line react/exhaustive-deps -- another judge of the same thing does not make it be read again
  }, [key]);
  const { document, past, future, touched } = state;
  useEffect(() => {
    if (touched) writeDevice(key, { basedOn: state.basedOn, document });
  }, [key, touched, state.basedOn, document]);
  const change = useCallback(
    (next: T, gesture: string | null = null) =>
      setState((now) => ({
        ...now,
        document: next,
        past: gesture !== null && gesture === now.gesture ? now.past : [...now.past.slice(-MOST_STEPS), now.document],
        future: [],
        gesture,
        touched: true,
      })),
    [],
  );
  const drop = useCallback(
    (to: T, number: number) => {
      writeDevice(key, null);
      setState(fresh(to, number));
    },
    [key],
  );
  const go = useCallback(
    (step: (now: State<T>) => State<T>) => () => setState((now) => ({ ...step(now), gesture: null, touched: true })),
    [],
  );
  return useMemo(
    () => ({
      basedOn: state.basedOn,
      document,
      restored: state.restored,
      changed: document !== saved,
      /** Changes of one gesture are undone together. */
      change,
      undo: past.length > 0 ? go(back) : null,
      redo: future.length > 0 ? go(forth) : null,
      /** Forgets the draft and goes on from what is saved. */
      drop,
    }),
    [state.basedOn, state.restored, document, saved, past.length, future.length, change, drop, go],
  );
}

const back = <T>(now: State<T>): State<T> => ({
  ...now,
  document: now.past[now.past.length - 1],
  past: now.past.slice(0, -1),
  future: [now.document, ...now.future],
});

const forth = <T>(now: State<T>): State<T> => ({
  ...now,
  document: now.future[0],
  past: [...now.past, now.document],
  future: now.future.slice(1),
});

export type Draft<T> = ReturnType<typeof useDraft<T>>;
