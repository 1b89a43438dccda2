"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { adjust, TAPE_TOLERANCE_M, type Adjusted, type Measured, type PlannedCourse } from "@/core";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";
import { NumberField } from "./number-field";

/** Distances measured back between poles as they stand, and what is to be moved where. */
export function MeasuredBack(props: {
  course: PlannedCourse;
  measured: readonly Measured[];
  onMeasured: (measured: readonly Measured[]) => void;
}) {
  const { course, measured, onMeasured } = props;
  const { units } = usePreferences();
  const places = useMemo(
    () => [
      ...(course.pegs ?? []).map((peg, i) => ({ id: i === 0 ? "A" : "B", ...peg })),
      ...course.poles.filter(({ id }) => id !== "A" && id !== "B"),
    ],
    [course],
  );
  const ids = places.map(({ id }) => id);
  const found = useMemo(() => {
    const known = measured.filter(
      (one) => one.from !== one.to && [one.from, one.to].every((id) => places.some((place) => place.id === id)),
    );
    return places.length >= 2 && known.length > 0 ? adjust(places, known) : null;
  }, [places, measured]);
  const [from, setFrom] = useState(ids[0]);
  const [to, setTo] = useState(ids[2] ?? ids[1]);
  const [m, setM] = useState<number | null>(null);
  const length = (value: number) => quantityText(value, "length", units, 2);
  const choice = (label: string, value: string, pick: (id: string) => void) => (
    <SelectField size="small" label={label} value={value} onChange={(event) => pick(event.target.value)}>
      {ids.map((id) => (
        <Option key={id} value={id}>
          {id}
        </Option>
      ))}
    </SelectField>
  );
  return (
    <Box sx={{ display: "grid", gap: 1, pt: 1 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr 1.4fr", gap: 1 }}>
        {choice("From", from, setFrom)}
        {choice("To", to, setTo)}
        <NumberField
          key={measured.length}
          label="Measured"
          value={m}
          quantity="length"
          range={[0.05, 500]}
          mayBeEmpty
          onChange={setM}
        />
      </Box>
      <Button
        size="small"
        variant="outlined"
        disabled={m === null || from === to}
        onClick={() => {
          if (m === null) return;
          onMeasured([...measured, { from, to, m }]);
          setM(null);
        }}
      >
        Note it
      </Button>
      {measured.length > 0 && (
        <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
          {measured.map((one, i) => (
            <Box component="li" key={i} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
              <span>
                {one.from} to {one.to}
              </span>
              <b className="num">{length(one.m)}</b>
              <Box sx={{ flex: 1 }} />
              <Button
                size="small"
                aria-label={`Forget ${one.from} to ${one.to}`}
                onClick={() => onMeasured(measured.filter((_, n) => n !== i))}
              >
                Forget
              </Button>
            </Box>
          ))}
        </Box>
      )}
      {found && <Answer found={found} poles={course.poles.length} />}
    </Box>
  );
}

/** What stands out of place, what to measure again, and what nobody can tell yet. */
function Answer({ found, poles }: { found: Adjusted; poles: number }) {
  const { units } = usePreferences();
  const length = (value: number) => quantityText(value, "length", units, 2);
  const off = found.poles.filter(({ move, offM }) => move !== null || offM >= TAPE_TOLERANCE_M);
  const unknown = found.poles.filter((pole) => pole.unknown).map(({ id }) => id);
  return (
    <Box role="status">
      {off.map(({ id, offM, move }) => (
        <Typography key={id} sx={{ fontWeight: 600 }}>
          Pole {id} stands {length(offM)} out
          {move ? `: move it ${length(move.m)} ${move.away ? "away from" : "toward"} ${move.toward}.` : "."}
        </Typography>
      ))}
      {off.length === 0 && unknown.length < poles && <Typography>What was measured stands where it should.</Typography>}
      {found.doubtful && (
        <Typography color="error.main">
          ▲ {found.doubtful.from} to {found.doubtful.to} does not agree with the rest by{" "}
          {length(Math.abs(found.doubtful.offM))}. Measure it again.
        </Typography>
      )}
      {unknown.length > 0 && (
        <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
          Two distances and more are wanted for {unknown.join(", ")}.
        </Typography>
      )}
    </Box>
  );
}
