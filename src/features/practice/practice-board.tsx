"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import { useEffect, useMemo, useRef, useState } from "react";
import {
  spanM,
  type Airframe,
  type PracticeRecord,
  type PracticeState,
  type PreparedDrill,
  type Replayed,
  type Score,
  type Settings,
} from "@/core";
import { PickOne } from "@/ui/forms/pick-one";
import { useKeys } from "@/ui/keys/keys";
import { FindSticks } from "@/ui/radio/find-sticks";
import { Num } from "@/ui/units/figure";
import { usePreferences } from "@/ui/theme/preferences";
import { useNewest } from "@/ui/worker/use-newest";
import { percent, refusedWords, taskWords } from "@/words";
import type { PracticeWorker } from "@/workers/practice.worker";
import { AfterTry } from "./after-try";
import { practiceWorker } from "./practice-worker";
import { TouchSticks } from "./touch-sticks";
import { useHands, type Hands } from "./use-hands";
import { useTry, type TryPhase } from "./use-try";
import { World, type Looking } from "./world";

/** A drill in hand: its picture, the hands, and what came of the last try. */
export function PracticeBoard(props: {
  prepared: PreparedDrill;
  airframe: Airframe;
  settings: Settings;
  stickMode: number;
  aim: string;
}) {
  const { prepared, airframe, settings, stickMode, aim } = props;
  const { units } = usePreferences();
  const [looking, setLooking] = useState<Looking>("camera");
  const [withGhost, setGhost] = useState(true);
  const [pace, setPace] = useState(1);
  const [phase, setPhase] = useState<TryPhase>("ready");
  const hands = useHands(phase === "flying");
  const canvas = useRef<HTMLCanvasElement>(null);
  const world = useWorld(canvas, prepared, airframe, settings);
  const { judged, judge } = useJudge(prepared, airframe, settings);
  const flight = useTry({
    ...{ prepared, airframe, settings, hands, world: world.made, looking, withGhost, pace, phase },
    onPhase: setPhase,
    onOver: judge,
  });
  useKeys(
    useMemo(
      () => [
        {
          key: "Enter",
          label: "Begin, or end the try",
          run: () => (phase === "flying" ? flight.stop() : flight.begin()),
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
  const { passed, flown } = judged.count;
  return (
    <Box sx={{ display: "grid", gap: 2.5, gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 330px" } }}>
      <Box sx={{ minWidth: 0 }}>
        <Picture canvas={canvas} able={world.able} looking={looking} />
        <Figures state={flight.shown} />
        <Controls
          {...{ phase, looking, pace, withGhost }}
          onGo={phase === "flying" ? flight.stop : flight.begin}
          onLooking={setLooking}
          onPace={setPace}
          onGhost={setGhost}
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
        <Typography sx={{ mt: 0.5, fontWeight: 650 }}>{taskWords(prepared.drill, units)}</Typography>
        <HandsPanel hands={hands} />
        {flown > 0 && (
          <Typography role="status" sx={{ mt: 1.5 }}>
            <b className="num">{passed}</b> of <span className="num">{flown}</span> tries passed in this sitting.
          </Typography>
        )}
        {judged.refused && (
          <Typography role="alert" color="error.main">
            ▲ {refusedWords(judged.refused, units)}
          </Typography>
        )}
        {judged.last && phase !== "flying" && (
          <AfterTry {...judged.last} ghost={prepared.ghost} stickMode={stickMode} />
        )}
        <Typography sx={{ mt: 2, fontSize: "0.85rem", color: "text.secondary" }}>
          The model flies as the lab does, in still air. It does not stand in for a field, a watcher or a licensed
          instructor.
        </Typography>
      </Box>
    </Box>
  );
}

/** The picture that is flown by. */
function Picture(props: { canvas: React.RefObject<HTMLCanvasElement | null>; able: boolean; looking: Looking }) {
  const { canvas, able, looking } = props;
  return (
    <Box sx={(theme) => ({ border: `1.5px solid ${theme.tokens.ink}`, height: { xs: 300, md: 430 } })}>
      {able ? (
        <canvas
          ref={canvas}
          role="img"
          aria-label={
            looking === "camera" ? "What the aircraft's camera sees" : "The aircraft, seen from where a coach stands"
          }
          style={{ display: "block", width: "100%", height: "100%" }}
        />
      ) : (
        <Typography sx={{ p: 2 }}>
          This browser does not draw in space here, so nothing can be flown by hand.
        </Typography>
      )}
    </Box>
  );
}

/** The world of a drill on its canvas. */
function useWorld(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  { ghost, environment }: PreparedDrill,
  airframe: Airframe,
  { tiltDeg, camera }: Settings,
) {
  const { tokens } = useTheme();
  const [made, setMade] = useState<World | null>(null);
  const [able, setAble] = useState(true);
  const { verticalFovDeg } = camera;
  const wideM = spanM(airframe);
  useEffect(() => {
    if (!canvas.current) return;
    let world: World;
    try {
      const lens = { tiltDeg, verticalFovDeg };
      world = new World(canvas.current, tokens, lens, environment.obstacles ?? [], wideM);
      world.showWay(ghost.trace);
    } catch {
      // Switched off by the browser's settings: said in words in the picture's place.
      // eslint-disable-next-line react-hooks/set-state-in-effect
      return setAble(false);
    }
    setMade(world);
    return () => {
      setMade(null);
      world.end();
    };
  }, [canvas, tokens, ghost, environment, wideM, tiltDeg, verticalFovDeg]);
  return { made, able };
}

/** A try by its number: what was flown is too long to be told apart by itself. */
interface JudgeRequest {
  readonly n: number;
}

interface Judged {
  readonly flown: Replayed;
  readonly score: Score;
}

/** Tries of this sitting, flown again in a worker and held against the drill. */
function useJudge(prepared: PreparedDrill, airframe: Airframe, settings: Settings) {
  const [tries, setTries] = useState<readonly Score[]>([]);
  const [last, setLast] = useState<Judged | null>(null);
  const records = useRef<readonly PracticeRecord[]>([]);
  const [asked, setAsked] = useState<JudgeRequest | null>(null);
  const { result, pending } = useNewest<JudgeRequest, Judged, PracticeWorker>(asked, practiceWorker, (remote, { n }) =>
    remote.judgeTry(
      records.current[n],
      { drill: prepared.drill, environment: prepared.environment },
      airframe,
      settings,
    ),
  );
  const answer = result?.kind === "answer" && !pending ? result.answer : null;
  if (answer && answer !== last) {
    setLast(answer);
    setTries([...tries, answer.score]);
  }
  return {
    judged: {
      refused: result?.kind === "refused" && !pending ? result.why : null,
      last: pending ? null : last,
      count: { flown: tries.length, passed: tries.filter((one) => one.passed).length },
    },
    judge: (record: PracticeRecord) => {
      records.current = [...records.current, record];
      setAsked({ n: records.current.length - 1 });
    },
  };
}

/** What is done to a try, and how it is seen. */
function Controls(props: {
  phase: TryPhase;
  looking: Looking;
  pace: number;
  withGhost: boolean;
  onGo: () => void;
  onLooking: (looking: Looking) => void;
  onPace: (pace: number) => void;
  onGhost: (on: boolean) => void;
}) {
  const { phase, looking, pace, withGhost, onGo, onLooking, onPace, onGhost } = props;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, mt: 1 }}>
      <Button variant="contained" size="large" onClick={onGo}>
        {phase === "flying" ? "End the try" : phase === "over" ? "Once more" : "Begin"}
      </Button>
      <PickOne
        label="Seen"
        value={looking}
        options={[
          ["camera", "Through the camera"],
          ["eye", "By eye"],
        ]}
        onPick={onLooking}
      />
      <PickOne
        label="Pace"
        value={pace}
        options={[
          [1, "Real time"],
          [0.5, "Half"],
          [0.25, "Quarter"],
        ]}
        onPick={onPace}
      />
      <FormControlLabel control={<Checkbox checked={withGhost} onChange={(_, on) => onGhost(on)} />} label="Ghost" />
    </Box>
  );
}

/** Below the picture, never in it. */
function Figures({ state }: { state: PracticeState }) {
  const speed = Math.hypot(state.northMps, state.eastMps, state.climbMps);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 3, mt: 0.75 }}>
      <span>
        Height <Num value={state.heightM} quantity="length" />
      </span>
      <span>
        Speed <Num value={speed} quantity="speed" />
      </span>
      <span>
        Throttle <b className="num">{percent(state.sticks.throttle)}</b>
      </span>
      <span>
        Time <Num value={state.timeS} quantity="time" digits={1} />
      </span>
    </Box>
  );
}

/** With what it is flown, and how the sticks of a radio are found. */
function HandsPanel({ hands }: { hands: Hands }) {
  const [finding, setFinding] = useState(false);
  return (
    <Box component="section" aria-labelledby="hands" sx={{ mt: 1.5 }}>
      <Typography variant="h2" id="hands">
        Hands
      </Typography>
      {hands.radio ? (
        <>
          <Typography sx={{ overflowWrap: "anywhere" }}>{hands.radio}</Typography>
          {!hands.radioKnown && (
            <Typography sx={{ fontSize: "0.9rem" }}>
              Its sticks are taken as most radios say them; find them to be sure.
            </Typography>
          )}
          <Button size="small" variant="outlined" sx={{ mt: 0.5 }} onClick={() => setFinding(true)}>
            Find its sticks
          </Button>
          <FindSticks open={finding} onClose={() => setFinding(false)} onFound={hands.keepRadio} />
        </>
      ) : (
        <Typography sx={{ fontSize: "0.92rem" }}>
          Plug a radio in and move a stick; hands are learnt on one. Without: W and S open and close the throttle, A and
          D yaw, the arrows pitch and roll, or drag the two sticks below the picture.
        </Typography>
      )}
    </Box>
  );
}
