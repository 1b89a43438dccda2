"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import type { SquadLine } from "@/contract";
import { Link } from "@/ui/actions/link";
import { useKeys } from "@/ui/keys/keys";
import { useRouter } from "next/navigation";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { Box } from "@/ui/layout/box";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { usePreferences } from "@/ui/theme/preferences";
import { counted, lineItemName } from "@/words";
import { draftKey } from "./edits";
import { Habits } from "./habits";
import { LineBoard } from "./line-board";
import type { LinesData } from "./load";
import { isForLines, tilesFor } from "./repertoire";

/** Lines: those of the squad, and the one that is open, flown with the aircraft at hand. */
export function LinesScreen({
  data,
  begun,
}: {
  data: LinesData;
  /** A new line is put together, out of what this names; null where none is. */
  begun: string | null;
}) {
  const { pilot, aircraft, setup, open } = data;
  if (!open && begun === null) return <LineList data={data} />;
  if (!aircraft || !setup)
    return (
      <>
        <Typography variant="h1">{open?.line.name ?? "A new line"}</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="A line is flown with one aircraft and its settings, so set those up first."
        />
      </>
    );
  return (
    <BadFieldsProvider>
      <LineBoard data={data} draftKey={draftKey(open?.line.id ?? null, begun)} aircraft={aircraft} setup={setup} />
    </BadFieldsProvider>
  );
}

function LineList({ data }: { data: LinesData }) {
  const { lines, squadPilots, mayChange, pilot } = data;
  const { hrefFor } = useAtHand();
  const router = useRouter();
  const begin = hrefFor("/lines", { line: "new" });
  const keys = useMemo(
    () => (mayChange ? [{ key: "a", label: "Begin a line", run: () => router.push(begin) }] : []),
    [mayChange, router, begin],
  );
  useKeys(keys);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">Lines</Typography>
        <span>
          <b className="num">{lines.length}</b> {lines.length === 1 ? "line" : "lines"}
        </span>
        <Box sx={{ flex: 1 }} />
        {mayChange && (
          <Button variant="contained" component={Link} href={begin}>
            Begin a line
          </Button>
        )}
      </Box>
      {lines.length === 0 && (
        <Box sx={{ maxWidth: 620, mt: 2 }}>
          <Typography variant="h2">No line yet</Typography>
          <Typography sx={{ my: 1.5 }}>
            {mayChange
              ? "A line is two or more tricks flown as one movement. Put one together here: it is flown whole in the model, and shows where height, speed or heading do not carry over. Or let lines be invented out of what the pilot has."
              : `No line has been given to ${pilot.name} yet. The coach puts them together.`}
          </Typography>
        </Box>
      )}
      {lines.map((line) => (
        <LineEntry key={line.id} line={line} pilots={squadPilots} />
      ))}
      <Habits
        tries={data.ownTries}
        known={tilesFor(data).flatMap((tile) =>
          isForLines(tile) && tile.standing === "signed-off" && typeof tile.recipe === "string" ? [tile.recipe] : [],
        )}
        pilotName={pilot.name}
      />
    </>
  );
}

function LineEntry({ line, pilots }: { line: SquadLine; pilots: LinesData["squadPilots"] }) {
  const { hrefFor } = useAtHand();
  const { units } = usePreferences();
  const tricks = line.line.items.filter(({ kind }) => kind === "trick").length;
  const given = pilots.filter(({ id }) => line.pilotIds.includes(id)).map(({ name }) => name);
  return (
    <Box
      component="section"
      aria-label={line.name}
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "240px minmax(0,1fr) 220px" },
        gap: 2,
        py: 1.5,
        borderTop: `1.5px solid ${theme.tokens.ink}`,
      })}
    >
      <div>
        <Typography variant="h2">
          <Link href={hrefFor("/lines", { line: line.id })} style={{ color: "inherit" }}>
            {line.name}
          </Link>
        </Typography>
        <Box sx={{ color: "text.secondary", fontSize: "0.88rem" }}>
          {counted(tricks, "trick")} · version <span className="num">{line.version}</span>
        </Box>
      </div>
      <Box>{line.line.items.map((item) => lineItemName(item, units)).join(" → ")}</Box>
      <Box sx={{ fontSize: "0.92rem" }}>
        {pilots.length > 0 && (given.length === 0 ? "not given to anyone yet" : `given to ${given.join(", ")}`)}
      </Box>
    </Box>
  );
}
