"use client";

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useMemo, useState, type ReactNode } from "react";
import type { FoundTrick, Pack, TrickPicture } from "@/core";
import type { Setup } from "@/contract";
import { PlayerBar } from "@/ui/flight/player-bar";
import { usePlayer } from "@/ui/flight/use-player";
import { useKeys } from "@/ui/keys/keys";
import { StickDials } from "@/ui/sticks/stick-dials";
import { counted, foundTrickName, mendWords, momentText, numeral } from "@/words";
import { PackChecks } from "./pack-checks";
import { PackStrip } from "./pack-strip";
import { TrickMeasures } from "./trick-measures";
import { TurnRound } from "./turn-round";

/** A recording that was read: what to mend first, the pack at a glance, and the trick that is chosen. */
export function PackBoard(props: {
  name: string;
  pack: Pack;
  setup: Setup;
  stickMode: number;
  /** What can be done with the whole of it, and how far that is. */
  children: ReactNode;
  below: ReactNode;
  /** Beside what else can be told of it: the taps it meets. */
  taps: (onChoose: (trick: number) => void) => ReactNode;
}) {
  const { name, pack, setup, stickMode, children, below, taps } = props;
  const { tricks, pictures, mend } = pack;
  const [at, setAt] = useState(mend.kind === "nothing" ? 0 : mend.trick);
  const { todo, why } = mendWords(mend, tricks);
  useKeys(
    useMemo(
      () => [
        { key: "n", label: "Next trick", run: () => setAt((was) => Math.min(tricks.length - 1, was + 1)) },
        { key: "p", label: "Trick before", run: () => setAt((was) => Math.max(0, was - 1)) },
      ],
      [tricks.length],
    ),
  );
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1 }}>
        <Typography variant="h1" sx={{ overflowWrap: "anywhere" }}>
          {name.replace(/\.csv$/i, "")}
        </Typography>
        <span>
          <b className="num">{momentText(pack.toS - pack.fromS)}</b> at{" "}
          <b className="num">{numeral(pack.sampleHz, 0)} Hz</b> · setup <span className="num">{setup.number}</span> ·{" "}
          {counted(tricks.length, "trick")}
        </span>
        <Box sx={{ flex: 1 }} />
        {children}
      </Box>
      {below}
      <Box
        role="status"
        aria-label="What to mend first"
        sx={(theme) => ({
          borderLeft: `6px solid ${mend.kind === "nothing" ? theme.tokens.shoal : theme.tokens.ochre}`,
          bgcolor: theme.tokens.sheet,
          px: 1.5,
          py: 0.75,
          mb: 1.5,
          fontSize: "1.1rem",
        })}
      >
        <b>{todo}</b> {why}
      </Box>
      <PackStrip pack={pack} at={at} onChoose={setAt} />
      {tricks.length > 0 && (
        <Trick key={at} trick={tricks[at]} picture={pictures[at]} fromS={pack.fromS} stickMode={stickMode} />
      )}
      {taps(setAt)}
      <PackChecks pack={pack} setup={setup} />
    </>
  );
}

function Trick(props: { trick: FoundTrick; picture: TrickPicture; fromS: number; stickMode: number }) {
  const { trick, picture, fromS, stickMode } = props;
  const player = usePlayer(picture.turnedDeg.length * picture.sampleS);
  useKeys(player.keys);
  const cursor =
    player.cursorS === null
      ? null
      : Math.min(picture.turnedDeg.length - 1, Math.round(player.cursorS / picture.sampleS));
  return (
    <Box component="section" aria-labelledby="trick" sx={{ mt: 2 }}>
      <Typography variant="h2" id="trick">
        {foundTrickName(trick)} · <span className="num">{momentText(trick.fromS - fromS)}</span>
      </Typography>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr) minmax(0,1fr)" },
          columnGap: 4,
          rowGap: 2,
          alignItems: "start",
        }}
      >
        <TurnRound trick={trick} picture={picture} cursor={cursor} />
        <div>
          <StickDials trace={picture} stickMode={stickMode} phases={[]} cursor={cursor} />
          <PlayerBar player={player} durationS={picture.turnedDeg.length * picture.sampleS} />
          <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", mt: 1 }}>
            Height and path are not in a recording.
          </Typography>
        </div>
        <TrickMeasures trick={trick} />
      </Box>
    </Box>
  );
}
