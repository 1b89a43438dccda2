"use client";

import { createContext, useContext, useMemo } from "react";
import type { Listener } from "@/words";
import { usePreferences } from "../theme/preferences";

const Reader = createContext<NonNullable<Listener["reader"]>>("coach");

/** Says who reads the screens within. */
export const ReaderProvider = Reader.Provider;

/** To whom a screen speaks, and in which units. */
export function useListener(): Listener {
  const { units } = usePreferences();
  const reader = useContext(Reader);
  return useMemo(() => ({ units, reader }), [units, reader]);
}
