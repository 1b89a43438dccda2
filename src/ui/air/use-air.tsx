"use client";

import { createContext, useContext, type ReactNode } from "react";
import { SEA_LEVEL_AIR, type Air } from "@/core";

const Context = createContext<Air>(SEA_LEVEL_AIR);

/** The air that the figures of a screen are worked out for; standard at sea level where nobody said otherwise. */
export const useAir = (): Air => useContext(Context);

export function AirProvider({ air, children }: { air: Air; children: ReactNode }) {
  return <Context value={air}>{children}</Context>;
}
