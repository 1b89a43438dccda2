"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useSend } from "@/ui/actions/use-send";
import { Moment } from "@/ui/moment/moment";
import type { PlanData } from "./load";
import { placeNames } from "./place-names";

/** The sessions of late, those still open or only prepared said so. */
export function RecentSessions({ recent }: Pick<PlanData, "recent">) {
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
          {!session.begun && <DropPrepared sessionId={session.id} />}
        </Box>
      ))}
    </section>
  );
}

function DropPrepared({ sessionId }: { sessionId: string }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  return (
    <Button
      size="small"
      disabled={pending}
      onClick={async () => {
        if ((await sendAction("drop-session", { id: sessionId })).ok) router.refresh();
      }}
    >
      Let go of it
    </Button>
  );
}
