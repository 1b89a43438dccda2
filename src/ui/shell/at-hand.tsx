"use client";

import { usePathname, useSearchParams } from "next/navigation";
import { createContext, useContext, useEffect, useMemo, type ReactNode } from "react";
import type { SentSyllabus } from "@/contract";
import { useHydrated } from "../hydration/use-hydrated";
import { ReaderProvider } from "../units/listener";
import { SyllabiProvider } from "../syllabus/use-syllabus";

/** What the shell knows of an aircraft. */
export interface HandAircraft {
  readonly id: string;
  readonly name: string;
  /** Number of the newest setup; null without one. */
  readonly setupNumber: number | null;
  /** What it may carry besides. */
  readonly loads: readonly { readonly id: string; readonly name: string }[];
}
export interface HandPilot {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  readonly aircraft: readonly HandAircraft[];
}
export interface ShellData {
  /** Who is signed in. */
  readonly name: string;
  /** A coach with their pilots; else a pilot with their own record. */
  readonly coaches: boolean;
  readonly pilots: readonly HandPilot[];
  /** The syllabi of their squads, but for squads that have the built-in one. */
  readonly syllabi: readonly SentSyllabus[];
  readonly rememberedPilotId: string | null;
  readonly rememberedAircraftId: string | null;
}

interface AtHand extends ShellData {
  readonly pilot: HandPilot | null;
  readonly aircraft: HandAircraft | null;
  /** Id of what it carries; null for nothing but its own. */
  readonly loadId: string | null;
  /** Address of a screen with the pilot and the aircraft at hand, or with others. */
  readonly hrefFor: (path: string, change?: Readonly<Record<string, string | undefined>>) => string;
}

const Context = createContext<AtHand | null>(null);

/** The pilot and the aircraft every screen follows: those of the address, else those used last on this device. */
export function useAtHand(): AtHand {
  const context = useContext(Context);
  if (!context) throw new Error("useAtHand needs AtHandProvider around it");
  return context;
}

/** What this device remembers by now: the frame may have been drawn before it did. */
const keptHere = (name: "pilot" | "aircraft"): string | null =>
  new RegExp(`(?:^|; )bathygon-${name}=([0-9a-f-]{36})`).exec(document.cookie)?.[1] ?? null;

export function AtHandProvider({ data, children }: { data: ShellData; children: ReactNode }) {
  const params = useSearchParams();
  const path = usePathname();
  const inBrowser = useHydrated();
  const kept = (name: "pilot" | "aircraft") => (inBrowser ? keptHere(name) : null);
  const askedPilot = params.get("pilot") ?? data.rememberedPilotId ?? kept("pilot");
  const askedAircraft = params.get("aircraft") ?? data.rememberedAircraftId ?? kept("aircraft");
  const pilot = data.pilots.find((one) => one.id === askedPilot) ?? null;
  const aircraft = pilot?.aircraft.find((one) => one.id === askedAircraft) ?? pilot?.aircraft[0] ?? null;

  const askedLoad = params.get("load");
  const loadId = aircraft?.loads.some(({ id }) => id === askedLoad) ? askedLoad : null;

  useEffect(() => {
    for (const [name, id] of [
      ["pilot", pilot?.id],
      ["aircraft", aircraft?.id],
    ]) {
      if (id) document.cookie = `bathygon-${name}=${id}; path=/; max-age=31536000; samesite=lax`;
    }
  }, [pilot?.id, aircraft?.id, path]);

  const value = useMemo<AtHand>(
    () => ({
      ...data,
      pilot,
      aircraft,
      loadId,
      hrefFor: (to, change = {}) => {
        const search = new URLSearchParams();
        const other = "pilot" in change || "aircraft" in change;
        const wanted: Record<string, string | undefined> = {
          pilot: pilot?.id,
          aircraft: aircraft?.id,
          // A load goes with its aircraft.
          load: other ? undefined : (loadId ?? undefined),
          ...change,
        };
        for (const [name, value] of Object.entries(wanted)) if (value) search.set(name, value);
        return search.size ? `${to}?${search}` : to;
      },
    }),
    [data, pilot, aircraft, loadId],
  );
  return (
    <Context value={value}>
      <SyllabiProvider sent={data.syllabi} squadId={pilot?.squadId ?? null}>
        <ReaderProvider value={data.coaches ? "coach" : "pilot"}>{children}</ReaderProvider>
      </SyllabiProvider>
    </Context>
  );
}
