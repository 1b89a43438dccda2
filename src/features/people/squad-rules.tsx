"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Squad } from "@/contract";
import { luckLimits, type SquadRules } from "@/core";
import { useSend } from "@/ui/actions/use-send";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { chancePercent } from "@/words";

const TimeZoneField = later(() => import("./time-zone-field").then((part) => part.TimeZoneField));

/** How a squad counts its days and how sure its advice must be: its owners set it, the other coaches read it. */
export function SquadRulesForm({ squad, owns }: { squad: Squad; owns: boolean }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [chosen, setChosen] = useState<SquadRules>(squad.rules);
  const change = (part: Partial<SquadRules>) => setChosen((before) => ({ ...before, ...part }));
  const changed = JSON.stringify(chosen) !== JSON.stringify(squad.rules);
  const save = async () => {
    const result = await sendAction("set-squad-rules", { id: squad.id, version: squad.version, ...chosen });
    if (result.ok) router.refresh();
  };
  return (
    <Box component="section" aria-label={`Rules of ${squad.name}`}>
      <Typography sx={{ fontWeight: 650 }}>Days and marks</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, rowGap: 1.5, alignItems: "center", mt: 1 }}>
        <Box sx={{ width: 240, minHeight: 40 }}>
          <TimeZoneField value={chosen.timeZone} disabled={!owns} onChange={(timeZone) => change({ timeZone })} />
        </Box>
        <SelectField
          size="small"
          label="Advise a sign-off"
          value={chosen.mostLuck}
          disabled={!owns}
          onChange={(event) => change({ mostLuck: Number(event.target.value) })}
          sx={{ width: 280 }}
        >
          {luckLimits.map((limit) => (
            <Option key={limit} value={limit}>
              {limit === 1 ? "as soon as the pass mark is met" : `once luck is ${chancePercent(limit)} or less`}
            </Option>
          ))}
        </SelectField>
        <FormControlLabel
          control={<Checkbox checked={chosen.attendedOnly} disabled={!owns} />}
          label="Marks count only what was flown with a coach there"
          onChange={(_, attendedOnly) => change({ attendedOnly })}
        />
        {owns && (
          <Button variant="outlined" disabled={!changed || pending} onClick={save}>
            Save rules
          </Button>
        )}
      </Box>
      <Typography sx={{ mt: 1, fontSize: "0.85rem", color: "text.secondary" }}>
        Flying days, gaps and reviews are counted by this zone&apos;s clocks. Luck is the chance that a pilot who flies
        half of them clean would have come as far. In 60 made-up camps, waiting for 30&#8239;% left half as many steps
        again still good a week later, and a fifth of the sign-offs given too early; it took 141 tries to a sign-off
        instead of 83.
      </Typography>
    </Box>
  );
}
