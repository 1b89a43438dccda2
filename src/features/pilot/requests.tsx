"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { SignOffRequest } from "@/contract";
import { stepName, type Step } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Moment } from "@/ui/moment/moment";
import type { PilotData } from "./load";

/** A pilot asks for the sign-off of a step, once. */
export function AskSignOff({ data, step }: { data: PilotData; step: Step }) {
  const router = useRouter();
  const [asking, setAsking] = useState(false);
  const asked = data.requests.some((one) => one.stepId === step.id && one.answeredAtMs === null);
  if (asked) return <b>■ Sign-off requested: your coach can see it</b>;
  return (
    <>
      <Button variant="outlined" onClick={() => setAsking(true)}>
        Request sign-off
      </Button>
      <Dialog open={asking} onClose={() => setAsking(false)} aria-labelledby="ask" fullWidth maxWidth="xs">
        <DialogTitle id="ask">Request sign-off of {step.name.toLowerCase()}</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            <SendForm
              action="ask-sign-off"
              submit="Ask"
              fields={{ message: { label: "To your coach (optional)", initial: "", lines: 2 } }}
              input={({ message }, id) => ({ id, pilotId: data.pilot.id, stepId: step.id, message })}
              onDone={() => {
                setAsking(false);
                router.refresh();
              }}
            />
          </Box>
        </DialogContent>
      </Dialog>
    </>
  );
}

/** What the pilot asks to have signed off, and what was answered. */
export function Requests({ data }: { data: PilotData }) {
  const router = useRouter();
  const syllabus = useSyllabus();
  const [answering, setAnswering] = useState<SignOffRequest | null>(null);
  if (data.requests.length === 0) return null;
  return (
    <section aria-labelledby="requests">
      <Typography variant="h2" id="requests">
        Sign-off requests
      </Typography>
      {data.requests.map((request) => (
        <Box key={request.id} sx={(theme) => ({ py: 1, borderBottom: `1.5px solid ${theme.tokens.rule}` })}>
          <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
            <b>{stepName(syllabus, request.stepId)}</b>
            <Box component="span" sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
              <Moment atMs={request.askedAtMs} />
            </Box>
            <Box sx={{ flex: 1 }} />
            {data.coaches && request.answeredAtMs === null && (
              <Button size="small" sx={{ minHeight: 26, py: 0 }} onClick={() => setAnswering(request)}>
                Not yet
              </Button>
            )}
          </Box>
          {request.message && <Box sx={{ overflowWrap: "anywhere" }}>{request.message}</Box>}
          {request.answer && (
            <Box sx={(theme) => ({ borderLeft: `4px solid ${theme.tokens.ochre}`, pl: 1, overflowWrap: "anywhere" })}>
              Not yet: {request.answer}
            </Box>
          )}
        </Box>
      ))}
      <Dialog
        open={answering !== null}
        onClose={() => setAnswering(null)}
        aria-labelledby="answer"
        fullWidth
        maxWidth="xs"
      >
        <DialogTitle id="answer">Not yet: what’s missing?</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            {answering && (
              <SendForm
                action="answer-request"
                submit="Answer"
                fields={{ answer: { label: `To ${data.pilot.name}`, initial: "", lines: 2 } }}
                input={({ answer }) => ({ id: answering.id, answer })}
                onDone={() => {
                  setAnswering(null);
                  router.refresh();
                }}
              />
            )}
          </Box>
        </DialogContent>
      </Dialog>
    </section>
  );
}
