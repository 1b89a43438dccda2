import Typography from "@mui/material/Typography";
import { TELLING_IMBALANCE, type Imbalance } from "@/core";
import { chancePercent } from "@/words";

/** Which direction is the better one, with its chance; nothing while it may be noise. */
export function FavouredSide({
  imbalance,
  names,
}: {
  imbalance: Imbalance | null;
  /** Names of the step's directions by id. */
  names: Readonly<Record<string, string>>;
}) {
  if (!imbalance || imbalance.chance < TELLING_IMBALANCE) return null;
  return (
    <Typography sx={{ fontSize: "0.9rem" }}>
      Favours {names[imbalance.better]}: better with <b className="num">{chancePercent(imbalance.chance)}</b> chance, by{" "}
      <span className="num">{Math.round(100 * imbalance.difference)}</span> points of clean rate.
    </Typography>
  );
}
