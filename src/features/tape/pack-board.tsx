"use client";

import Typography from "@mui/material/Typography";
import { useMemo, useState, type ReactNode } from "react";
import type { Airframe, FoundTrick, Pack } from "@/core";
import type { Recording, Setup } from "@/contract";
import { PickOne } from "@/ui/forms/pick-one";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import type { WorkerClient } from "@/ui/worker/worker-client";
import { counted, mendWords, momentText, numeral } from "@/words";
import type { TapeWorker } from "@/workers/tape.worker";
import { OverTime } from "./over-time";
import { PackChecks } from "./pack-checks";
import { PackStrip } from "./pack-strip";
import { TrickBoard } from "./trick-board";
import { useWindow, zooms, type Zoom } from "./use-window";

interface PackBoardProps {
  readonly name: string;
  readonly pack: Pack;
  /** Asks the worker that has it. */
  readonly ask: WorkerClient<TapeWorker>["ask"];
  readonly setup: Setup;
  /** Newest of the aircraft. */
  readonly newest: Setup;
  /** Null where the aircraft is gone. */
  readonly airframe: Airframe | null;
  readonly stickMode: number;
  readonly pilotId: string;
  /** Other kept recordings of the pilot, and the setups they were flown with. */
  readonly others: readonly Recording[];
  readonly setups: readonly Setup[];
  /** What can be done with the whole of it, and how far that is. */
  readonly children: ReactNode;
  readonly below: ReactNode;
  /** What lies beside it, for the trick at hand: the taps it meets, the film. */
  readonly beside: (trick: FoundTrick | undefined, onChoose: (trick: number) => void) => ReactNode;
}

/** A recording that was read: what to mend first, the pack at a glance, and the trick that is chosen. */
export function PackBoard(props: PackBoardProps) {
  const { name, pack, ask, setup, airframe, stickMode, others, setups, newest, pilotId, children, below, beside } =
    props;
  const { tricks, mend } = pack;
  const [at, setAt] = useState("trick" in mend ? mend.trick : 0);
  const [zoom, setZoom] = useState<Zoom>(1);
  const [momentS, setMomentS] = useState<number | null>(null);
  const window = useWindow(pack, ask, { zoom, trick: tricks.at(at), tiltDeg: setup.settings.tiltDeg });
  useKeys(
    useMemo(
      () => [
        { key: "n", label: "Next trick", run: () => setAt((was) => Math.min(tricks.length - 1, was + 1)) },
        { key: "p", label: "Trick before", run: () => setAt((was) => Math.max(0, was - 1)) },
        { key: "+", label: "Nearer", run: () => setZoom((was) => zooms[zooms.indexOf(was) + 1] ?? was) },
        { key: "-", label: "Further", run: () => setZoom((was) => zooms[zooms.indexOf(was) - 1] ?? was) },
      ],
      [tricks.length],
    ),
  );
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1 }}>
        <Typography variant="h1" sx={{ overflowWrap: "anywhere" }}>
          {name.replace(/\.csv$/i, "")}
        </Typography>
        <span>
          <b className="num">{momentText(pack.toS - pack.fromS)}</b> at{" "}
          <b className="num">{numeral(pack.sampleHz, 0)} Hz</b> · setup <span className="num">{setup.number}</span> ·{" "}
          {counted(tricks.length, "trick")}
        </span>
        <Box sx={{ flex: 1 }} />
        {children}
      </Box>
      {below}
      <Mend pack={pack} />
      <PackStrip pack={pack} window={window} at={at} onChoose={setAt} />
      <Box sx={{ display: "flex", justifyContent: "flex-end", mt: 0.5 }}>
        <PickOne
          label="How near"
          value={zoom}
          options={zooms.map((one) => [one, one === 1 ? "Whole pack" : `${one}×`] as const)}
          onPick={setZoom}
          buttonSx={{ px: 1, py: 0.5 }}
        />
      </Box>
      {tricks.length > 0 && (
        <TrickBoard key={at} {...{ pack, at, setup, airframe, stickMode, others, setups, ask }} onMoment={setMomentS} />
      )}
      <Fold title="Rates and sticks over time" level={2}>
        <OverTime pack={pack} window={window} atS={momentS} />
      </Fold>
      {beside(tricks.at(at), setAt)}
      <PackChecks {...{ name, pack, setup, newest, pilotId }} />
    </>
  );
}

function Mend({ pack: { mend, tricks } }: { pack: Pack }) {
  const { todo, why } = mendWords(mend, tricks);
  return (
    <Box
      role="status"
      aria-label="Fix this first"
      sx={(theme) => ({
        borderLeft: `6px solid ${mend.kind === "nothing" ? theme.tokens.shoal : theme.tokens.ochre}`,
        bgcolor: theme.tokens.sheet,
        px: 1.5,
        py: 1,
        mb: 1.5,
        fontSize: "1.1rem",
      })}
    >
      <b>{todo}</b> {why}
    </Box>
  );
}
