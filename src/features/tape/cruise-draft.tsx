"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { midVerdict, proposedExpo, proposedMid, rounded, throttleOut, type ThrottleUse } from "@/core";
import type { Setup } from "@/contract";
import { useSetupDraft } from "@/ui/settings/use-setup-draft";
import { useAtHand } from "@/ui/shell/at-hand";
import { numeral, percent } from "@/words";

interface CruiseDraftProps {
  /** Null where it never flew steadily. */
  readonly cruise: { readonly throttle: number; readonly share: number } | null;
  /** Where the throttle stands besides. */
  readonly use: ThrottleUse | null;
  /** With which it was flown: what its stick did. */
  readonly setup: Setup;
  /** Newest of the aircraft: what is changed. */
  readonly newest: Setup;
  /** Of the recording. */
  readonly name: string;
}

/** Where the throttle really cruises, and the mid that follows from it, into a draft of the setup. */
export function CruiseDraft({ cruise, use, setup, newest, name }: CruiseDraftProps) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const { draft, change } = useSetupDraft(newest.aircraftId, newest.settings);
  const profile = draft.settings.throttle;
  const mid = cruise
    ? rounded(proposedMid(profile, throttleOut(setup.settings.throttle, cruise.throttle)), 2)
    : profile.mid;
  const softer = use && proposedExpo(use);
  const expo = softer?.expo ?? profile.expo;
  return (
    <>
      {cruise ? (
        <Cruise cruise={cruise} setup={setup} />
      ) : (
        <Typography>It never flies steadily for three seconds: the mid stays.</Typography>
      )}
      {use && softer && (
        <Typography sx={{ color: "text.secondary" }}>
          Half of the time it stands between <span className="num">{percent(use.middleHalf[0])}</span> and{" "}
          <span className="num">{percent(use.middleHalf[1])}</span>: {softer.flying}, which goes with expo{" "}
          <span className="num">{numeral(softer.expo, 1)}</span>; setup <span className="num">{setup.number}</span> has{" "}
          <span className="num">{numeral(setup.settings.throttle.expo, 2)}</span>.
        </Typography>
      )}
      {(mid !== profile.mid || expo !== profile.expo) && (
        <Button
          size="small"
          variant="outlined"
          sx={{ mt: 0.5 }}
          onClick={() => {
            const settings = { ...draft.settings, throttle: { ...profile, mid, expo } };
            change({
              settings,
              reason: draft.reason || `Mid and expo by the throttle of the recording ${name.replace(/\.csv$/i, "")}`,
            });
            router.push(hrefFor("/setup"));
          }}
        >
          Draft a setup with mid {numeral(mid, 2)}, expo {numeral(expo, 2)}
        </Button>
      )}
    </>
  );
}

function Cruise({ cruise, setup }: { cruise: NonNullable<CruiseDraftProps["cruise"]>; setup: Setup }) {
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
    </>
  );
}
