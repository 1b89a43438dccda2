"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import {
  requiredColumns,
  tapeColumns,
  type ColumnSource,
  type MappingGuess,
  type TapeColumn,
  type TapeMapping,
} from "@/core";
import { typedNumber } from "@/contract";
import { Box } from "@/ui/layout/box";
import { numeral, tapeColumnNames } from "@/words";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";

interface MappingBoardProps {
  readonly name: string;
  readonly guess: MappingGuess;
  /** As it was read before; null for the guess. */
  readonly known: TapeMapping | null;
  readonly onRead: (mapping: TapeMapping) => void;
  readonly onCancel: () => void;
}

/** Among the units: one of one's own. */
const OWN_UNIT = "own";
/** A unit of a file's column: its value is factor · number + offset. */
type Unit = readonly [name: string, factor: number, offset: number];
const sticks: readonly Unit[] = [
  ["−1 to 1", 1, 0],
  ["−100 to 100\u202f%", 1 / 100, 0],
  ["−500 to 500", 1 / 500, 0],
  ["1000 to 2000 µs", 1 / 500, -3],
];
const rates: readonly Unit[] = [
  ["°/s", 1, 0],
  ["rad/s", 180 / Math.PI, 0],
];
const unitsOf = (column: TapeColumn): readonly Unit[] => {
  if (column === "time_s")
    return [
      ["s", 1, 0],
      ["ms", 1e-3, 0],
      ["µs", 1e-6, 0],
    ];
  if (column === "throttle")
    return [
      ["0 to 1", 1, 0],
      ["0 to 100\u202f%", 1 / 100, 0],
      ["0 to 1000", 1 / 1000, 0],
      ["1000 to 2000 µs", 1 / 1000, -1],
    ];
  return column.startsWith("stick") ? sticks : rates;
};
const near = (a: number, b: number) => Math.abs(a - b) < 1e-9 + 1e-6 * Math.abs(b);
const unitOf = (column: TapeColumn, { factor, offset }: ColumnSource) =>
  unitsOf(column).findIndex(([, f, o]) => near(Math.abs(factor), f) && near(Math.sign(factor) * offset, o));

/** Another program's file: which of its columns is what, guessed first, with what comes out of it beside each. */
export function MappingBoard({ name, guess, known, onRead, onCancel }: MappingBoardProps) {
  const [mapping, setMapping] = useState<TapeMapping>(known ?? guess.mapping);
  const set = (column: TapeColumn, source: ColumnSource | null) =>
    setMapping((was) => {
      const { [column]: _, ...others } = was;
      return source ? { ...others, [column]: source } : others;
    });
  const lacking = requiredColumns.filter((column) => !mapping[column]);
  return (
    <Box component="section" aria-labelledby="mapping">
      <Typography variant="h2" id="mapping" sx={{ overflowWrap: "anywhere" }}>
        Which column is what in {name}?
      </Typography>
      <Typography sx={{ mb: 1, maxWidth: 660 }}>
        Its columns are not those of an open recording. This is what they look like; fix what is wrong. Right, nose up
        and stick back are positive. It is remembered for this aircraft.
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {requiredColumns.map((column) => (
          <ColumnRow
            key={column}
            column={column}
            source={mapping[column] ?? null}
            guess={guess}
            unsure={guess.unsure.includes(column) && !known}
            onChange={(source) => set(column, source)}
          />
        ))}
      </Box>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mt: 1.5 }}>
        <Button variant="contained" disabled={lacking.length > 0} onClick={() => onRead(mapping)}>
          Read it so
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
        {lacking.length > 0 && (
          <span>Still wanted: {lacking.map((column) => tapeColumnNames[column].toLowerCase()).join(", ")}.</span>
        )}
      </Box>
    </Box>
  );
}

interface ColumnRowProps {
  readonly column: TapeColumn;
  readonly source: ColumnSource | null;
  readonly guess: MappingGuess;
  readonly unsure: boolean;
  readonly onChange: (source: ColumnSource | null) => void;
}

function ColumnRow({ column, source, guess, unsure, onChange }: ColumnRowProps) {
  const title = tapeColumnNames[column];
  const units = unitsOf(column);
  const unit = source ? unitOf(column, source) : -1;
  const turned = source !== null && source.factor < 0;
  // Of a unit that nobody foresaw: value = factor · number + offset.
  const [free, setFree] = useState(source !== null && unit < 0);
  const withUnit = (from: string, at: number, other: boolean): ColumnSource => {
    const [, factor, offset] = units[Math.max(0, at)];
    return { from, factor: other ? -factor : factor, offset: other ? -offset : offset };
  };
  return (
    <Box
      component="li"
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "150px 220px 190px 150px minmax(0,1fr)" },
        alignItems: "center",
        gap: 1.5,
        py: 1,
        borderBottom: `1px solid ${theme.tokens.rule}`,
      })}
    >
      <b>{title}</b>
      <SelectField
        size="small"
        label="Column"
        value={source?.from ?? ""}
        onChange={({ target }) => onChange(target.value === "" ? null : withUnit(target.value, unit, turned))}
        aria-label={`Column of ${title.toLowerCase()}`}
      >
        <Option value="">none</Option>
        {guess.names.map((one, i) => (
          <Option key={i} value={one}>
            {one}
          </Option>
        ))}
      </SelectField>
      <SelectField
        size="small"
        label="Unit"
        disabled={!source}
        value={free || unit < 0 ? (source ? OWN_UNIT : "") : unit}
        onChange={({ target }) => {
          setFree(target.value === OWN_UNIT);
          if (source && target.value !== OWN_UNIT) onChange(withUnit(source.from, Number(target.value), turned));
        }}
        aria-label={`Unit of ${title.toLowerCase()}`}
      >
        {units.map(([words], i) => (
          <Option key={words} value={i}>
            {words}
          </Option>
        ))}
        <Option value={OWN_UNIT}>own: times and plus</Option>
      </SelectField>
      {free && source ? (
        <OwnUnit title={title} source={source} onChange={onChange} />
      ) : column === "time_s" ? (
        <span />
      ) : (
        <FormControlLabel
          label="Other way"
          disabled={!source}
          control={
            <Checkbox
              checked={turned}
              onChange={() => source && onChange({ ...source, factor: -source.factor, offset: -source.offset })}
            />
          }
        />
      )}
      <Preview column={column} source={source} guess={guess} unsure={unsure} />
    </Box>
  );
}

/** A unit of one's own: what a number is multiplied by, and what is added. */
function OwnUnit({
  title,
  source,
  onChange,
}: {
  title: string;
  source: ColumnSource;
  onChange: (source: ColumnSource) => void;
}) {
  const [typed, setTyped] = useState({ factor: String(source.factor), offset: String(source.offset) });
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 0.5 }}>
      {(["factor", "offset"] as const).map((name) => {
        const value = typedNumber(typed[name]);
        const bad = !Number.isFinite(value) || (name === "factor" && value === 0);
        return (
          <TextField
            key={name}
            size="small"
            label={name === "factor" ? "times" : "plus"}
            value={typed[name]}
            error={bad}
            onChange={({ target }) => {
              setTyped({ ...typed, [name]: target.value });
              const next = typedNumber(target.value);
              if (Number.isFinite(next) && (name === "offset" || next !== 0)) onChange({ ...source, [name]: next });
            }}
            slotProps={{
              htmlInput: {
                inputMode: "decimal",
                "aria-label": `${name === "factor" ? "Times" : "Plus"}, ${title.toLowerCase()}`,
              },
            }}
          />
        );
      })}
    </Box>
  );
}

/** What comes out of a column at the beginning of the file. */
function Preview({ column, source, guess, unsure }: Omit<ColumnRowProps, "onChange">) {
  if (!source) return <span>▲ not found</span>;
  const at = guess.names.indexOf(source.from);
  const values = guess.rows.map((row) => source.factor * row[at] + source.offset).filter(Number.isFinite);
  if (values.length === 0) return <span>▲ no numbers in it</span>;
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const [low, high] = tapeColumns[column];
  const digits = Math.max(Math.abs(least), Math.abs(most)) < 10 ? 3 : 0;
  return (
    <span>
      {least < low || most > high ? "▲ cannot be: " : unsure ? "▲ guessed by its place: " : ""}
      <span className="num">
        {numeral(least, digits)} to {numeral(most, digits)}
      </span>
    </span>
  );
}
