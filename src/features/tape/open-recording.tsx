"use client";

import Button from "@mui/material/Button";
import { useRouter } from "next/navigation";
import { useEffect, type ReactNode } from "react";
import type { Setup } from "@/contract";
import { Footage } from "./footage";
import { KeepButton, KeepProgress } from "./keep-button";
import type { TapeData } from "./load";
import { MatchPanel } from "./match-panel";
import { PackBoard } from "./pack-board";
import { recordingFound } from "./recording-found";
import { useKeeping } from "./use-keeping";
import { useMatch } from "./use-match";
import type { Reading } from "./use-recording";

/** Where what is read comes from, and the setup it is read against. */
export interface Origin {
  readonly file: File | null;
  readonly keptId: string | null;
  readonly recordedAtMs: number | null;
  readonly setup: Setup;
  /** Told once it is kept. */
  readonly onKept?: () => void;
}

interface OpenRecordingProps {
  readonly data: TapeData;
  readonly origin: Origin;
  readonly reading: Extract<Reading, { kind: "read" }>;
  /** Opens another. */
  readonly choose: ReactNode;
  /** Back to all of them; null where there are none. */
  readonly onLeave: (() => void) | null;
  /** Lets somebody say anew which column is what; null for an open recording. */
  readonly onMapAgain: (() => void) | null;
}

/** A recording that was read, with what can be done with it: kept, matched with taps, seen beside its film. */
export function OpenRecording(props: OpenRecordingProps) {
  const { data, origin, reading, choose, onLeave, onMapAgain } = props;
  const { pilot, fleet, recordings, setups, sessions, coaches } = data;
  const { asked, pack, ask } = reading;
  const { keeping, keep, stop } = useKeeping();
  const router = useRouter();
  const { file, keptId, recordedAtMs, setup, onKept } = origin;
  // The aircraft it was flown with, whichever is at hand; one that lies in the bin tells no way of the model.
  const flown = fleet.find(({ id }) => id === setup.aircraftId);
  const matching = useMatch(pack, sessions, recordedAtMs);
  const { kind } = keeping;
  useEffect(() => {
    if (kind !== "kept") return;
    onKept?.();
    router.refresh();
  }, [kind, router, onKept]);
  return (
    <PackBoard
      {...{ name: asked.name, pack, ask, setup, setups }}
      newest={flown?.newest ?? setup}
      airframe={flown?.airframe ?? null}
      stickMode={pilot.stickMode}
      pilotId={pilot.id}
      others={recordings.filter(({ id, whole }) => whole && id !== keptId)}
      below={<KeepProgress keeping={keeping} onStop={stop} />}
      beside={(trick, onChoose) => (
        <>
          <MatchPanel
            {...{ pack, sessions, matching, onChoose }}
            recordingId={keeping.kind === "kept" ? keeping.id : keptId}
          />
          <Footage {...{ pack, trick, coaches, matching }} pilotId={pilot.id} name={asked.name} />
        </>
      )}
    >
      {file && (
        <KeepButton
          keeping={keeping}
          onKeep={() => {
            const found = recordingFound(pack);
            void keep({ pilotId: pilot.id, setupId: setup.id, file, mapping: asked.mapping, found });
          }}
        />
      )}
      {onMapAgain && <Button onClick={onMapAgain}>Columns</Button>}
      {choose}
      {onLeave && <Button onClick={onLeave}>All recordings</Button>}
    </PackBoard>
  );
}
