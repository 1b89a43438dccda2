"use client";

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from "react";

interface BadFields {
  readonly any: boolean;
  readonly mark: (id: string, bad: boolean) => void;
}

const Context = createContext<BadFields | null>(null);

/** Knows whether any number inside it is typed in a way that cannot be taken, so that nothing is saved without it. */
export function BadFieldsProvider({ children }: { children: ReactNode }) {
  const [bad, setBad] = useState<ReadonlySet<string>>(new Set());
  const mark = useCallback((id: string, isBad: boolean) => {
    setBad((known) => {
      if (known.has(id) === isBad) return known;
      const next = new Set(known);
      if (isBad) next.add(id);
      else next.delete(id);
      return next;
    });
  }, []);
  const value = useMemo(() => ({ any: bad.size > 0, mark }), [bad, mark]);
  return <Context value={value}>{children}</Context>;
}

export function useBadFields(): BadFields {
  const context = useContext(Context);
  if (!context) throw new Error("useBadFields needs BadFieldsProvider around it");
  return context;
}

/** Tells the form round a field whether the field is bad, and that it is not once it goes. */
export function useMarkBad(id: string, bad: boolean): void {
  const { mark } = useBadFields();
  useEffect(() => {
    mark(id, bad);
    return () => mark(id, false);
  }, [mark, id, bad]);
}
