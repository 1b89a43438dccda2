"use client";

import Button from "@mui/material/Button";
import { useRouter } from "next/navigation";
import type { Pilot } from "@/contract";
import { reactionRangeS, rounded } from "@/core";
import { quantityText } from "@/words";
import { useSend } from "../actions/use-send";
import { tell } from "../messages/messages";
import { usePreferences } from "../theme/preferences";

/** A coach has margins worked out with a reaction that was measured. */
export function KeepReaction({ pilot, reactionS }: { pilot: Pilot; reactionS: number }) {
  const { units } = usePreferences();
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const [least, most] = reactionRangeS;
  const kept = rounded(Math.min(most, Math.max(least, reactionS)), 2);
  const words = quantityText(kept, "time", units);
  const keep = async () => {
    const { id, squadId, name, stickMode, grip, settingsFrozen, cruiseMps, reachShare, stickLengthMm, version } = pilot;
    const own = { id, squadId, name, stickMode, grip, settingsFrozen, cruiseMps, reachShare, stickLengthMm, version };
    const { ok } = await sendAction("edit-pilot", { ...own, reactionS: kept });
    if (!ok) return;
    tell(`Margins for ${name} are worked out with ${words}.`, { kind: "done" });
    router.refresh();
  };
  return (
    <Button size="small" variant="contained" disabled={pending || kept === pilot.reactionS} onClick={() => void keep()}>
      {kept === pilot.reactionS ? `Margins go by ${words}` : `Work margins out with ${words}`}
    </Button>
  );
}
