"use client";

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useMemo, useRef, useState } from "react";
import type { Airframe, PreparedDrill, Score, Settings } from "@/core";
import { useKeys } from "@/ui/keys/keys";
import { usePreferences } from "@/ui/theme/preferences";
import { refusedWords, taskWords } from "@/words";
import { AfterTry } from "./after-try";
import { Controls, Figures } from "./controls";
import { HandsPanel } from "./hands-panel";
import { Picture, useWorld } from "./picture";
import { TouchSticks } from "./touch-sticks";
import { useHands } from "./use-hands";
import { useJudge, type Judged } from "./use-judge";
import { useTry, type FlownTry, type TryPhase } from "./use-try";
import type { Looking } from "./world";

/** Clean tries in a row after which the ghost stays away, and after which height and speed do. Ours. */
const WITHOUT_GHOST = 1;
const WITHOUT_FIGURES = 3;

/** Clean tries in a row, up to the last. */
function cleanInARow(tries: readonly Score[]): number {
  const missed = tries.map(({ passed }) => passed).lastIndexOf(false);
  return tries.length - 1 - missed;
}

/** A drill in hand: its picture, the hands, and what came of the last try. */
export function PracticeBoard(props: {
  prepared: PreparedDrill;
  airframe: Airframe;
  settings: Settings;
  stickMode: number;
  aim: string;
  onJudged: (judged: Judged, flown: FlownTry) => void;
}) {
  const { prepared, airframe, settings, stickMode, aim, onJudged } = props;
  const { drill, seat } = prepared;
  const { units } = usePreferences();
  const [looking, setLooking] = useState<Looking>(seat.kind === "camera" ? "camera" : "eye");
  const [helps, setHelps] = useState(false);
  const [pace, setPace] = useState(1);
  const [phase, setPhase] = useState<TryPhase>("ready");
  const hands = useHands(phase === "flying");
  const canvas = useRef<HTMLCanvasElement>(null);
  const world = useWorld(canvas, prepared, airframe, settings);
  const { judge, last, refused, tries } = useJudge(airframe, settings, onJudged);
  const clean = cleanInARow(tries);
  const withGhost = helps || clean < WITHOUT_GHOST;
  const flight = useTry({
    ...{ prepared, airframe, settings, hands, world: world.made, looking, withGhost, pace, phase },
    onPhase: setPhase,
    onOver: judge,
  });
  useKeys(
    useMemo(
      () => [
        { key: "Enter", label: "Start or end a try", run: () => (phase === "flying" ? flight.stop() : flight.begin()) },
        {
          key: "r",
          label: "Back to the start",
          run: () => {
            if (phase === "flying") flight.stop();
            flight.begin();
          },
        },
        {
          key: "v",
          label: "Through the camera, or by eye",
          run: () => setLooking((now) => (now === "eye" ? "camera" : "eye")),
        },
      ],
      [phase, flight],
    ),
  );
  return (
    <Box sx={{ display: "grid", gap: 2.5, gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 330px" } }}>
      <Box sx={{ minWidth: 0 }}>
        {flight.called && (
          <Typography role="alert" sx={{ color: "error.main", fontWeight: 700, fontSize: "1.4rem" }}>
            ▲ Bail now
          </Typography>
        )}
        <Picture canvas={canvas} able={world.able} looking={looking} called={flight.called} />
        <Figures
          state={flight.shown}
          progress={flight.progress}
          task={drill.task}
          shown={helps || clean < WITHOUT_FIGURES}
        />
        <Controls
          {...{ phase, looking, pace, helps }}
          onGo={phase === "flying" ? flight.stop : flight.begin}
          onLooking={setLooking}
          onPace={setPace}
          onHelps={setHelps}
        />
        {flight.radioGone && (
          <Typography role="alert" color="error.main">
            ▲ The radio is gone: the try ended there. Plug it in again, or go on with the keys.
          </Typography>
        )}
        {!hands.radio && (
          <TouchSticks stickMode={stickMode} onTouch={hands.touch} throttle={flight.shown.sticks.throttle} />
        )}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="h2">The task</Typography>
        <Typography sx={{ mt: 0.5 }}>{aim}</Typography>
        <Typography sx={{ mt: 0.5, fontWeight: 650 }}>{taskWords(drill, units)}</Typography>
        {tries.length > 0 && (
          <Typography role="status" sx={{ mt: 1.5 }}>
            <b className="num">{tries.filter(({ passed }) => passed).length}</b> of{" "}
            <span className="num">{tries.length}</span> tries clean in this sitting.
          </Typography>
        )}
        {refused && (
          <Typography role="alert" color="error.main">
            ▲ {refusedWords(refused, units)}
          </Typography>
        )}
        {last && phase !== "flying" && <AfterTry {...last} ghost={prepared.ghost} stickMode={stickMode} />}
        <HandsPanel hands={hands} latencyMs={flight.latencyMs} />
        <Typography sx={{ mt: 2, fontSize: "0.85rem", color: "text.secondary" }}>
          Flown in the same model as the lab, at your own settings. It does not replace a field, a spotter or a licensed
          instructor.
        </Typography>
      </Box>
    </Box>
  );
}
