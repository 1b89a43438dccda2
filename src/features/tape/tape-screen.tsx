"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Recording, Setup } from "@/contract";
import type { TapeMapping } from "@/core";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { takeHandedOver } from "@/ui/recordings/handed-over";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { DropArea } from "./drop-area";
import { KeptRecordings } from "./kept-recordings";
import type { TapeData } from "./load";
import { type Origin } from "./open-recording";
import { Outcome, WhatItTakes } from "./start-page";
import { useMapping } from "./use-mapping";
import { useRecording } from "./use-recording";

const OpenRecording = later(() => import("./open-recording").then((part) => part.OpenRecording));
const MappingBoard = later(() => import("./mapping-board").then((part) => part.MappingBoard));

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
          why="A recording is read against the rates and the tilt it was flown with, so set those up first."
        />
      </>
    );
  return <Recordings data={data} setup={setup} />;
}

function Recordings({ data, setup: newest }: { data: TapeData; setup: Setup }) {
  const { pilot, setups, recordings, openId } = data;
  const { reading, open, cancel } = useRecording();
  const { hrefFor } = useAtHand();
  const ofAircraft = setups.filter(({ aircraftId }) => aircraftId === newest.aircraftId);
  const mapping = useMapping(newest.aircraftId, recordings, ofAircraft.map(({ id }) => id)); // prettier-ignore
  const { unmapped } = mapping;
  const [origin, setOrigin] = useState<Origin>({ file: null, keptId: null, recordedAtMs: null, setup: newest });
  const readFile = (file: File, how: TapeMapping | null, onKept?: () => void) => {
    setOrigin({ file, keptId: null, recordedAtMs: file.lastModified || null, setup: newest, onKept });
    void open({ name: file.name, source: { kind: "file", file }, settings: newest.settings, mapping: how });
  };
  const openFile = async (file: File) => {
    cancel();
    const asked = await mapping.ask(file);
    if (asked) readFile(file, asked.mapping);
  };
  const openKept = useCallback(
    ({ id, name, bytes, mapping: how, setupId, recordedAtMs }: Recording) => {
      const setup = setups.find((one) => one.id === setupId) ?? newest;
      setOrigin({ file: null, keptId: id, recordedAtMs, setup });
      void open({ name, source: { kind: "kept", id, bytes }, settings: setup.settings, mapping: how });
    },
    [setups, newest, open],
  );
  const asked = useRef(openId);
  // What was flown live comes from there.
  useEffect(() => {
    const handed = takeHandedOver();
    if (handed) readFile(handed.file, null, handed.onKept);
    // oxlint-disable-next-line react/exhaustive-deps -- taken once
  }, []);
  useEffect(() => {
    const recording = recordings.find(({ id }) => id === asked.current);
    asked.current = null;
    if (recording) openKept(recording);
  }, [recordings, openKept]);
  return (
    <DropArea onFile={(file) => void openFile(file)}>
      {(choose) =>
        reading.kind === "read" ? (
          <OpenRecording
            {...{ data, origin, reading }}
            key={`${reading.asked.name} ${origin.keptId} ${reading.pack.rows}`}
            choose={choose("outlined")}
            onLeave={recordings.length > 0 ? cancel : null}
            onMapAgain={
              origin.file && reading.asked.mapping
                ? () => {
                    cancel();
                    void mapping.again(origin.file!, reading.asked.mapping!);
                  }
                : null
            }
          />
        ) : (
          <>
            <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 2 }}>
              <Typography variant="h1">Tape</Typography>
              <Box sx={{ flex: 1 }} />
              <Button component={Link} href={hrefFor("/tape/live")}>
                Live
              </Button>
              {recordings.length > 1 && (
                <Button component={Link} href={hrefFor("/tape/month")}>
                  Side by side
                </Button>
              )}
              {reading.kind !== "reading" && choose("contained")}
            </Box>
            <Outcome reading={reading} onCancel={cancel} />
            {unmapped ? (
              <MappingBoard
                name={unmapped.file.name}
                guess={unmapped.guess}
                known={unmapped.known}
                onRead={(how) => {
                  mapping.remember(how);
                  readFile(unmapped.file, how);
                }}
                onCancel={mapping.leave}
              />
            ) : (
              reading.kind !== "reading" && (
                <>
                  <WhatItTakes pilotName={pilot.name} setup={newest} short={recordings.length > 0} />
                  <KeptRecordings data={data} onOpen={openKept} />
                </>
              )
            )}
          </>
        )
      }
    </DropArea>
  );
}
