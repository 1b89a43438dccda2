"use client";

import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useRouter } from "next/navigation";
import { useCallback, useMemo, useState } from "react";
import { findStep, type StepStanding } from "@/syllabus";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { History } from "./history";
import type { PilotData } from "./load";
import { Milestones } from "./milestones";
import { NextStep } from "./next-step";
import { Notes } from "./notes";
import { Practised } from "./practised";
import { PilotHeading } from "./pilot-heading";
import { Reports } from "./reports-links";
import { Requests } from "./requests";
import { SchoolPanel } from "./school-panel";
import { SignOff } from "./sign-off";
import { StepPanel } from "./step-panel";
import { StepsShown } from "./steps-shown";

/** Pilot: how deep they have sounded, one step looked at closely, milestones, school, history and notes. */
export function PilotScreen({ data }: { data: PilotData }) {
  const { pilot, current, coaches, lookedAt } = data;
  const syllabus = useSyllabus();
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const [signing, setSigning] = useState<StepStanding | null>(null);
  const one = lookedAt?.one ?? current;
  const step = one ? findStep(syllabus, one.stepId) : undefined;
  const signed = signing && findStep(syllabus, signing.stepId);
  const asList = data.listed !== null;
  const wholeHistory = data.historyShown === "all";
  /** Another view of the same page, the rest of it as it is. */
  const show = useCallback(
    (change: Readonly<Record<string, string | undefined>>) => {
      const now = { step: one?.stepId, view: asList ? "list" : undefined, history: wholeHistory ? "all" : undefined };
      router.replace(hrefFor("/pilot", { ...now, ...change }), { scroll: false });
    },
    [router, hrefFor, one, asList, wholeHistory],
  );
  const turn = useCallback(() => show({ view: asList ? undefined : "list" }), [show, asList]);
  const keys = useMemo(
    () => [
      {
        key: "b",
        label: "Brief of the step looked at",
        run: () => router.push(hrefFor("/brief", { step: one?.stepId })),
      },
      { key: "s", label: "Setup", run: () => router.push(hrefFor("/setup")) },
      { key: "l", label: "Chart or list", run: turn },
      ...(coaches && one ? [{ key: "o", label: "Sign off the step looked at", run: () => setSigning(one) }] : []),
    ],
    [router, hrefFor, one, coaches, turn],
  );
  useKeys(keys);
  return (
    <>
      <PilotHeading data={data} />
      {one && step && <NextStep data={data} one={one} step={step} onSign={setSigning} />}
      <StepsShown
        data={data}
        selectedId={one?.stepId ?? null}
        onTurn={turn}
        onLook={(stepId) => show({ step: stepId })}
        onSign={setSigning}
      />
      <Box
        sx={{
          mt: 3,
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.6fr) minmax(0,1fr)" },
          columnGap: 4,
          rowGap: 3,
        }}
      >
        <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0,1fr)", gap: 3, alignContent: "start" }}>
          {lookedAt && <StepPanel data={data} looked={lookedAt} />}
          <History
            lines={data.history}
            shown={data.historyShown}
            onTurn={() => show({ history: wholeHistory ? undefined : "all" })}
          />
        </Box>
        <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0,1fr)", gap: 3, alignContent: "start" }}>
          <Requests data={data} />
          <Practised data={data} />
          <Notes data={data} />
          <Milestones data={data} />
          <Reports data={data} />
          <SchoolPanel key={pilot.version} data={data} />
        </Box>
      </Box>
      <Dialog
        open={signing !== null}
        onClose={() => setSigning(null)}
        aria-labelledby="sign-off"
        fullWidth
        maxWidth="sm"
      >
        <DialogTitle id="sign-off">
          Sign off {signed?.name.toLowerCase()} for {pilot.name}
        </DialogTitle>
        <DialogContent>
          {signing && signed && <SignOff one={signing} step={signed} data={data} onDone={() => setSigning(null)} />}
        </DialogContent>
      </Dialog>
    </>
  );
}
