"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useRef, useState, type DragEvent } from "react";
import type { Setup } from "@/contract";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { tapeProblemWords } from "@/words";
import type { TapeData } from "./load";
import { PackBoard } from "./pack-board";
import { useRecording } from "./use-recording";

/** Recordings of sticks and gyro: a file is opened on this device, and its tricks are found and measured. */
export function TapeScreen({ data }: { data: TapeData }) {
  const { pilot, aircraft, setup } = data;
  if (!aircraft || !setup)
    return (
      <>
        <Typography variant="h1">Tape</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="A recording is read against the rates and the tilt it was flown with, so that comes first."
        />
      </>
    );
  return <Recordings pilotName={pilot.name} stickMode={pilot.stickMode} setup={setup} />;
}

function Recordings({ pilotName, stickMode, setup }: { pilotName: string; stickMode: number; setup: Setup }) {
  const { recording, open, cancel } = useRecording(setup.settings);
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const [file] = event.dataTransfer.files;
    if (file) void open(file);
  };
  const choose = (
    <Button variant={recording.kind === "read" ? "outlined" : "contained"} onClick={() => input.current?.click()}>
      Open a recording
    </Button>
  );
  return (
    <Box
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      sx={(theme) => ({
        minHeight: "70vh",
        outline: over ? `3px dashed ${theme.tokens.shoal}` : "none",
        outlineOffset: 6,
      })}
    >
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv"
        aria-label="File with a recording"
        tabIndex={-1}
        style={{ position: "absolute", width: 1, height: 1, overflow: "hidden", clipPath: "inset(50%)" }}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void open(file);
          event.target.value = "";
        }}
      />
      {recording.kind === "read" ? (
        <PackBoard name={recording.name} pack={recording.pack} setup={setup} stickMode={stickMode}>
          {choose}
        </PackBoard>
      ) : (
        <>
          <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 2 }}>
            <Typography variant="h1">Tape</Typography>
            <Box sx={{ flex: 1 }} />
            {recording.kind !== "reading" && choose}
          </Box>
          {recording.kind === "reading" && <Reading name={recording.name} share={recording.share} onCancel={cancel} />}
          {recording.kind === "refused" && (
            <Alert severity="error" sx={{ mb: 2, overflowWrap: "anywhere" }}>
              <b>{recording.name} cannot be read.</b> {tapeProblemWords(recording.problem)}
            </Alert>
          )}
          {recording.kind === "failed" && (
            <Alert severity="error" sx={{ mb: 2, overflowWrap: "anywhere" }}>
              <b>{recording.name} could not be read to its end.</b> Is it still there? Open it again.
            </Alert>
          )}
          {recording.kind !== "reading" && <WhatItTakes pilotName={pilotName} setup={setup} />}
        </>
      )}
    </Box>
  );
}

function Reading({ name, share, onCancel }: { name: string; share: number; onCancel: () => void }) {
  return (
    <Box sx={{ maxWidth: 620 }}>
      <Typography sx={{ mb: 1, overflowWrap: "anywhere" }}>
        {share < 1 ? `Reading ${name}` : `Looking for tricks in ${name}`}
      </Typography>
      <LinearProgress
        aria-label="Reading the recording"
        variant={share < 1 ? "determinate" : "indeterminate"}
        value={100 * share}
      />
      <Button sx={{ mt: 1 }} onClick={onCancel}>
        Cancel
      </Button>
    </Box>
  );
}

function WhatItTakes({ pilotName, setup }: { pilotName: string; setup: Setup }) {
  return (
    <Box sx={{ maxWidth: 660 }}>
      <Typography variant="h2">What a recording tells</Typography>
      <Typography sx={{ my: 1 }}>
        Whether the throttle was closed upside down, how far each stop missed, where it was eased, and whether a wobble
        is the hand or the machine. Drop a file here, or open it: it is read on this device and goes nowhere.
      </Typography>
      <Typography sx={{ my: 1 }}>
        A CSV file with these columns in its first line, 50 to 4,000 rows a second:{" "}
        <span className="num">
          time_s, stick_roll, stick_pitch, stick_yaw (−1 to 1), throttle (0 to 1), gyro_roll_dps, gyro_pitch_dps,
          gyro_yaw_dps
        </span>
        . Right, nose up and stick back are positive.
      </Typography>
      <Typography sx={{ color: "text.secondary" }}>
        Read against setup <span className="num">{setup.number}</span> of {pilotName}. Height and path are not in a
        recording.
      </Typography>
    </Box>
  );
}
