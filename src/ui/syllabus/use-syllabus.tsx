"use client";

import { createContext, useContext, useMemo, type ReactNode } from "react";
import { builtInSyllabus, syllabusFrom, type Syllabus } from "@/syllabus";
import type { SentSyllabus } from "@/contract";

interface Known {
  readonly bySquad: ReadonlyMap<string, Syllabus>;
  readonly atHand: Syllabus;
}

const Context = createContext<Known>({ bySquad: new Map(), atHand: builtInSyllabus });

/** The syllabi of the squads a screen shows, and which of them is at hand. */
export function SyllabiProvider({
  sent,
  squadId,
  children,
}: {
  sent: readonly SentSyllabus[];
  squadId: string | null;
  children: ReactNode;
}) {
  const bySquad = useMemo(
    () => new Map(sent.map((one) => [one.squadId, syllabusFrom(one.document, one.number)])),
    [sent],
  );
  const value = useMemo(() => ({ bySquad, atHand: bySquad.get(squadId ?? "") ?? builtInSyllabus }), [bySquad, squadId]);
  return <Context value={value}>{children}</Context>;
}

/** The syllabus of the pilot at hand. */
export function useSyllabus(): Syllabus {
  return useContext(Context).atHand;
}

/** The syllabus of any squad on this screen. */
export function useSyllabusOf(): (squadId: string) => Syllabus {
  const { bySquad } = useContext(Context);
  return (squadId) => bySquad.get(squadId) ?? builtInSyllabus;
}
