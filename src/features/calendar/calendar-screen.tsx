"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import type { PlannedSession } from "@/contract";
import { Link } from "@/ui/actions/link";
import { useUndoable } from "@/ui/actions/use-undoable";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import type { Attendance } from "./attendance";
import type { Gap } from "./gaps";
import type { CalendarData } from "./load";
import { PlanForm } from "./plan-form";
import { Targets } from "./targets";
import { Weeks } from "./weeks";

type Entry =
  | { readonly kind: "planned"; readonly atMs: number; readonly planned: PlannedSession }
  | { readonly kind: "past"; readonly atMs: number; readonly session: CalendarData["past"][number] }
  | { readonly kind: "gap"; readonly atMs: number; readonly gap: Gap };

/** Calendar: what is planned and what was flown, newest first, with the gaps between. */
export function CalendarScreen({ data }: { data: CalendarData }) {
  const { mayChange, squads } = data;
  const router = useRouter();
  const [editing, setEditing] = useState<PlannedSession | "new" | null>(null);
  const canPlan = mayChange && squads.length > 0;
  const keys = useMemo(
    () => (canPlan ? [{ key: "a", label: "Plan a session", run: () => setEditing("new") }] : []),
    [canPlan],
  );
  useKeys(keys);
  const entries: readonly Entry[] = [
    ...data.planned.map((planned) => ({ kind: "planned" as const, atMs: planned.startsAtMs, planned })),
    ...data.past.map((session) => ({ kind: "past" as const, atMs: session.startedAtMs, session })),
    ...data.gaps.map((gap) => ({ kind: "gap" as const, atMs: (gap.fromMs + gap.toMs) / 2, gap })),
  ].sort((a, b) => b.atMs - a.atMs);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">Calendar</Typography>
        <span>
          <b className="num">{data.planned.length}</b> planned
        </span>
        <Box sx={{ flex: 1 }} />
        {(mayChange ? squads : data.pilots.map(({ squadId, name }) => ({ id: squadId, name }))).map(({ id, name }) => (
          <Button key={id} component="a" href={`/calendar-files/${id}`} download>
            {squads.length > 1 ? `Add ${name} to your calendar` : "Add to calendar"}
          </Button>
        ))}
        {canPlan && (
          <Button variant="outlined" onClick={() => setEditing("new")}>
            Plan a session
          </Button>
        )}
      </Box>
      {entries.length > 0 && <Weeks data={data} />}
      <Targets data={data} />
      {entries.length === 0 && (
        <Typography sx={{ maxWidth: 560 }}>
          Nothing flown and nothing planned yet. {canPlan && "Plan the first session, or start one under Session."}
        </Typography>
      )}
      {entries.map((entry) => (
        <EntryLine
          key={`${entry.kind} ${entry.atMs}`}
          entry={entry}
          data={data}
          onEdit={mayChange ? setEditing : null}
        />
      ))}
      <Dialog open={editing !== null} onClose={() => setEditing(null)} aria-labelledby="plan" fullWidth maxWidth="xs">
        <DialogTitle id="plan">{editing === "new" ? "Plan a session" : "Change the plan"}</DialogTitle>
        <DialogContent>
          {editing !== null && (
            <PlanForm
              data={data}
              planned={editing === "new" ? null : editing}
              onDone={() => {
                setEditing(null);
                router.refresh();
              }}
            />
          )}
        </DialogContent>
      </Dialog>
    </>
  );
}

function EntryLine({
  entry,
  data,
  onEdit,
}: {
  entry: Entry;
  data: CalendarData;
  onEdit: ((planned: PlannedSession) => void) | null;
}) {
  const undoable = useUndoable();
  const { hrefFor } = useAtHand();
  const siteName = (id: string | null | undefined) => data.sites.find((site) => site.id === id)?.name;
  const names = (ids: readonly string[]) =>
    ids.flatMap((id) => data.pilots.find((pilot) => pilot.id === id)?.name ?? []).join(", ");
  const who = ({ all, pilotIds }: Attendance) =>
    !all ? names(pilotIds) : pilotIds.length === 0 ? "Everyone" : `Everyone but ${names(pilotIds)}`;
  if (entry.kind === "gap")
    return (
      <Box
        sx={(theme) => ({
          py: 1,
          pl: 2,
          borderLeft: `6px solid ${theme.tokens.ochre}`,
          color: theme.tokens.ochreText,
          fontWeight: 600,
        })}
      >
        ▲ <span className="num">{entry.gap.days}</span> days without flying
        {entry.gap.ahead ? ": plan something between" : ""}
      </Box>
    );
  const planned = entry.kind === "planned" ? entry.planned : null;
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "190px 200px minmax(0,1fr) auto" },
        columnGap: 2,
        py: 1,
        borderTop: `1.5px ${planned ? "dashed" : "solid"} ${theme.tokens.rule}`,
      })}
    >
      <Box sx={{ fontWeight: 650 }}>
        {planned ? (
          <>
            <Moment atMs={entry.atMs} show="both" />
            <Box sx={{ fontWeight: 400, fontSize: "0.85rem" }}>
              planned, <span className="num">{planned.minutes}</span> min
            </Box>
          </>
        ) : (
          <Link href={`/session/${(entry as Extract<Entry, { kind: "past" }>).session.id}`}>
            <Moment atMs={entry.atMs} show="both" />
          </Link>
        )}
      </Box>
      <span>{siteName(planned ? planned.siteId : (entry as Extract<Entry, { kind: "past" }>).session.siteId)}</span>
      <Box sx={{ overflowWrap: "anywhere" }}>
        {planned ? (
          <>
            {names(planned.pilotIds)}
            {planned.note && <Box sx={{ color: "text.secondary", whiteSpace: "pre-wrap" }}>{planned.note}</Box>}
          </>
        ) : (
          <>
            {who((entry as Extract<Entry, { kind: "past" }>).session.attendance)}
            <Box sx={{ color: "text.secondary", fontSize: "0.88rem" }}>
              <span className="num">{(entry as Extract<Entry, { kind: "past" }>).session.attempts}</span> attempts
            </Box>
          </>
        )}
      </Box>
      {planned && onEdit ? (
        <Box>
          <Button size="small" component={Link} href={hrefFor("/session", { plan: planned.id })}>
            Start session
          </Button>
          <Button size="small" onClick={() => onEdit(planned)}>
            Change plan
          </Button>
          <Button
            size="small"
            onClick={() => undoable("remove-planned", "restore-planned", planned.id, "Plan removed")}
          >
            Remove plan
          </Button>
        </Box>
      ) : (
        <span />
      )}
    </Box>
  );
}
