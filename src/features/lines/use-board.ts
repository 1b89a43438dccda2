"use client";

import { useDeferredValue, useMemo, useState } from "react";
import type { Aircraft, Setup } from "@/contract";
import { useDraft } from "@/ui/drafts/use-draft";
import { emptyDraft, isWholeDraft, type LineDraft } from "./edits";
import type { LinesData } from "./load";
import { tilesFor } from "./repertoire";
import { useEdits } from "./use-edits";
import { useLine } from "./use-line";

/** A line that is open: its draft, the flight of it, and the item that is chosen. */
export function useBoard(data: LinesData, draftKey: string, aircraft: Aircraft, setup: Setup) {
  const { open, sites, day } = data;
  // As it was when this version was opened: giving it to somebody reads the page again, and changes nothing of the line.
  const [saved] = useState<LineDraft>(() => {
    if (open) {
      const { name, style, siteId, line, copy } = open.line;
      return { name, style, siteId, line, ...(copy && { copy }) };
    }
    const site = sites.length === 1 ? sites[0] : null;
    return emptyDraft(site?.id ?? null, site?.ceilingM ?? null);
  });
  const draft = useDraft({
    key: draftKey,
    saved,
    basedOn: open?.line.version ?? 0,
    isWhole: isWholeDraft,
  });
  const { document } = draft;
  const site = sites.find(({ id }) => id === document.siteId) ?? null;
  const plan = (site && data.plans[site.id]) ?? null;
  const line = useLine({ draft: document, aircraft, setup, day, site, plan });
  const [chosen, select] = useState<number | null>(null);
  const selected = chosen !== null && chosen < document.line.items.length ? chosen : null;
  const tiles = useMemo(() => tilesFor(data), [data]);
  const entryHeightM = document.line.entryHeightM ?? line.environment.entryHeightM;
  const request = useMemo(
    () => ({
      airframe: aircraft.airframe,
      settings: setup.settings,
      environment: { ...line.environment, entryHeightM },
    }),
    [aircraft, setup, line.environment, entryHeightM],
  );
  return {
    draft,
    saved,
    document,
    site,
    /** The site drawn to scale; null where nobody has drawn it. */
    plan,
    line,
    /** The drawings follow a moving slider when there is time. */
    flown: useDeferredValue(line.flown),
    selected,
    select,
    tiles,
    /** With what pairs of tricks and invented lines are flown. */
    request,
    edits: useEdits(draft, selected, select),
  };
}

export type Board = ReturnType<typeof useBoard>;
