"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { ownErrors, type Pack } from "@/core";
import { handErrors } from "@/ui/scatter/handed-errors";
import { useAtHand } from "@/ui/shell/at-hand";
import { numeral } from "@/words";

/** How the hands stray by the turns of this recording, to be flown in the trick lab instead of those usual at a stage. */
export function HandsShown({ pack, pilotId, name }: { pack: Pack; pilotId: string; name: string }) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const errors = ownErrors(pack.tricks);
  const title = name.replace(/\.csv$/i, "");
  return (
    <section aria-labelledby="hands">
      <Typography variant="h2" id="hands">
        Hands
      </Typography>
      {errors ? (
        <>
          <Typography>
            {errors.lateS >= 0 ? "Late" : "Early"} by <b className="num">{numeral(1000 * Math.abs(errors.lateS))} ms</b>
            , give or take <span className="num">{numeral(1000 * errors.timingS)} ms</span>; stick travel{" "}
            <span className="num">±{numeral(100 * errors.gain)}&#8239;%</span>, off the middle{" "}
            <span className="num">{numeral(100 * errors.centring, 1)}&#8239;%</span>.
          </Typography>
          <Button
            size="small"
            variant="outlined"
            sx={{ mt: 0.5 }}
            onClick={() => {
              handErrors({ name: title, pilotId, errors });
              router.push(hrefFor("/lab"));
            }}
          >
            Fly these hands in the trick lab
          </Button>
        </>
      ) : (
        <Typography>Five sure flips, rolls and spins are wanted to tell the hands.</Typography>
      )}
    </section>
  );
}
