"use client";

import Button from "@mui/material/Button";
import type { Setup } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { nameForFile, saveBytes } from "@/ui/forms/save-file";
import { usePreferences } from "@/ui/theme/preferences";
import { documentOf } from "./edits";
import type { LinesData } from "./load";
import { sheetOf } from "./sheet";
import type { Board } from "./use-board";

/** The line as it is flown, on one page. Waits for the ways out: they stand on it. */
export function PaperButton({ data, board, setup }: { data: LinesData; board: Board; setup: Setup }) {
  const { document, flown, line, site } = board;
  const { units } = usePreferences();
  const { sendAction, pending } = useSend();
  const ready = flown !== null && line.wayOuts !== null && flown.line.items.length === document.line.items.length;
  const print = async () => {
    if (!ready) return;
    const name = document.name.trim() || "A line";
    const sheet = sheetOf(flown.flight, line.wayOuts, {
      version: data.open && !board.draft.changed ? data.open.line.version : null,
      pilotName: data.pilot.name,
      aircraftName: `${data.aircraft?.name ?? ""}, setup ${setup.number}`,
      siteName: site?.name ?? null,
      ceilingM: site?.ceilingM ?? null,
      startHeightM: line.freezes?.startHeight?.heightM ?? null,
    });
    const result = await sendAction("line-paper", {
      document: documentOf({ ...document, name }),
      flown: sheet,
      units,
    });
    if (result.ok)
      saveBytes(
        `line-${nameForFile(name)}.pdf`,
        "application/pdf",
        Uint8Array.from(atob(result.data.pdf), (one) => one.charCodeAt(0)),
      );
  };
  return (
    <Button disabled={!ready || pending} onClick={print}>
      On paper
    </Button>
  );
}
