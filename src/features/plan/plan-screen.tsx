"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { BeforeGoggles } from "@/features/field/client";
import { Link } from "@/ui/actions/link";
import { useSend } from "@/ui/actions/use-send";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { stepName } from "@/syllabus";
import { counted, leftOutWords, numeral } from "@/words";
import { PlanTurns } from "./plan-turns";
import { PlanBlocks } from "./plan-blocks";
import { CandidateRow } from "./candidate-row";
import type { CandidateEntry, PlanData } from "./load";
import { PlanDay } from "./plan-day";
import { PlanNotes } from "./plan-notes";
import { RecentSessions } from "./recent-sessions";
import { startHeightText } from "./start-heights";
import { UNTOUCHED } from "./use-checked";
import { sessionFrom, usePlan, type Plan } from "./use-plan";

/** Pilots that are drawn on the server; those of a large squad follow in the browser. */
const AT_ONCE = 12;

/** Session: who flies what and when, planned from where they stand; every choice with its reason, to be changed by hand. */
export function PlanScreen({ data }: { data: PlanData }) {
  const hydrated = useHydrated();
  const plan = usePlan(data);
  if (data.candidates.length === 0) return <NoPilots />;
  const { taken, site, day, choices, packsOf, hand } = plan;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,2fr) minmax(0,1fr)" },
        gap: 4,
      }}
    >
      <section aria-labelledby="start">
        <Typography variant="h1" id="start" sx={{ mb: 1.5 }}>
          {data.coaches ? "Plan a session" : "Practise alone"}
        </Typography>
        {!data.coaches && (
          <Typography sx={{ mb: 2 }}>
            Log each attempt as it was. It counts as evidence, marked as logged by you; your coach signs steps off.
          </Typography>
        )}
        <PlanDay plan={plan} />
        {data.coaches && data.candidates.length > 1 && <QuickChoice plan={plan} />}
        {(hydrated ? data.candidates : data.candidates.slice(0, AT_ONCE)).map((one) => (
          <CandidateRow
            key={one.id}
            one={one}
            choice={choices[one.id]}
            packsWrong={packsOf(one) === null}
            summary={summaryOf(one, plan)}
            onChange={(part) => plan.choose(one.id, part)}
          >
            <BlocksOf one={one} plan={plan} />
          </CandidateRow>
        ))}
        <PlanNotes plan={plan} worksOut={data.coaches} />
        <StartButtons plan={plan} />
      </section>
      <div>
        {plan.plan && day.frame && plan.plan.slots.length > 0 && (
          <PlanTurns
            slots={plan.plan.slots}
            names={new Map(taken.map((one) => [one.id, one.name]))}
            frame={day.frame}
            onChange={(slots) => hand.change({ slots })}
          />
        )}
        <BeforeGoggles site={site} checkFirst={taken.flatMap((one) => one.checkFirst)} />
        <RecentSessions recent={data.recent} nowMs={data.nowMs} />
      </div>
    </Box>
  );
}

/** What a pilot flies, in a line. */
function summaryOf(one: CandidateEntry, { plan, fliers, packsOf }: Plan): string {
  const flier = fliers.find((known) => known.one.id === one.id);
  const blocks = plan?.blocks.get(one.id) ?? [];
  if (!flier || blocks.length === 0) return "Nothing planned";
  const steps = blocks.flatMap(({ stepId }) => (stepId ? [stepName(flier.syllabus, stepId)] : []));
  const minutes = blocks.reduce((sum, block) => sum + block.minutes, 0);
  // Ground school takes none.
  const flies = plan?.slots.some((slot) => slot.includes(one.id)) ?? false;
  const packs = flies ? `${counted(packsOf(one) ?? 0, "pack")}, ` : "";
  return `${packs}${numeral(minutes)} min: ${[...new Set(steps)].join(", ")}`;
}

/** Many at once: everybody, or who flew last time. */
function QuickChoice({ plan: { taken, takeAll, asLastTime } }: { plan: Plan }) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1 }}>
      <Button variant="outlined" onClick={takeAll}>
        Everyone
      </Button>
      {asLastTime && (
        <Button variant="outlined" onClick={asLastTime}>
          As last time
        </Button>
      )}
      {taken.length > 0 && (
        <Typography sx={{ alignSelf: "center", ml: 1 }}>
          <b className="num">{taken.length}</b> {taken.length === 1 ? "flies" : "fly"}
        </Typography>
      )}
    </Box>
  );
}

function NoPilots() {
  return (
    <Box sx={{ maxWidth: 560 }}>
      <Typography variant="h1">Session</Typography>
      <Typography sx={{ my: 2 }}>A session needs pilots. Add the first one on the squad screen.</Typography>
      <Button variant="contained" component={Link} href="/squad">
        To the squad
      </Button>
    </Box>
  );
}

/** What a pilot who flies is to fly. */
function BlocksOf({ one, plan: drawn }: { one: CandidateEntry; plan: Plan }) {
  const { plan, fliers, choices, day, heights, air, hand } = drawn;
  const { units } = usePreferences();
  const flier = fliers.find((known) => known.one.id === one.id);
  if (!flier) return choices[one.id].taken ? <NotRead one={one} plan={drawn} /> : null;
  if (!plan || !day.frame) return null;
  return (
    <PlanBlocks
      one={flier.one}
      syllabus={flier.syllabus}
      blocks={plan.blocks.get(one.id) ?? []}
      left={plan.left.flatMap(({ pilotId, because }) => (pilotId === one.id ? [leftOutWords(because, units)] : []))}
      packMin={day.frame.packMin}
      startHeight={(stepId) => startHeightText({ ...flier, stepId }, air, heights.known, units)}
      onChange={(blocks) => hand.change({ blocks: { ...hand.byHand.blocks, [one.id]: blocks } })}
    />
  );
}

/** A pilot who was taken a moment ago, or whom a dead network keeps from being planned for. */
function NotRead({ one, plan: { unread, readAgain } }: { one: CandidateEntry; plan: Plan }) {
  const why = unread.get(one.id);
  return (
    <Typography
      role={why ? "alert" : "status"}
      sx={{ gridColumn: "1 / -1", pl: { xs: 0, md: 5 }, fontSize: "0.9rem", color: "text.secondary" }}
    >
      {why ? `What ${one.name} could fly is not known here. ${why} ` : `Looking up what ${one.name} could fly.`}
      {why && (
        <Button size="small" onClick={readAgain}>
          Try again
        </Button>
      )}
    </Typography>
  );
}

function StartButtons({ plan }: { plan: Plan }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  // One id for the session, kept over failed sends.
  const [id] = useState(() => newId());
  const { taken, ready, hand } = plan;
  const start = async (prepared: boolean) => {
    const session = sessionFrom(plan, id, prepared);
    if (session && (await sendAction("start-session", session)).ok) router.push(`/session/${id}`);
  };
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 2.5, alignItems: "center" }}>
      <Button variant="contained" size="large" disabled={!ready || pending} onClick={() => start(false)}>
        {taken.length === 0
          ? "Choose who flies"
          : `Start with ${taken.length === 1 ? taken[0].name : `${taken.length} pilots`}`}
      </Button>
      <Button variant="outlined" size="large" disabled={!ready || pending} onClick={() => start(true)}>
        Save plan for the field
      </Button>
      {hand.undo && (
        <>
          <Button onClick={hand.undo}>Undo</Button>
          <Button onClick={() => hand.change(UNTOUCHED)}>Plan again from scratch</Button>
        </>
      )}
    </Box>
  );
}
