"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { FindSticks } from "@/ui/radio/find-sticks";
import { useRadioMap, useRadioName } from "@/ui/radio/use-radio";
import { gamepadSource, serialPorts, serialSource, standInSource, type LiveSource } from "./sources";

const BAUD_RATES = [57_600, 115_200, 230_400, 460_800, 921_600] as const;
const HZ = [50, 100, 250, 500, 1000] as const;

interface SourceChoiceProps {
  /** Address of the made-up aircraft; null where there are none. */
  readonly standIn: string | null;
  readonly pilotName: string;
  readonly onChoose: (source: LiveSource) => void;
}

/** Where frames come from. */
export function SourceChoice({ standIn, pilotName, onChoose }: SourceChoiceProps) {
  const inBrowser = useHydrated();
  const [baudRate, setBaudRate] = useState<number>(115_200);
  const [hz, setHz] = useState<number>(250);
  const radio = useRadioName();
  const { map, known, keep } = useRadioMap(radio);
  const [finding, setFinding] = useState(false);
  const serial = inBrowser ? serialPorts() : null;
  const openSerial = async () => {
    try {
      const port = await serial!.requestPort();
      onChoose(serialSource(port, baudRate));
    } catch (error) {
      // Nothing was chosen, or the browser does not allow it.
      tell(error instanceof Error ? error.message : "No line was chosen.", { kind: "warning" });
    }
  };
  return (
    <Box component="section" aria-labelledby="sources" sx={{ maxWidth: 720 }}>
      <Typography variant="h2" id="sources">
        Where it comes from
      </Typography>
      <Typography sx={{ mb: 1 }}>
        One line of an open recording for each frame, its names first. It is recorded on this device as it comes, and
        goes nowhere unless you keep it.
      </Typography>
      <Choice
        title="Serial line"
        about={
          serial
            ? "An aircraft or its receiver on a cable."
            : "This browser has no serial lines; others, on a desk computer, do."
        }
      >
        <SelectField
          size="small"
          label="Bits a second"
          value={baudRate}
          onChange={({ target }) => setBaudRate(Number(target.value))}
        >
          {BAUD_RATES.map((one) => (
            <Option key={one} value={one}>
              {one}
            </Option>
          ))}
        </SelectField>
        <Button variant="outlined" disabled={!serial} onClick={() => void openSerial()}>
          Open a serial line
        </Button>
      </Choice>
      <Choice
        title="Radio as a gamepad"
        about={
          radio === null
            ? "Sticks only: no tricks are called. Plug it in and move a stick."
            : `Sticks only: no tricks are called. ${known ? "Its sticks are known." : "Taken in the usual order until they are found."}`
        }
      >
        <Button disabled={radio === null} onClick={() => setFinding(true)}>
          Find the sticks
        </Button>
        <FindSticks open={finding} onClose={() => setFinding(false)} onFound={keep} />
        <Button variant="outlined" onClick={() => onChoose(gamepadSource(map))}>
          Listen to the radio
        </Button>
      </Choice>
      {standIn && (
        <Choice
          title="Made-up aircraft"
          about={`Flies as ${pilotName} does in the made-up camp, or soundly. For trying all this out.`}
        >
          <SelectField
            size="small"
            label="Frames a second"
            sx={{ minWidth: 130 }}
            value={hz}
            onChange={({ target }) => setHz(Number(target.value))}
          >
            {HZ.map((one) => (
              <Option key={one} value={one}>
                {one}
              </Option>
            ))}
          </SelectField>
          <Button
            variant="outlined"
            onClick={() => onChoose(standInSource(`${standIn}&hz=${hz}&pilot=${encodeURIComponent(pilotName)}`))}
          >
            Fly it
          </Button>
        </Choice>
      )}
    </Box>
  );
}

function Choice({ title, about, children }: { title: string; about: string; children: React.ReactNode }) {
  return (
    <Box
      sx={(theme) => ({
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        gap: 1.5,
        py: 1.5,
        borderBottom: `1.5px solid ${theme.tokens.rule}`,
      })}
    >
      <Box sx={{ flex: "1 1 260px" }}>
        <b>{title}</b>
        <Box sx={{ fontSize: "0.9rem", color: "text.secondary" }}>{about}</Box>
      </Box>
      {children}
    </Box>
  );
}
