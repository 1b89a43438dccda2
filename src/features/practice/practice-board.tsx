"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import { median, type Airframe, type PreparedDrill, type Settings } from "@/core";
import type { Pilot } from "@/contract";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { KeepReaction } from "@/ui/pilot/keep-reaction";
import { usePreferences } from "@/ui/theme/preferences";
import { refusedWords, taskWords } from "@/words";
import { AfterTry } from "./after-try";
import { Controls, Figures } from "./controls";
import { HandsPanel } from "./hands-panel";
import { OpenAsRecording } from "./open-as-recording";
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
function cleanInARow(tries: readonly Judged[]): number {
  const missed = tries.map(({ score }) => score.passed).lastIndexOf(false);
  return tries.length - 1 - missed;
}

/** Above the picture, never in it; its place is kept, so that nothing moves as the call comes. */
function Call({ called }: { called: boolean }) {
  return (
    <Box sx={{ height: 36, fontSize: "1.4rem", fontWeight: 700 }}>
      {called ? (
        <Box component="span" role="alert" sx={{ color: "error.main" }}>
          ▲ Bail now
        </Box>
      ) : (
        <Box component="span" sx={{ color: "text.secondary" }}>
          Wait for the call
        </Box>
      )}
    </Box>
  );
}

/** For who has no switch on a radio, nor a key. */
function ModeSwitch({ on, onThrow }: { on: boolean; onThrow: () => void }) {
  return (
    <Button variant={on ? "contained" : "outlined"} aria-pressed={on} onClick={onThrow} sx={{ mt: 1 }}>
      Self-level (m)
    </Button>
  );
}

/** Fewer answers say little of a reaction. */
const ENOUGH_ANSWERS = 5;

/** The reaction to the calls of this sitting, for the pilot's margins, once there are enough. */
function ReactionHere({ pilot, tries }: { pilot: Pilot; tries: readonly Judged[] }) {
  const answers = tries.flatMap(({ score: { next } }) => (next.kind === "answered" ? [next.reactionS] : []));
  if (answers.length < ENOUGH_ANSWERS) return null;
  return (
    <Box sx={{ mt: 1 }}>
      <KeepReaction pilot={pilot} reactionS={median(answers)} />
    </Box>
  );
}

/** Keys of a try: none of those that fly. */
function useTryKeys(
  phase: TryPhase,
  { begin, stop }: ReturnType<typeof useTry>,
  onLookOtherwise: () => void,
  onSwitch: (() => void) | null,
): void {
  useKeys([
    { key: "Enter", label: "Start or end a try", run: phase === "flying" ? stop : begin },
    {
      key: "r",
      label: "Back to the start",
      run: () => {
        if (phase === "flying") stop();
        begin();
      },
    },
    { key: "v", label: "Through the camera, or by eye", run: onLookOtherwise },
    ...(onSwitch ? [{ key: "m", label: "Self-level on or off", run: onSwitch }] : []),
  ]);
}

/** A drill in hand: its picture, the hands, and what came of the last try. */
export function PracticeBoard(props: {
  prepared: PreparedDrill;
  airframe: Airframe;
  settings: Settings;
  pilot: Pilot;
  aim: string;
  /** A coach may have margins go by the reaction that is measured here. */
  keepsReaction: boolean;
  onJudged: (judged: Judged, flown: FlownTry) => void;
}) {
  const { prepared, airframe, settings, pilot, aim, keepsReaction, onJudged } = props;
  const { stickMode } = pilot;
  const { drill, seat } = prepared;
  const { units } = usePreferences();
  const [looking, setLooking] = useState<Looking>(seat.kind === "camera" ? "camera" : "eye");
  const [helps, setHelps] = useState(false);
  const [pace, setPace] = useState(1);
  const [phase, setPhase] = useState<TryPhase>("ready");
  const switches = drill.task.kind === "call" && drill.task.answer === "switch";
  const hands = useHands(phase === "flying", switches);
  const canvas = useRef<HTMLCanvasElement>(null);
  const world = useWorld(canvas, prepared, airframe, settings);
  const { judge, last, refused, tries } = useJudge(airframe, settings, onJudged);
  const clean = cleanInARow(tries);
  const withGhost = helps || clean < WITHOUT_GHOST;
  const flight = useTry({
    ...{ prepared, airframe, settings, hands, world: world.made, looking, withGhost, pace, phase },
    onPhase: (now) => {
      if (now === "flying") setLevelled(false);
      setPhase(now);
    },
    onOver: judge,
  });
  const [levelled, setLevelled] = useState(false);
  const throwSwitch = () => setLevelled(hands.throwSwitch());
  useTryKeys(
    phase,
    flight,
    () => setLooking((now) => (now === "eye" ? "camera" : "eye")),
    switches ? throwSwitch : null,
  );
  return (
    <Box sx={{ display: "grid", gap: 2.5, gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 330px" } }}>
      <Box sx={{ minWidth: 0 }}>
        {drill.task.kind === "call" && <Call called={flight.called} />}
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
        {switches && <ModeSwitch on={levelled} onThrow={throwSwitch} />}
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
            <b className="num">{tries.filter(({ score }) => score.passed).length}</b> of{" "}
            <span className="num">{tries.length}</span> tries clean in this sitting.
          </Typography>
        )}
        {refused && (
          <Typography role="alert" color="error.main">
            ▲ {refusedWords(refused, units)}
          </Typography>
        )}
        {last && phase !== "flying" && (
          <>
            <AfterTry {...last} ghost={prepared.ghost} stickMode={stickMode} />
            {keepsReaction && <ReactionHere pilot={pilot} tries={tries} />}
            <OpenAsRecording drillId={drill.id} pilotId={pilot.id} tries={tries} />
          </>
        )}
        <HandsPanel hands={hands} latencyMs={flight.latencyMs} />
        <Typography sx={{ mt: 2, fontSize: "0.85rem", color: "text.secondary" }}>
          Flown in the same model as the lab, at your own settings. It does not replace a field, a spotter or a licensed
          instructor.
        </Typography>
      </Box>
    </Box>
  );
}
