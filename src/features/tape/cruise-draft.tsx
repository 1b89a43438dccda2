"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { midVerdict, proposedMid, rounded, throttleOut } from "@/core";
import type { Setup } from "@/contract";
import { useSetupDraft } from "@/ui/settings/use-setup-draft";
import { useAtHand } from "@/ui/shell/at-hand";
import { numeral, percent } from "@/words";

interface CruiseDraftProps {
  readonly cruise: { readonly throttle: number; readonly share: number };
  /** With which it was flown: what its stick did. */
  readonly setup: Setup;
  /** Newest of the aircraft: what is changed. */
  readonly newest: Setup;
  /** Of the recording. */
  readonly name: string;
}

/** Where the throttle really cruises, and the mid that follows from it, into a draft of the setup. */
export function CruiseDraft({ cruise, setup, newest, name }: CruiseDraftProps) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const { draft, change } = useSetupDraft(newest.aircraftId, newest.settings);
  const command = throttleOut(setup.settings.throttle, cruise.throttle);
  const profile = draft.settings.throttle;
  const mid = rounded(proposedMid(profile, command), 2);
  const { kind } = midVerdict(setup.settings.throttle, cruise.throttle);
  return (
    <>
      <Typography>
        Cruises at <b className="num">{percent(cruise.throttle)}</b> of the stick,{" "}
        <span className="num">{percent(cruise.share)}</span> of the flying.
      </Typography>
      <Typography sx={{ color: "text.secondary" }}>
        Setup <span className="num">{setup.number}</span> has its mid at{" "}
        <span className="num">{percent(setup.settings.throttle.mid)}</span>
        {kind === "on" ? ": on the cruise." : `: ${kind === "too-low" ? "below" : "above"} the cruise.`}
      </Typography>
      {mid !== profile.mid && (
        <Button
          size="small"
          variant="outlined"
          sx={{ mt: 0.5 }}
          onClick={() => {
            const settings = { ...draft.settings, throttle: { ...profile, mid } };
            change({
              settings,
              reason: draft.reason || `Mid on the cruise of the recording ${name.replace(/\.csv$/i, "")}`,
            });
            router.push(hrefFor("/setup"));
          }}
        >
          Draft a setup with mid {numeral(mid, 2)}
        </Button>
      )}
    </>
  );
}
