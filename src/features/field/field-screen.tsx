"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useSearchParams } from "next/navigation";
import { useEffect, useState } from "react";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { Moment } from "@/ui/moment/moment";
import { dismiss, resubmit } from "@/ui/outbox/outbox";
import { useOutbox } from "@/ui/outbox/use-outbox";
import { BeginHere } from "./begin-here";
import { keptSessions, type FieldPacket } from "./packet";

const TallyScreen = later(() => import("./tally-screen").then((part) => part.TallyScreen));

/** The field without a network: the sessions kept on this device, and the tally of one of them. Nothing of it comes from the server. */
export function FieldScreen() {
  const asked = useSearchParams().get("session");
  const [kept, setKept] = useState<readonly FieldPacket[] | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    keptSessions().then(setKept, (error: Error) => setFailure(error.message));
  }, []);
  const packet = kept?.find(({ tally }) => tally.session.id === asked);
  if (packet) {
    const { plan, tally } = packet;
    return <TallyScreen key={asked} data={tally} kept={{ briefs: briefsFor(packet, kept ?? []), plan }} />;
  }
  return (
    <Box component="main" sx={{ maxWidth: 620, mx: "auto", p: { xs: 2, md: 4 } }}>
      <Typography variant="h1">In the field</Typography>
      {failure && (
        <Typography role="alert" sx={{ my: 2, color: "error.main" }}>
          This device can’t save anything: {failure}
        </Typography>
      )}
      {kept && asked && (
        <Typography role="alert" sx={{ my: 2, fontWeight: 600 }}>
          That session is not on this device. Open it once with a network; after that it works without.
        </Typography>
      )}
      <Typography sx={{ my: 2 }}>
        Sessions on this device. They open, run and close without a network; what is tapped is sent when there is one.
      </Typography>
      {kept?.length === 0 && (
        <Typography color="text.secondary">None yet: open a session while there is a network.</Typography>
      )}
      {kept?.map((one) => (
        <KeptLine key={one.tally.session.id} packet={one} />
      ))}
      <BeginHere />
      <WaitingHere sessionIds={new Set(kept?.map(({ tally }) => tally.session.id))} />
      <Button component={Link} href="/" variant="outlined" sx={{ mt: 3 }}>
        To the desk, with a network
      </Button>
    </Box>
  );
}

/** The briefs of a session; of one begun here those that other sessions on this device have of the same pilots. */
const briefsFor = ({ tally, briefs }: FieldPacket, kept: readonly FieldPacket[]): FieldPacket["briefs"] =>
  briefs.length > 0
    ? briefs
    : kept.flatMap((one) => one.briefs).filter(({ pilot }) => tally.pilots.some(({ id }) => id === pilot.id));

function KeptLine({ packet: { tally } }: { packet: FieldPacket }) {
  const { session, pilots, attempts } = tally;
  return (
    <Box sx={(theme) => ({ py: 1, borderTop: `1.5px solid ${theme.tokens.rule}` })}>
      <Box component="a" href={`/field?session=${session.id}`} sx={{ fontWeight: 650, fontSize: "1.05rem" }}>
        <Moment atMs={session.startedAtMs} show="both" />
      </Box>
      <Box component="span" sx={{ ml: 1 }}>
        {session.endedAtMs !== null ? "ended" : session.begun ? "▲ still open" : "ready to begin"}
      </Box>
      <Box sx={{ fontSize: "0.88rem" }}>
        {pilots.map(({ name }) => name).join(", ")}
        {tally.site && `, ${tally.site.name}`} ·{" "}
        <span className="num">{attempts.filter((one) => !one.undone).length}</span> attempts
      </Box>
    </Box>
  );
}

/** What waits on this device, whatever session it belongs to. What was refused is put right in its session, where that is still here. */
function WaitingHere({ sessionIds }: { sessionIds: ReadonlySet<string> }) {
  const { items } = useOutbox();
  if (items.length === 0) return null;
  return (
    <Box sx={{ mt: 2 }}>
      <Typography role="status" sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 650 })}>
        ▲ <span className="num">{items.length}</span> waiting on this device, safe.
      </Typography>
      {items.flatMap(({ key, sessionId, refused }) =>
        refused === undefined
          ? []
          : [
              <Box key={key} role="alert" sx={{ fontSize: "0.9rem" }}>
                <Box component="span" sx={{ color: "error.main" }}>
                  ✕ Not taken: {refused}
                </Box>{" "}
                {sessionIds.has(sessionId) ? (
                  <a href={`/field?session=${sessionId}`}>Fix it in its session</a>
                ) : (
                  <>
                    <Button size="small" onClick={() => void resubmit(key)}>
                      Send again
                    </Button>
                    <Button size="small" onClick={() => void dismiss(key)}>
                      Drop it
                    </Button>
                  </>
                )}
              </Box>,
            ],
      )}
    </Box>
  );
}
