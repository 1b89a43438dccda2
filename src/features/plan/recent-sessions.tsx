"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import type { Session } from "@/contract";
import { DAY_MS } from "@/core";
import { Link } from "@/ui/actions/link";
import { useSend } from "@/ui/actions/use-send";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { Moment } from "@/ui/moment/moment";
import type { PlanData } from "./load";
import { placeNames } from "./place-names";

/** The sessions of late, those still open or only prepared said so. */
export function RecentSessions({ recent, nowMs }: Pick<PlanData, "recent" | "nowMs">) {
  return (
    <section aria-labelledby="recent">
      <Typography variant="h2" id="recent" sx={{ mt: 3, mb: 1 }}>
        Recent sessions
      </Typography>
      {recent.length === 0 && <Typography color="text.secondary">None yet.</Typography>}
      {recent.map(({ session, coachName, pilotNames, attempts }) => (
        <Box key={session.id} sx={(theme) => ({ py: 1, borderTop: `1.5px solid ${theme.tokens.rule}` })}>
          <Box component={Link} href={`/session/${session.id}`} sx={{ fontWeight: 650 }}>
            <Moment atMs={session.startedAtMs} show="both" />
          </Box>
          {session.endedAtMs === null && (
            <Box component="span" sx={(theme) => ({ ml: 1, color: theme.tokens.ochreText, fontWeight: 650 })}>
              {session.begun ? "▲ still open" : "▲ prepared"}
            </Box>
          )}
          <Box sx={{ fontSize: "0.88rem" }}>{pilotNames.join(", ")}</Box>
          <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
            <span className="num">{attempts}</span> attempts · {placeNames[session.place]} · {coachName}
          </Box>
          {isIdle(session, attempts, nowMs) && <DeleteSession session={session} />}
        </Box>
      ))}
    </section>
  );
}

/** A session with attempts is kept; one under way may have them on a phone without a network. */
const isIdle = ({ begun, endedAtMs, startedAtMs }: Session, attempts: number, nowMs: number) =>
  attempts === 0 && (!begun || endedAtMs !== null || nowMs - startedAtMs > DAY_MS);

/** Deletes a session in which nothing was flown; taken back, it stands there prepared. */
function DeleteSession({ session }: { session: Session }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const { id, place, siteId, temperatureC, windMps, pilots } = session;
  const again = async () => {
    const members = pilots.map(({ pilotId, stepId, setupId, loadId, plan }) => ({
      pilotId,
      stepId,
      setupId,
      loadId,
      ...(plan && { plan }),
    }));
    const input = { id, place, siteId, temperatureC, windMps, prepared: true, pilots: members };
    if ((await sendAction("start-session", input)).ok) router.refresh();
  };
  const remove = async () => {
    if (!(await sendAction("drop-session", { id })).ok) return;
    router.refresh();
    tell("Session deleted", { undo: () => void again() });
  };
  return (
    <Button size="small" disabled={pending} onClick={remove}>
      Delete session
    </Button>
  );
}
