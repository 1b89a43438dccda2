"use client";

import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import type { Recording, Setup } from "@/contract";
import { fromEuler, recipes, type Airframe, type Pack, type TrickPicture } from "@/core";
import { CameraView } from "@/ui/flight/camera-view";
import { PlayerBar } from "@/ui/flight/player-bar";
import { usePlayer } from "@/ui/flight/use-player";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { StickDials } from "@/ui/sticks/stick-dials";
import type { WorkerClient } from "@/ui/worker/worker-client";
import { foundTrickName, lower, momentText, percent } from "@/words";
import type { TapeWorker } from "@/workers/tape.worker";
import { LayOver, useModelWay, type LaidOver } from "./lay-over";
import { TrickMeasures } from "./trick-measures";
import { TurnRound } from "./turn-round";

interface TrickBoardProps {
  readonly pack: Pack;
  readonly at: number;
  readonly setup: Setup;
  readonly airframe: Airframe | null;
  readonly stickMode: number;
  readonly others: readonly Recording[];
  readonly setups: readonly Setup[];
  readonly ask: WorkerClient<TapeWorker>["ask"];
  /** The moment at hand, s from the begin of the recording's time; null before one is touched. */
  readonly onMoment: (atS: number | null) => void;
}

/** One trick of a pack: drawn round, its sticks, the camera's picture and what was measured, one moment through all. */
export function TrickBoard({ pack, at, setup, airframe, stickMode, others, setups, ask, onMoment }: TrickBoardProps) {
  const [trick, picture] = [pack.tricks[at], pack.pictures[at]];
  const player = usePlayer(picture.turnedDeg.length * picture.sampleS);
  useKeys(player.keys);
  const model = useModelWay(trick, { airframe, setup }, ask);
  const [over, setOver] = useState<LaidOver | null>(null);
  const cursor =
    player.cursorS === null
      ? null
      : Math.min(picture.turnedDeg.length - 1, Math.round(player.cursorS / picture.sampleS));
  const momentS = player.cursorS === null ? null : picture.startS + player.cursorS;
  useEffect(() => onMoment(momentS), [momentS, onMoment]);
  return (
    <Box component="section" aria-labelledby="trick" sx={{ mt: 2 }}>
      <Typography variant="h2" id="trick">
        {foundTrickName(trick)} · <span className="num">{momentText(trick.fromS - pack.fromS)}</span>
      </Typography>
      {model && model.likeness > 0.6 && (
        <Typography sx={{ color: "text.secondary" }}>
          Flown most like the {lower(recipes[model.recipe].label)}: its rates agree to{" "}
          <span className="num">{percent(model.likeness)}</span> with the model’s.
        </Typography>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr) minmax(0,1fr)" },
          columnGap: 4,
          rowGap: 2,
          alignItems: "start",
        }}
      >
        <div>
          <TurnRound trick={trick} picture={picture} cursor={cursor} over={over} />
          <LayOver {...{ pack, at, model, others, setups, setup }} onLay={setOver} />
        </div>
        <div>
          <StickDials trace={picture} stickMode={stickMode} phases={[]} cursor={cursor} />
          <PlayerBar player={player} durationS={picture.turnedDeg.length * picture.sampleS} />
          <Box sx={{ mt: 1, maxWidth: 320 }}>
            <Picture picture={picture} cursor={cursor} setup={setup} stopS={trick.toS} />
          </Box>
        </div>
        <TrickMeasures trick={trick} over={over} />
      </Box>
    </Box>
  );
}

/** What the camera saw, as far as the gyro tells: at the moment at hand, else at the stop. */
function Picture(props: { picture: TrickPicture; cursor: number | null; setup: Setup; stopS: number }) {
  const { picture, cursor, setup, stopS } = props;
  const { down, downNose, downRight, startS, sampleS } = picture;
  const stop = Math.max(0, Math.min(down.length - 1, Math.round((stopS - startS) / sampleS)));
  const i = cursor ?? stop;
  const degrees = 180 / Math.PI;
  const attitude = fromEuler({
    yawDeg: 0,
    pitchDeg: degrees * Math.asin(Math.max(-1, Math.min(1, -downNose[i]))),
    rollDeg: degrees * Math.atan2(downRight[i], down[i]),
  });
  const { tiltDeg, camera } = setup.settings;
  const title = `Camera ${cursor === null ? "at the stop" : "at this moment"}, from the gyro; height is not in a recording`;
  return <CameraView title={title} attitude={attitude} tiltDeg={tiltDeg} lens={camera} />;
}
