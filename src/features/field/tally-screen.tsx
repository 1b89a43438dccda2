"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { v7 as newId } from "uuid";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { useSoon } from "@/ui/loading/use-soon";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { KeysProvider } from "@/ui/keys/keys";
import { ReaderProvider } from "@/ui/units/listener";
import { SyllabiProvider } from "@/ui/syllabus/use-syllabus";
import { WhyProvider } from "@/ui/why/why";
import { BeforeGoggles } from "./before-goggles";
import type { TallyData } from "@/contract";
import { EndedElsewhere, useEndedElsewhere, useEndedHere } from "./ended-elsewhere";
import { CoursesButton } from "./courses-button";
import type { FieldBriefs } from "./packet";
import { RefusedList } from "./refused-list";
import { useTally } from "./use-tally";
import { useWakeLock } from "./use-wake-lock";
import { WaitingLine } from "./waiting-line";
import { Tally } from "./tally";
import { stepsFlown } from "./tally-below";

const Debrief = later(() => import("@/features/debrief/client").then((part) => part.Debrief));

const NOTHING_KEPT: FieldBriefs = { briefs: [], plan: null };

/** The field tally: whole screen, one tap an attempt. Everything tapped is kept on the device until the server has it. */
export function TallyScreen({ data, kept = NOTHING_KEPT }: { data: TallyData; kept?: FieldBriefs }) {
  return (
    <KeysProvider>
      <WhyProvider>
        <SyllabiProvider sent={data.syllabi} squadId={data.session.squadId}>
          <ReaderProvider value={data.coaches ? "coach" : "pilot"}>
            <main>
              <Session data={data} kept={kept} />
            </main>
          </ReaderProvider>
        </SyllabiProvider>
      </WhyProvider>
    </KeysProvider>
  );
}

type Field = ReturnType<typeof useTally>;

/** Prepared, being flown, or over. */
function Session({ data, kept }: { data: TallyData; kept: FieldBriefs }) {
  const field = useTally(data, kept);
  useSoon([Debrief]);
  const { session } = field.tally;
  useWakeLock(session.begun && session.endedAtMs === null && data.mayKeep);
  const signOff = (pilotId: string, stepId: string) =>
    field.act({ action: "sign-off", input: { id: newId(), pilotId, stepId, note: "", atMs: Date.now() } });
  const [endedHere, setEndedHere] = useEndedHere(session, field.tally.accountId);
  const ended = useEndedElsewhere(session, endedHere || field.waiting.end);
  const reopen = () => {
    setEndedHere(false);
    field.act({ action: "reopen-session", input: { id: session.id } });
  };
  if (ended.elsewhere && data.mayKeep)
    return (
      <EndedElsewhere
        session={session}
        accountId={field.tally.accountId}
        waiting={field.waiting.unsent}
        onGoOn={reopen}
        onDebrief={ended.seen}
      />
    );
  if (session.endedAtMs === null && data.mayKeep)
    return session.begun ? (
      <Tally field={field} onSignOff={signOff} onEnd={() => setEndedHere(true)} />
    ) : (
      <Prepared field={field} />
    );
  return (
    <>
      <Debrief data={field.tally} attempts={field.attempts} onReopen={reopen} onSignOff={signOff} />
      <Box sx={{ maxWidth: 900, mx: "auto", px: { xs: 2, md: 3 }, pb: 3 }}>
        <WaitingLine waiting={field.waiting} />
        <RefusedList data={field.tally} items={field.refused} />
      </Box>
    </>
  );
}

/** At the field, before the first pack: who is here, the checklist, and the way in. */
function Prepared({ field }: { field: Field }) {
  const { tally, act } = field;
  const ready = useHydrated();
  return (
    <Box sx={{ maxWidth: 720, mx: "auto", p: { xs: 2, md: 3 } }}>
      <Typography variant="h1">Ready to begin</Typography>
      <Typography sx={{ my: 1 }}>
        {tally.pilots.map(({ name }) => name).join(", ")}
        {tally.site && `, at ${tally.site.name}`}. All of it is on this device; it works without a network.
      </Typography>
      <Button
        variant="contained"
        size="large"
        disabled={!ready}
        onClick={() => act({ action: "begin-session", input: { id: tally.session.id, atMs: Date.now() } })}
        sx={{ minHeight: 64, minWidth: 220 }}
      >
        Begin the session
      </Button>
      <CoursesButton plan={field.plan} stepIds={stepsFlown(tally)} />
      <BeforeGoggles site={tally.site} checkFirst={tally.pilots.flatMap(({ checkFirst }) => checkFirst)} />
    </Box>
  );
}
