"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import {
  DomainError,
  punchStick,
  requireMeasurement,
  rounded,
  throttleAtStick,
  type Measurement,
  type Settings,
} from "@/core";
import { typedNumber, type Aircraft } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { useAir } from "@/ui/air/use-air";
import { PunchLadder } from "@/ui/flight/punch-ladder";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { usePreferences } from "@/ui/theme/preferences";
import { NumberSlider } from "@/ui/forms/number-slider";
import { percent, refusedWords } from "@/words";

/** The punch ladder of this aircraft, and the hangs that were counted at the field. */
export function PunchPanel({
  aircraft,
  settings,
  mayChange,
}: {
  aircraft: Aircraft;
  settings: Settings;
  mayChange: boolean;
}) {
  const air = useAir();
  const [chosen, setStick] = useState<number | null>(null);
  const usual = punchStick(aircraft.airframe, settings, air);
  if (usual === null)
    return <Typography color="error.main">▲ This aircraft has too little thrust to hover.</Typography>;
  const stick = chosen ?? rounded(usual, 2);
  const command = throttleAtStick(settings.throttle, stick);
  return (
    <section aria-labelledby="punch">
      <Typography variant="h2" id="punch" sx={{ mb: 1 }}>
        Punch ladder
      </Typography>
      <Typography sx={{ mb: 1, maxWidth: 640 }}>
        Punch, close the throttle, and count aloud until it falls past where you closed it. Go up a rung when the count
        agrees. Stay clear of people and below the local height limit.
      </Typography>
      <Box sx={{ maxWidth: 420 }}>
        <NumberSlider
          label="Throttle stick of the punch, %"
          value={Math.round(100 * stick)}
          range={[10, 100]}
          step={1}
          digits={0}
          unit="%"
          onChange={(value) => setStick(value / 100)}
        />
        <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mb: 1 }}>
          {percent(command)} to the motors. {chosen === null && "Twice the thrust that hovers, as for learning."}
        </Typography>
      </Box>
      <PunchLadder aircraft={aircraft} settings={settings} air={air} stick={stick} command={command} />
      {mayChange && <CountedHang aircraft={aircraft} command={command} />}
    </section>
  );
}

const fields = [
  ["punchS", "Punch, s"],
  ["hangS", "Hang counted, s"],
  ["elevationM", "Elevation, m (optional)"],
] as const;
type Texts = Readonly<Partial<Record<(typeof fields)[number][0], string>>>;

/** Takes down a counted hang among what was measured on the aircraft. */
function CountedHang({ aircraft, command }: { aircraft: Aircraft; command: number }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const { units } = usePreferences();
  const [texts, setTexts] = useState<Texts>({ punchS: "0.6" });
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    let counted: Measurement;
    try {
      counted = read(texts, command);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      setProblem(refusedWords(error, units));
      return;
    }
    setProblem(null);
    const { id, version, measurements } = aircraft;
    const kept = await sendAction("measure-aircraft", { id, version, measurements: [...measurements, counted] });
    if (!kept.ok) return;
    tell("Count kept, under Measured too", { kind: "done" });
    setTexts({ ...texts, hangS: "" });
    router.refresh();
  };
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 2, alignItems: "start" }}>
      {fields.map(([name, label]) => (
        <TextField
          key={name}
          size="small"
          label={label}
          value={texts[name] ?? ""}
          error={name === "hangS" && problem !== null}
          helperText={name === "hangS" ? problem : undefined}
          onChange={(event) => setTexts({ ...texts, [name]: event.target.value })}
          onKeyDown={(event) => event.key === "Enter" && void keep()}
          slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 8 } }}
        />
      ))}
      <Button variant="outlined" disabled={pending} onClick={keep}>
        Keep this count
      </Button>
    </Box>
  );
}

function read(texts: Texts, command: number): Measurement {
  const number = (name: keyof Texts) => typedNumber(texts[name] ?? "");
  const elevationM = number("elevationM");
  return requireMeasurement({
    kind: "hang",
    punchS: number("punchS"),
    hangS: number("hangS"),
    command: rounded(command, 4),
    ...((texts.elevationM ?? "").trim() !== "" && { elevationM }),
  });
}
