"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import { v7 as newId } from "uuid";
import type { FoundTrick, Pack } from "@/core";
import { useSend } from "@/ui/actions/use-send";
import { TextField } from "@/ui/forms/text-field";
import { useFilePicker } from "@/ui/forms/use-file-picker";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { foundTrickName, momentText } from "@/words";
import { FaultPicks } from "./fault-picks";
import type { Matching } from "./use-match";

/** The film starts so long before a trick, s. */
const BEFORE_S = 1;

interface FootageProps {
  readonly pack: Pack;
  readonly trick: FoundTrick | undefined;
  readonly pilotId: string;
  /** Of the recording: notes begin with it. */
  readonly name: string;
  /** In which session it was tapped, and as what. */
  readonly matching: Matching;
  /** Pilots look; notes and faults are a coach's. */
  readonly coaches: boolean;
}

/** The pilot's film of the pack, opened beside it from this device and sent nowhere; lined up by one stop that both show. */
export function Footage({ pack, trick, pilotId, name, matching, coaches }: FootageProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [film, setFilm] = useState<{ readonly name: string; readonly url: string } | null>(null);
  /** Second of the film minus second of the recording; null until both are lined up. */
  const [shiftS, setShiftS] = useState<number | null>(null);
  const [broken, setBroken] = useState(false);
  useEffect(() => () => void (film && URL.revokeObjectURL(film.url)), [film]);
  const fromS = trick?.fromS;
  useEffect(() => {
    if (video.current && shiftS !== null && fromS !== undefined)
      video.current.currentTime = Math.max(0, fromS + shiftS - BEFORE_S);
  }, [fromS, shiftS]);
  const open = (file: File) => {
    setFilm({ name: file.name, url: URL.createObjectURL(file) });
    setShiftS(null);
    setBroken(false);
  };
  const { input, pick } = useFilePicker({ label: "File with a film", accept: "video/*", onFile: open });
  return (
    <Box component="section" aria-labelledby="footage" sx={{ mt: 3 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center", mb: 1 }}>
        <Typography variant="h2" id="footage">
          Footage
        </Typography>
        <Button size="small" variant="outlined" onClick={pick}>
          {film ? "Open another film" : "Open a film"}
        </Button>
        {input}
        <Typography sx={{ color: "text.secondary", overflowWrap: "anywhere" }}>
          {film ? film.name : "It stays on this device: nothing of it is copied or sent."}
        </Typography>
      </Box>
      {film && (
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "minmax(0,1.4fr) minmax(0,1fr)" }, gap: 3 }}>
          <video
            ref={video}
            src={film.url}
            controls
            playsInline
            aria-label={`Film ${film.name}`}
            style={{ width: "100%", maxHeight: 420, background: "black" }}
            onError={() => setBroken(true)}
          />
          <Box>
            {broken && (
              <Typography color="error.main">▲ This browser cannot play that film. Try it as MP4 or WebM.</Typography>
            )}
            {trick && (
              <>
                <Typography>
                  {shiftS === null
                    ? `Stop the film where the ${foundTrickName(trick).toLowerCase()} of ${momentText(trick.fromS - pack.fromS)} comes to rest.`
                    : "Lined up: every trick you choose jumps to its second in the film."}
                </Typography>
                <Button
                  variant={shiftS === null ? "contained" : "text"}
                  sx={{ my: 1 }}
                  onClick={() => setShiftS((video.current?.currentTime ?? 0) - trick.toS)}
                >
                  {shiftS === null ? "It comes to rest here" : "Line up again: it comes to rest here"}
                </Button>
              </>
            )}
            {coaches && <FaultPicks {...{ pack, trick, matching }} />}
            {coaches && (
              <NoteHere
                pilotId={pilotId}
                placeOf={() => {
                  const s = (video.current?.currentTime ?? 0) - (shiftS ?? 0);
                  const what = shiftS === null ? film.name : name.replace(/\.csv$/i, "");
                  return `${what}, ${momentText(shiftS === null ? s : s - pack.fromS)}`;
                }}
              />
            )}
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** A note to the pilot's record at the second the film stands at. */
function NoteHere({ pilotId, placeOf }: { pilotId: string; placeOf: () => string }) {
  const [text, setText] = useState("");
  const { sendAction, pending } = useSend();
  const add = async () => {
    const place = placeOf();
    const { ok } = await sendAction("add-note", { id: newId(), pilotId, text: `${place}: ${text.trim()}` });
    if (!ok) return;
    setText("");
    tell(`Noted at ${place}.`, { kind: "done" });
  };
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
      <TextField
        label="Note at this second"
        value={text}
        onChange={({ target }) => setText(target.value)}
        multiline
        fullWidth
        slotProps={{ htmlInput: { maxLength: 1500 } }}
      />
      <Button disabled={pending || text.trim() === ""} onClick={() => void add()}>
        Note it
      </Button>
    </Box>
  );
}
