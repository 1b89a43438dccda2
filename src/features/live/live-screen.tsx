"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useState } from "react";
import type { Setup } from "@/contract";
import { endsRound, type LiveCall } from "@/core";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { handOver } from "@/ui/recordings/handed-over";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { counted, foundTrickName, numeral, signedDeg, spokenTrick } from "@/words";
import { readAnswer, type LineAnswer } from "./answers";
import { Instruments } from "./instruments";
import { LeftRecordings } from "./left-recordings";
import { dropLive, liveFile } from "./live-store";
import type { LiveData } from "./load";
import { SourceChoice } from "./source-choice";
import type { LineState, LiveSource } from "./sources";
import { useLive, type LiveTrouble } from "./use-live";
import { say, useHasVoice } from "./voice";

const ReactionPanel = later(() => import("./reaction-panel").then((part) => part.ReactionPanel));
const StandInPanel = later(() => import("./stand-in-panel").then((part) => part.StandInPanel));
const SettingsOnLine = later(() => import("./settings-on-line").then((part) => part.SettingsOnLine));

const lineWords: Readonly<Record<LineState, string>> = {
  opening: "opening",
  open: "open",
  lost: "lost: it opens itself again, and what was recorded is kept",
  closed: "closed",
};

/** Sticks and gyro while they are flown: each trick called as it comes to rest, and the recording kept on this device. */
export function LiveScreen({ data }: { data: LiveData }) {
  const { pilot, aircraft, setup } = data;
  if (!aircraft || !setup)
    return (
      <>
        <Typography variant="h1">Live</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="Tricks are recognised by the rates and the tilt they are flown with, so set those up first."
        />
      </>
    );
  return <Live data={data} setup={setup} aircraftName={aircraft.name} />;
}

function Live({ data, setup, aircraftName }: { data: LiveData; setup: Setup; aircraftName: string }) {
  const { pilot, standIn } = data;
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const [aloud, setAloud] = useState(false);
  const hasVoice = useHasVoice();
  const [answer, setAnswer] = useState<LineAnswer | null>(null);
  const [called, setCalled] = useState<LiveCall | null>(null);
  const by = useMemo(() => ({ rates: setup.settings.rates, tiltDeg: setup.settings.tiltDeg }), [setup]);
  const onAnswer = useCallback((line: string) => {
    const read = readAnswer(line);
    if (read) setAnswer(read);
  }, []);
  const onCalls = useCallback(
    (calls: readonly LiveCall[]) => {
      const newest = calls.at(-1);
      if (!newest) return;
      setCalled(newest);
      if (aloud) say(spokenTrick(newest.trick));
    },
    [aloud],
  );
  const { running, line, state, keptRows, trouble, isHeard, reactionS, listen, stop } = useLive(by, pilot.id, {
    onAnswer,
    onCalls,
  });
  const begin = (source: LiveSource) => {
    setAnswer(null);
    setCalled(null);
    void listen(source);
  };
  const readIt = async () => {
    if (!running) return;
    const { id, beganMs } = running;
    await stop();
    // It stays on this device until it is kept on the server.
    handOver({ file: await liveFile({ id, beganMs }), onKept: () => void dropLive(id) });
    router.push(hrefFor("/tape"));
  };
  useAskBeforeLeaving(running !== null);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">Live</Typography>
        {running && (
          <span role="status">
            {running.source.name}: {lineWords[line]}
          </span>
        )}
        <Box sx={{ flex: 1 }} />
        <FormControlLabel
          label={hasVoice ? "Call tricks aloud" : "This device has no voice of its own"}
          disabled={!hasVoice}
          control={<Checkbox checked={aloud} onChange={(_, is) => setAloud(is)} />}
        />
        {running && (
          <Button variant="contained" onClick={() => void readIt()} disabled={!state || state.rows === 0}>
            Stop and read it
          </Button>
        )}
        {!running && (
          <Button component={Link} href={hrefFor("/tape")} variant="outlined">
            Recordings
          </Button>
        )}
      </Box>
      {trouble && <Trouble trouble={trouble} />}
      {!running && (
        <>
          <SourceChoice standIn={standIn} pilotName={pilot.name} onChoose={begin} />
          <LeftRecordings pilotId={pilot.id} />
        </>
      )}
      {running && (
        <>
          <Called call={called} count={state?.tricks.length ?? 0} />
          <Instruments state={state} keptRows={keptRows} setup={setup} stickMode={pilot.stickMode} />
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" },
              columnGap: 4,
              rowGap: 2,
              mt: 3,
            }}
          >
            {running.source.answers && (
              <SettingsOnLine
                {...{ setup, aircraftName, answer, state, line, isHeard }}
                say={(text) => running.source.say(text)}
              />
            )}
            <ReactionPanel {...{ pilot, reactionS, aloud }} coaches={data.coaches} />
            {running.source.kind === "stand-in" && <StandInPanel say={(text) => running.source.say(text)} />}
          </Box>
        </>
      )}
    </>
  );
}

/** A page that is left by mistake would cut the recording off. */
function useAskBeforeLeaving(running: boolean): void {
  useEffect(() => {
    if (!running) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener("beforeunload", ask);
    return () => removeEventListener("beforeunload", ask);
  }, [running]);
}

function Trouble({ trouble }: { trouble: LiveTrouble }) {
  return (
    <Alert severity="error" sx={{ mb: 2 }}>
      {trouble === "broke"
        ? "The computing on this device broke off. What was recorded until then is below: read it, and begin again."
        : "This device keeps no more of what comes: its storage is full or closed. Stop and read it before you leave the page."}
    </Alert>
  );
}

/** The newest trick in large figures, to be read from a step away. */
function Called({ call, count }: { call: LiveCall | null; count: number }) {
  return (
    <Box
      role="status"
      aria-label="Trick called"
      aria-live="assertive"
      sx={(theme) => ({
        bgcolor: theme.tokens.sheet,
        border: `1.5px solid ${theme.tokens.ink}`,
        px: 2,
        py: 1.5,
        mb: 2,
      })}
    >
      {call ? (
        <>
          <Typography component="p" sx={{ fontSize: { xs: "2rem", md: "3.2rem" }, fontWeight: 800, lineHeight: 1.1 }}>
            {foundTrickName(call.trick)}
            {endsRound(call.trick) && (
              <Box component="span" className="num" sx={{ ml: 3 }}>
                {signedDeg(call.trick.measures.stopErrorDeg)}
              </Box>
            )}
          </Typography>
          <Typography>
            {call.trick.measures.throttleInvertedMean !== null && (
              <>
                Throttle upside down{" "}
                <b className="num">{numeral(100 * call.trick.measures.throttleInvertedMean, 0)}&#8239;%</b> ·{" "}
              </>
            )}
            {counted(count, "trick")} so far
          </Typography>
        </>
      ) : (
        <Typography sx={{ fontSize: "1.4rem" }}>Waiting for the first trick.</Typography>
      )}
    </Box>
  );
}
