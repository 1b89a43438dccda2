"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { lineEvidence, type CountedShare, type LineItem } from "@/core";
import { tricksOf, tryResult } from "@/contract";
import { Box } from "@/ui/layout/box";
import { counted, percent, percentRange, trickName } from "@/words";
import type { LinesData } from "./load";
import { ShareBar } from "./share-bar";

/** Tries in the field: how many came through, where it breaks, and the joint to practise by itself. */
export function Tries({
  tries,
  items,
  pilots,
  onPractise,
}: {
  tries: LinesData["tries"];
  /** Of the version that is saved. */
  items: readonly LineItem[];
  pilots: LinesData["squadPilots"];
  /** Opens the joint that leads into an item as a line of its own; null where nothing may be changed. */
  onPractise: ((item: number) => void) | null;
}) {
  if (tries.length === 0) return null;
  const { tricks, same } = atThese(tries, items);
  const { clean, through, broke, weakest } = lineEvidence(same.map(tryResult), tricks.length);
  const places = items.flatMap(({ kind }, place) => (kind === "trick" ? [place] : []));
  const by = pilots
    .map(({ id, name }) => [name, same.filter(({ pilotId }) => pilotId === id).length] as const)
    .filter(([, count]) => count > 0);
  const others = tries.length - same.length;
  return (
    <Box component="section" aria-labelledby="tries" sx={{ mt: 3, maxWidth: 820 }}>
      <Typography variant="h2" id="tries" sx={{ mb: 0.5 }}>
        In the field
      </Typography>
      <Typography>
        {counted(same.length, "try", "tries")}
        {by.length > 0 && ` by ${by.map(([name, count]) => (by.length > 1 ? `${name} (${count})` : name)).join(", ")}`}:
        clean from end to end <ShareText share={clean} />, through in any way <ShareText share={through} />.
        {others > 0 && ` ${others} more at versions with other tricks are not counted here.`}
      </Typography>
      <Box component="ol" aria-label="Where it breaks" sx={{ listStyle: "none", p: 0, my: 1 }}>
        {broke.map((share, place) => (
          <Box
            component="li"
            key={place}
            sx={{ display: "grid", gridTemplateColumns: "minmax(0,220px) minmax(0,1fr) 150px", gap: 1.5, py: 0.5 }}
          >
            <span>
              <b className="num">{place + 1}</b> {trickName(tricks[place])}
            </span>
            <ShareBar share={share} verb="broke" marked={place === weakest} />
            <span className="num">{share.of === 0 ? "–" : `${share.count} of ${share.of} broke`}</span>
          </Box>
        ))}
      </Box>
      {weakest !== null && weakest > 0 && onPractise && (
        <Button variant="outlined" onClick={() => onPractise(places[weakest])}>
          Practise {weakest} → {weakest + 1} by itself
        </Button>
      )}
    </Box>
  );
}

/** Of some tries those at a line with these tricks. */
function atThese(tries: LinesData["tries"], items: readonly LineItem[]) {
  const tricks = tricksOf(items);
  return { tricks, same: tries.filter(({ line }) => line && JSON.stringify(line.tricks) === JSON.stringify(tricks)) };
}

/** Tries in the simulator, in a sentence of their own: they are no evidence for the field. */
export function Practised({ tries, items }: { tries: LinesData["tries"]; items: readonly LineItem[] }) {
  const { tricks, same } = atThese(tries, items);
  if (same.length === 0) return null;
  const { clean, weakest } = lineEvidence(same.map(tryResult), tricks.length);
  return (
    <Typography sx={{ mt: 1, maxWidth: 820 }}>
      In practice: {counted(same.length, "try", "tries")}, clean from end to end <ShareText share={clean} />
      {weakest !== null && `, broken most often at ${weakest + 1} ${trickName(tricks[weakest])}`}.
    </Typography>
  );
}

function ShareText({ share: { count, of, ...interval } }: { share: CountedShare }) {
  if (of === 0) return <b>–</b>;
  return (
    <>
      <b className="num">{percent(count / of)}</b> (<span className="num">{percentRange(interval)}</span>)
    </>
  );
}
