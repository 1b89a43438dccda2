"use client";

import { Box } from "@/ui/layout/box";
import { capital } from "@/words";
import Button from "@mui/material/Button";
import { useTheme } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { useSend } from "@/ui/actions/use-send";

import { tell } from "@/ui/messages/messages";
import { quizQuestions, type QuizQuestion, type Side, type Way } from "@/ui/sticks/quiz";
import type { BriefData } from "./load";

interface Round {
  readonly questions: readonly QuizQuestion[];
  readonly at: number;
  readonly wrong: readonly QuizQuestion[];
  /** What the last answer was worth; null before it. */
  readonly said: { readonly right: boolean; readonly text: string } | null;
}

/** Asks what every axis does on the drawing of both sticks, in the pilot's own stick mode. A round without a wrong answer is a clean attempt. */
export function StickQuiz({ data }: { data: BriefData }) {
  const { pilot } = data;
  const [round, setRound] = useState<Round | null>(null);
  const begin = () =>
    setRound({ questions: quizQuestions(pilot.stickMode, Math.random), at: 0, wrong: [], said: null });
  if (!round)
    return (
      <Box component="section" aria-label="Quiz" sx={{ my: 2 }}>
        <Button variant="contained" onClick={begin}>
          Begin the quiz, mode {pilot.stickMode}
        </Button>
      </Box>
    );
  const question = round.questions[round.at];
  const answer = (right: boolean, text: string) =>
    setRound({
      ...round,
      at: round.at + 1,
      wrong: right ? round.wrong : [...round.wrong, question],
      said: { right, text },
    });
  return (
    <Box component="section" aria-label="Quiz" sx={{ my: 2, maxWidth: 620 }}>
      <Box
        role="status"
        sx={{ minHeight: 26, fontWeight: 600, color: round.said?.right === false ? "error.main" : "text.primary" }}
      >
        {round.said && `${round.said.right ? "■ Right" : "✕ Not so"}. ${round.said.text}`}
      </Box>
      {question ? (
        <>
          <Typography sx={{ fontSize: "1.3rem", fontWeight: 700 }}>
            <span className="num">
              {round.at + 1}/{round.questions.length}
            </span>{" "}
            {question.kind === "push" ? `Push for: ${question.asks}` : question.asks}
          </Typography>
          {question.kind === "push" ? (
            <Dials
              onPush={(side, way) =>
                answer(
                  side === question.side && way === question.way,
                  `${capital(question.asks)}: ${question.side} stick ${wayWords[question.way]}.`,
                )
              }
            />
          ) : (
            <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 2 }}>
              {question.answers.map((text, i) => (
                <Button
                  key={text}
                  variant="outlined"
                  size="large"
                  onClick={() => answer(i === question.right, question.because)}
                >
                  {text}
                </Button>
              ))}
            </Box>
          )}
        </>
      ) : (
        <Result data={data} round={round} onAgain={begin} />
      )}
    </Box>
  );
}

function Result({ data, round, onAgain }: { data: BriefData; round: Round; onAgain: () => void }) {
  const { pilot, standing } = data;
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [kept, setKept] = useState(false);
  const [ids] = useState(() => ({ session: newId(), attempt: newId() }));
  const clean = round.wrong.length === 0;
  const keep = async () => {
    const member = { pilotId: pilot.id, stepId: standing.stepId, setupId: null };
    const { pilotId, stepId } = member;
    const attempt = {
      pilotId,
      stepId,
      direction: data.direction,
      outcome: clean ? ("clean" as const) : ("rough" as const),
      flownAtMs: Date.now(),
    };
    const sent =
      (await sendAction("start-session", { id: ids.session, place: "by-eye", pilots: [member] })).ok &&
      (await sendAction("log-attempt", { id: ids.attempt, sessionId: ids.session, ...attempt })).ok &&
      (await sendAction("end-session", { id: ids.session })).ok;
    if (!sent) return;
    setKept(true);
    tell("Kept as an attempt", { kind: "done" });
    router.refresh();
  };
  return (
    <>
      <Typography sx={{ fontSize: "1.3rem", fontWeight: 700 }}>
        {clean ? "Not one wrong." : `${round.wrong.length} of ${round.questions.length} wrong:`}
      </Typography>
      <Box component="ul" sx={{ mt: 0.5 }}>
        {round.wrong.map((one) => (
          <li key={one.asks}>
            {one.asks}
            {one.kind === "push" && `: ${one.side} stick ${wayWords[one.way]}`}
          </li>
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button variant="contained" disabled={pending || kept} onClick={keep}>
          {kept ? "Kept" : `Keep as ${clean ? "a clean" : "a rough"} attempt`}
        </Button>
        <Button onClick={onAgain}>Once more</Button>
      </Box>
    </>
  );
}

const wayWords: Readonly<Record<Way, string>> = {
  up: "up",
  down: "down",
  "out-left": "to the left",
  "out-right": "to the right",
};
const ways: readonly (readonly [way: Way, x: number, y: number])[] = [
  ["up", 0, -1],
  ["down", 0, 1],
  ["out-left", -1, 0],
  ["out-right", 1, 0],
];

/** Both dials with the four ways of each to be pushed. */
function Dials({ onPush }: { onPush: (side: Side, way: Way) => void }) {
  return (
    <Box sx={{ display: "flex", gap: { xs: 1.5, sm: 3 }, my: 1.5 }}>
      {(["left", "right"] as const).map((side) => (
        <Dial key={side} side={side} onPush={(way) => onPush(side, way)} />
      ))}
    </Box>
  );
}

function Dial({ side, onPush }: { side: Side; onPush: (way: Way) => void }) {
  const { tokens } = useTheme();
  return (
    <Box sx={{ position: "relative", flex: "1 1 0", maxWidth: 200, aspectRatio: "1" }}>
      <svg viewBox="-100 -100 200 200" width="100%" aria-hidden>
        <circle r="96" fill={tokens.sheet} stroke={tokens.ink} strokeWidth="2" />
        <path d="M-84 0H84M0 -84V84" stroke={tokens.rule} strokeWidth="1.5" />
        <circle r="12" fill={tokens.ink} />
      </svg>
      {ways.map(([way, x, y]) => (
        <Button
          key={way}
          variant="outlined"
          aria-label={`${side} stick ${wayWords[way]}`}
          onClick={() => onPush(way)}
          sx={(theme) => ({
            position: "absolute",
            left: `calc(${50 + 33 * x}% - 26px)`,
            top: `calc(${50 + 33 * y}% - 22px)`,
            minWidth: 52,
            height: 44,
            p: 0,
            bgcolor: theme.tokens.paper,
            fontSize: "1.3rem",
          })}
        >
          {{ up: "↑", down: "↓", "out-left": "←", "out-right": "→" }[way]}
        </Button>
      ))}
    </Box>
  );
}
