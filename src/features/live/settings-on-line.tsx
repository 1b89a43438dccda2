"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Setup } from "@/contract";
import { settingsFile } from "@/core";
import { Box } from "@/ui/layout/box";
import { differencesInWords } from "@/ui/settings/differences";
import { useSetupDraft } from "@/ui/settings/use-setup-draft";
import { useAtHand } from "@/ui/shell/at-hand";
import type { LiveState } from "@/workers/live.worker";
import type { LineAnswer, ModeSwitch } from "./answers";
import type { LineState } from "./sources";

interface SettingsOnLineProps {
  readonly setup: Setup;
  readonly aircraftName: string;
  readonly answer: LineAnswer | null;
  readonly state: LiveState | null;
  readonly line: LineState;
  /** Whether it was heard just now: what it did before says nothing of what it does. */
  readonly isHeard: () => boolean;
  readonly say: (line: string) => void;
}

const STILL_DPS = 20;
const UNHEARD = "Nothing is heard of the aircraft.";

/** Why nothing may be written now; null where it may. */
function whyNot(state: LiveState | null, line: LineState, propellersOff: boolean): string | null {
  if (!propellersOff) return "Take the propellers off first, and tick it.";
  if (!state?.last || line !== "open") return UNHEARD;
  if (state.last.throttle > 0.01) return "The throttle is not closed.";
  if (state.last.gyroDps.some((dps) => Math.abs(dps) > STILL_DPS)) return "The aircraft turns.";
  return null;
}

/** The settings an aircraft holds: read, compared with its newest setup, and written on the ground with the propellers off. */
export function SettingsOnLine(props: SettingsOnLineProps) {
  const { setup, aircraftName, answer, state, line, isHeard, say } = props;
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const { change } = useSetupDraft(setup.aircraftId, setup.settings);
  const [propellersOff, setPropellersOff] = useState(false);
  const held = answer?.kind === "setup" ? answer : null;
  const differences = held ? differencesInWords(held.settings, setup.settings) : [];
  const [unheard, setUnheard] = useState(false);
  const reason = whyNot(state, line, propellersOff) ?? (unheard ? UNHEARD : null);
  return (
    <Box component="section" aria-labelledby="settings-on-line">
      <Typography variant="h2" id="settings-on-line">
        Settings it holds
      </Typography>
      <Button size="small" variant="outlined" onClick={() => say(JSON.stringify({ read: "settings" }))}>
        Read its settings
      </Button>
      <Box role="status" sx={{ mt: 1 }}>
        {answer && answer.kind !== "setup" && <Typography>{answerWords(answer)}</Typography>}
        {held?.modes && <Typography>{modeWords(held.modes)}</Typography>}
        {held && differences.length === 0 && (
          <Typography>
            The same as setup <span className="num">{setup.number}</span>
            {held.saved ? "." : ", but not saved: a restart forgets them."}
          </Typography>
        )}
      </Box>
      {held && differences.length > 0 && (
        <>
          <Typography sx={{ mt: 1 }}>
            Writing setup <span className="num">{setup.number}</span> to it changes:
          </Typography>
          <Box component="ul" aria-label="What writing changes" sx={{ mt: 0.5, mb: 1, pl: 2.5 }}>
            {differences.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </Box>
          <FormControlLabel
            label="The propellers are off"
            control={<Checkbox checked={propellersOff} onChange={(_, is) => setPropellersOff(is)} />}
          />
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
            <Button
              variant="contained"
              disabled={reason !== null}
              onClick={() => {
                setUnheard(!isHeard());
                if (isHeard())
                  say(JSON.stringify({ write: settingsFile(setup.settings, aircraftName, `setup ${setup.number}`) }));
              }}
            >
              Write setup {setup.number} to it
            </Button>
            <Button
              onClick={() => {
                change({ settings: held.settings, reason: "As the aircraft holds them" });
                router.push(hrefFor("/setup"));
              }}
            >
              Draft a setup with what it holds
            </Button>
          </Box>
          {reason && <Typography sx={{ color: "text.secondary" }}>{reason}</Typography>}
        </>
      )}
      {answer?.kind === "written" && (
        <Button variant="contained" sx={{ mt: 1 }} onClick={() => say(JSON.stringify({ save: true }))}>
          Save them in the aircraft
        </Button>
      )}
      <Typography sx={{ mt: 1, fontSize: "0.88rem", color: "text.secondary" }}>
        Work on an aircraft with its battery in only with the propellers off, and as its maker says.
      </Typography>
    </Box>
  );
}

const modeWords = ({ at, places }: ModeSwitch) =>
  `Mode switch: ${places[at]}. Its other places: ${places.filter((_, i) => i !== at).join(", ")}.`;

function answerWords(answer: Exclude<LineAnswer, { kind: "setup" }>): string {
  switch (answer.kind) {
    case "modes":
      return modeWords(answer.modes);
    case "written":
      return "Written. A restart forgets it until it is saved.";
    case "saved":
      return "Saved in the aircraft.";
    case "refused":
      return answer.why === "armed"
        ? "The aircraft refused: it is armed. Land and disarm first."
        : `The aircraft refused: ${answer.why}.`;
  }
}
