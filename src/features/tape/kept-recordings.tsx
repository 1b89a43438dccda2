"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { pieceCount, type Recording } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { Moment } from "@/ui/moment/moment";
import { counted, momentText, numeral } from "@/words";
import type { TapeData } from "./load";

const megabytes = (bytes: number) => `${numeral(bytes / 1024 ** 2, bytes < 10 * 1024 ** 2 ? 1 : 0)} MB`;
const bare = (name: string) => name.replace(/\.csv$/i, "");

interface KeptRecordingsProps {
  readonly data: Pick<TapeData, "recordings" | "room" | "coaches">;
  readonly onOpen: (recording: Recording) => void;
}

/** The recordings of a pilot that are kept, newest first, and the room that is left. */
export function KeptRecordings({ data: { recordings, room, coaches }, onOpen }: KeptRecordingsProps) {
  const [deleting, setDeleting] = useState<Recording | null>(null);
  if (recordings.length === 0) return null;
  return (
    <Box component="section" aria-labelledby="kept" sx={{ mt: 3 }}>
      <Typography variant="h2" id="kept">
        Saved recordings
      </Typography>
      <Typography sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
        <span className="num">{megabytes(room.usedBytes)}</span> of the squad’s{" "}
        <span className="num">{megabytes(room.ofBytes)}</span> are taken.
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {recordings.map((one) => (
          <Box
            component="li"
            key={one.id}
            sx={(theme) => ({
              display: "flex",
              flexWrap: "wrap",
              alignItems: "center",
              columnGap: 2,
              py: 1,
              borderBottom: `1.5px solid ${theme.tokens.rule}`,
            })}
          >
            <Box sx={{ flex: "1 1 260px", minWidth: 0, overflowWrap: "anywhere" }}>
              <b>{bare(one.name)}</b> · <Moment atMs={one.recordedAtMs ?? one.keptAtMs} />
              <Box sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
                <StateOf recording={one} />
              </Box>
            </Box>
            {one.whole && (
              <>
                <Button size="small" variant="outlined" aria-label={`Open ${one.name}`} onClick={() => onOpen(one)}>
                  Open
                </Button>
                <Button
                  size="small"
                  component="a"
                  href={`/recordings/${one.id}/whole.csv`}
                  download
                  aria-label={`Download ${one.name}`}
                >
                  CSV
                </Button>
              </>
            )}
            {(coaches || one.keptByPilot || !one.whole) && (
              <Button size="small" color="error" aria-label={`Delete ${one.name}`} onClick={() => setDeleting(one)}>
                Delete
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {deleting && <DeleteRecording recording={deleting} onClose={() => setDeleting(null)} />}
    </Box>
  );
}

function StateOf({ recording: one }: { recording: Recording }) {
  if (!one.whole)
    return (
      <>
        ▲ <span className="num">{one.piecesHere}</span> of{" "}
        <span className="num">{counted(pieceCount(one.bytes), "piece")}</span> arrived. Open the same file and keep it
        again: it goes on from there.
      </>
    );
  return (
    <>
      <span className="num">{momentText(one.durationS ?? 0)}</span>, {counted(one.tricks ?? 0, "trick")},{" "}
      <span className="num">{megabytes(one.packedBytes)}</span>, from {one.keptBy}
      {one.clockMs !== null && ", measured attempts"}
    </>
  );
}

function DeleteRecording({ recording, onClose }: { recording: Recording; onClose: () => void }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  return (
    <Dialog open onClose={onClose} aria-labelledby="delete-recording">
      <DialogTitle id="delete-recording">Delete {bare(recording.name)}?</DialogTitle>
      <DialogContent>
        It goes for good, at once, to make room. What was measured in it stays with the attempts.
        {recording.whole && " Take it out as CSV first if you may want it again."}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          color="error"
          variant="contained"
          disabled={pending}
          onClick={() => {
            void sendAction("delete-recording", { id: recording.id }).then(({ ok }) => {
              if (!ok) return;
              onClose();
              router.refresh();
            });
          }}
        >
          Delete for good
        </Button>
      </DialogActions>
    </Dialog>
  );
}
