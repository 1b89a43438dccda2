import type { FlownTrick, FreezeMargins, Recipe } from "@/core";
import { Box } from "@/ui/layout/box";
import { StartHeightFigure } from "@/ui/start-height/start-height-figure";
import type { StartHeightState } from "@/ui/start-height/use-start-height";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";

/** As high as with a figure in it: what stands below stays where it is when the figure comes. */
const ROW_PX = 58;

/** The minimum start height, with what it is flown from here: in sight whatever is moved. */
export function StartLine({
  height,
  recipe,
  freeze,
  shown,
  byHand,
  refused,
}: {
  height: StartHeightState;
  recipe: Recipe;
  freeze: FreezeMargins;
  shown: FlownTrick | null;
  /** The height flown from was set by hand. */
  byHand: boolean;
  /** It cannot be flown at all. */
  refused: boolean;
}) {
  const { units } = usePreferences();
  const metres = (m: number) => quantityText(m, "length", units);
  const none = height.kind === "known" && height.startHeight === null;
  const goes = shown !== null && shown.problem === null;
  const begunM = goes ? shown.entryHeightM : null;
  const leastM = height.kind === "known" ? (height.startHeight?.heightM ?? null) : null;
  const below = begunM !== null && leastM !== null && begunM < leastM - 0.05;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 3, mb: 0.5, minHeight: ROW_PX }}>
      {refused || none ? (
        <Box role="status" sx={{ py: 1 }}>
          <Box sx={{ fontSize: "0.85rem" }}>Minimum start height</Box>
          {refused || !goes
            ? "none: this does not work"
            : "none: it starts at its own height, and crashes are counted instead"}
        </Box>
      ) : (
        <Box sx={{ width: 200 }}>
          <StartHeightFigure state={height} recipe={recipe} freeze={freeze} flown={[]} />
        </Box>
      )}
      {begunM !== null && (
        <Box sx={{ color: below ? "error.main" : "text.secondary" }}>
          {below && "▲ "}Flown here from <b className="num">{metres(begunM)}</b>
          {height.kind === "computing" && !byHand && " until then"}
          {below && `, ${metres(leastM - begunM)} below it`}
        </Box>
      )}
    </Box>
  );
}
