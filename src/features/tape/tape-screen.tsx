"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState, type DragEvent } from "react";
import type { Recording, Setup } from "@/contract";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { tapeProblemWords } from "@/words";
import { KeepButton, KeepProgress } from "./keep-button";
import { KeptRecordings } from "./kept-recordings";
import type { TapeData } from "./load";
import { MatchPanel } from "./match-panel";
import { PackBoard } from "./pack-board";
import { recordingFound } from "./recording-found";
import { useKeeping } from "./use-keeping";
import { useRecording, type Reading } from "./use-recording";

/** Recordings of sticks and gyro: a file is opened on this device, its tricks are found and measured, and it is kept if wanted. */
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
  return <Recordings data={data} setup={setup} />;
}

function Recordings({ data, setup: newest }: { data: TapeData; setup: Setup }) {
  const { pilot, setups, recordings, openId } = data;
  const { reading, open, cancel } = useRecording();
  const { keeping, keep, stop } = useKeeping();
  const router = useRouter();
  const [at, setAt] = useState<At>({ file: null, keptId: null, recordedAtMs: null, setup: newest });
  const openFile = (file: File) => {
    stop();
    setAt({ file, keptId: null, recordedAtMs: file.lastModified || null, setup: newest });
    void open({ name: file.name, source: { kind: "file", file }, settings: newest.settings, mapping: null });
  };
  const openKept = useCallback(
    ({ id, name, bytes, mapping, setupId, recordedAtMs }: Recording) => {
      const setup = setups.find((one) => one.id === setupId) ?? newest;
      setAt({ file: null, keptId: id, recordedAtMs, setup });
      void open({ name, source: { kind: "kept", id, bytes }, settings: setup.settings, mapping });
    },
    [setups, newest, open],
  );
  const asked = useRef(openId);
  useEffect(() => {
    const recording = recordings.find(({ id }) => id === asked.current);
    asked.current = null;
    if (recording) openKept(recording);
  }, [recordings, openKept]);
  const { kind } = keeping;
  useEffect(() => {
    if (kind === "kept") router.refresh();
  }, [kind, router]);
  return (
    <DropArea onFile={openFile}>
      {(choose) =>
        reading.kind === "read" ? (
          <PackBoard
            name={reading.asked.name}
            pack={reading.pack}
            setup={at.setup}
            stickMode={pilot.stickMode}
            below={<KeepProgress keeping={keeping} onStop={stop} />}
            taps={(onChoose) => (
              <MatchPanel
                pack={reading.pack}
                sessions={data.sessions}
                recordingId={keeping.kind === "kept" ? keeping.id : at.keptId}
                recordedAtMs={at.recordedAtMs}
                onChoose={onChoose}
              />
            )}
          >
            {at.file && (
              <KeepButton
                keeping={keeping}
                onKeep={() => {
                  if (!at.file) return;
                  const found = recordingFound(reading.pack);
                  const { mapping } = reading.asked;
                  void keep({ pilotId: pilot.id, setupId: at.setup.id, file: at.file, mapping, found });
                }}
              />
            )}
            {choose("outlined")}
            {recordings.length > 0 && (
              <Button
                onClick={() => {
                  stop();
                  cancel();
                }}
              >
                All recordings
              </Button>
            )}
          </PackBoard>
        ) : (
          <>
            <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 2 }}>
              <Typography variant="h1">Tape</Typography>
              <Box sx={{ flex: 1 }} />
              {reading.kind !== "reading" && choose("contained")}
            </Box>
            <Outcome reading={reading} onCancel={cancel} />
            {reading.kind !== "reading" && (
              <>
                <WhatItTakes pilotName={pilot.name} setup={newest} short={recordings.length > 0} />
                <KeptRecordings data={data} onOpen={openKept} />
              </>
            )}
          </>
        )
      }
    </DropArea>
  );
}

/** Where what is read comes from, and the setup it is read against. */
interface At {
  readonly file: File | null;
  readonly keptId: string | null;
  readonly recordedAtMs: number | null;
  readonly setup: Setup;
}

interface DropAreaProps {
  readonly onFile: (file: File) => void;
  readonly children: (choose: (variant: "contained" | "outlined") => React.ReactNode) => React.ReactNode;
}

/** Takes a file by drop, or by the button that it hands on. */
function DropArea({ onFile, children }: DropAreaProps) {
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const [file] = event.dataTransfer.files;
    if (file) onFile(file);
  };
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
          if (file) onFile(file);
          event.target.value = "";
        }}
      />
      {children((variant) => (
        <Button variant={variant} onClick={() => input.current?.click()}>
          Open a recording
        </Button>
      ))}
    </Box>
  );
}

/** What is read just now, or why it cannot be. */
function Outcome({ reading, onCancel }: { reading: Reading; onCancel: () => void }) {
  if (reading.kind === "none" || reading.kind === "read") return null;
  const { name, source } = reading.asked;
  if (reading.kind === "reading")
    return (
      <Box sx={{ maxWidth: 620 }}>
        <Typography sx={{ mb: 1, overflowWrap: "anywhere" }}>
          {reading.share < 1 ? `Reading ${name}` : `Looking for tricks in ${name}`}
        </Typography>
        <LinearProgress
          aria-label="Reading the recording"
          variant={reading.share < 1 ? "determinate" : "indeterminate"}
          value={100 * reading.share}
        />
        <Button sx={{ mt: 1 }} onClick={onCancel}>
          Cancel
        </Button>
      </Box>
    );
  return (
    <Alert severity="error" sx={{ mb: 2, overflowWrap: "anywhere" }}>
      {reading.kind === "refused" ? (
        <>
          <b>{name} cannot be read.</b> {tapeProblemWords(reading.problem)}
        </>
      ) : (
        <>
          <b>{name} could not be read to its end.</b>{" "}
          {source.kind === "file" ? "Is it still there? Open it again." : "Is the network there? Open it again."}{" "}
          {reading.why}
        </>
      )}
    </Alert>
  );
}

function WhatItTakes({ pilotName, setup, short }: { pilotName: string; setup: Setup; short: boolean }) {
  return (
    <Box sx={{ maxWidth: 660 }}>
      <Typography variant="h2">What a recording tells</Typography>
      <Typography sx={{ my: 1 }}>
        Whether the throttle was closed upside down, how far each stop missed, where it was eased, and whether a wobble
        is the hand or the machine. Drop a file here, or open it: it is read on this device, and kept only if you say
        so.
      </Typography>
      {!short && (
        <Typography sx={{ my: 1 }}>
          A CSV file with these columns in its first line, 50 to 4,000 rows a second:{" "}
          <span className="num">
            time_s, stick_roll, stick_pitch, stick_yaw (−1 to 1), throttle (0 to 1), gyro_roll_dps, gyro_pitch_dps,
            gyro_yaw_dps
          </span>
          . Right, nose up and stick back are positive.
        </Typography>
      )}
      <Typography sx={{ color: "text.secondary" }}>
        Read against setup <span className="num">{setup.number}</span> of {pilotName}. Height and path are not in a
        recording.
      </Typography>
    </Box>
  );
}
