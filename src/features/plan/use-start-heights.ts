"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { StartHeight } from "@/core";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { createPool, type Pool } from "@/ui/scatter/pool";
import { keepOnServer, keptStartHeight, workOut } from "@/ui/start-height/work-out";
import type { Asked } from "./start-heights";

/** Minimum start heights of a plan, by the key of what they depend on; null for a trick that does not go. What nobody worked out yet is not there. */
export interface StartHeights {
  readonly known: ReadonlyMap<string, StartHeight | null>;
  /** How many are asked for and not known. */
  readonly missing: number;
  /** While they are worked out here: how many are done of how many. */
  readonly working: { readonly done: number; readonly of: number } | null;
  readonly workOutMissing: () => void;
  readonly why: Error | null;
}

/** Looks up what the server keeps; works out the rest one after the other when asked to, on all cores, and has each kept. */
export function useStartHeights(inputs: Asked): StartHeights {
  const inBrowser = useHydrated();
  const asked = useMemo(
    () => new Map(inBrowser ? inputs.map(([, one, key]) => [key(), one] as const) : []),
    [inputs, inBrowser],
  );
  const [known, setKnown] = useState<ReadonlyMap<string, StartHeight | null>>(new Map());
  const [working, setWorking] = useState<StartHeights["working"]>(null);
  const [why, setWhy] = useState<Error | null>(null);
  const looked = useRef(new Set<string>());
  const pool = useRef<Pool | null>(null);
  useEffect(() => () => pool.current?.close(), []);
  const add = useCallback(
    (key: string, height: StartHeight | null) => setKnown((now) => new Map(now).set(key, height)),
    [],
  );
  useEffect(() => {
    for (const key of asked.keys()) {
      if (looked.current.has(key)) continue;
      looked.current.add(key);
      void keptStartHeight(key).then((kept) => kept && add(key, kept));
    }
  }, [asked, add]);
  const missing = [...asked].filter(([key]) => !known.has(key));
  // Before that every one of them is, as far as anybody knows.
  const count = inBrowser ? missing.length : inputs.length;
  const workOutMissing = () => {
    const own = (pool.current ??= createPool());
    const work = async () => {
      setWhy(null);
      for (const [done, [key, one]] of missing.entries()) {
        setWorking({ done, of: missing.length });
        const height = await workOut(own, one);
        if (height) void keepOnServer(key, height);
        add(key, height);
      }
    };
    work()
      .catch((error: Error) => setWhy(error))
      .finally(() => setWorking(null));
  };
  return { known, missing: count, working, workOutMissing, why };
}
