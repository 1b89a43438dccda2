import Typography from "@mui/material/Typography";
import type { BailCredit } from "@/syllabus";

/** What other tricks credit to bailing out: how it ended where they went wrong. */
export function BailCreditLine({ credit }: { credit: BailCredit | null }) {
  if (!credit) return null;
  const { bailed, crashed, interval } = credit;
  const percent = (share: number) => Math.round(100 * share);
  return (
    <Typography sx={{ fontSize: "0.9rem", my: 0.5 }}>
      <b>Credited from other tricks:</b> in trouble <span className="num">{bailed + crashed}</span>{" "}
      {bailed + crashed === 1 ? "time" : "times"}, <b className="num">{bailed}</b> bailed and{" "}
      <b className="num">{crashed}</b> crashed; bails <span className="num">{percent(interval.low)}</span> to{" "}
      <span className="num">{percent(interval.high)}&#8239;%</span> (90&#8239;% interval).
    </Typography>
  );
}
