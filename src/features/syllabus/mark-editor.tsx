"use client";

import Button from "@mui/material/Button";
import { Box } from "@/ui/layout/box";
import { measureWords, placeWords, limitLabel } from "@/words";
import { attemptMeasures, places, type PassMark } from "@/core";
import { Option } from "@/ui/forms/options";
import { SelectField, SelectSeveral } from "@/ui/forms/select-field";
import { NumberField } from "./fields";
import { markKinds, turnedInto } from "./mark-kinds";

/** A pass mark: a rule, or rules within rules. */
export function MarkEditor({
  mark,
  label,
  onChange,
  onRemove,
}: {
  mark: PassMark;
  label: string;
  onChange: (mark: PassMark) => void;
  onRemove?: () => void;
}) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={(theme) => ({ display: "grid", gap: 1, pl: 1, borderLeft: `3px solid ${theme.tokens.shoal}` })}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
        <SelectField
          size="small"
          label={label}
          value={mark.kind}
          onChange={(event) => onChange(turnedInto(mark, event.target.value as PassMark["kind"]))}
          sx={{ minWidth: 200 }}
        >
          {Object.entries(markKinds).map(([kind, { name }]) => (
            <Option key={kind} value={kind}>
              {name}
            </Option>
          ))}
        </SelectField>
        <RuleFigures mark={mark} onChange={onChange} />
        {onRemove && (
          <Button size="small" onClick={onRemove}>
            Leave out
          </Button>
        )}
      </Box>
      <RulesWithin mark={mark} onChange={onChange} />
    </Box>
  );
}

interface PartProps {
  readonly mark: PassMark;
  readonly onChange: (mark: PassMark) => void;
}

/** The figures of a simple rule, or the places in which it counts. */
function RuleFigures({ mark, onChange }: PartProps) {
  return (
    <>
      {(mark.kind === "k-of-last" || mark.kind === "measured") && (
        <>
          <NumberField label="Clean" value={mark.k} onChange={(k) => onChange({ ...mark, k })} />
          <NumberField label="of the last" value={mark.n} onChange={(n) => onChange({ ...mark, n })} />
        </>
      )}
      {mark.kind === "run" && (
        <NumberField label="In a row" value={mark.k} onChange={(k) => onChange({ ...mark, k })} />
      )}
      {mark.kind === "clean-packs" && (
        <NumberField label="Packs" value={mark.packs} onChange={(packs) => onChange({ ...mark, packs })} />
      )}
      {mark.kind === "minutes" && (
        <NumberField label="Minutes" value={mark.minutes} onChange={(minutes) => onChange({ ...mark, minutes })} />
      )}
      {mark.kind === "measured" && (
        <>
          <SelectField
            size="small"
            label="Measured"
            value={mark.measure}
            onChange={(event) => onChange({ ...mark, measure: event.target.value as typeof mark.measure })}
            sx={{ minWidth: 170 }}
          >
            {attemptMeasures.map((measure) => (
              <Option key={measure} value={measure}>
                {measureWords[measure]}
              </Option>
            ))}
          </SelectField>
          <NumberField
            label={limitLabel(mark.measure)}
            value={mark.within}
            onChange={(within) => onChange({ ...mark, within })}
          />
        </>
      )}
      {mark.kind === "in-places" && (
        <SelectSeveral
          size="small"
          label="Places"
          value={mark.places}
          onChange={(chosen) => chosen.length > 0 && onChange({ ...mark, places: chosen })}
          sx={{ minWidth: 200 }}
        >
          {places.map((place) => (
            <Option key={place} value={place}>
              {placeWords[place]}
            </Option>
          ))}
        </SelectSeveral>
      )}
    </>
  );
}

/** The rules that a joined mark holds. */
function RulesWithin({ mark, onChange }: PartProps) {
  return (
    <>
      {(mark.kind === "each-direction" || mark.kind === "in-places") && (
        <MarkEditor mark={mark.rule} label="Rule" onChange={(rule) => onChange({ ...mark, rule })} />
      )}
      {(mark.kind === "all" || mark.kind === "any") && (
        <>
          {mark.rules.map((rule, i) => (
            <MarkEditor
              key={i}
              mark={rule}
              label={`Rule ${i + 1}`}
              onChange={(next) => onChange({ ...mark, rules: mark.rules.map((one, n) => (n === i ? next : one)) })}
              onRemove={
                mark.rules.length > 1
                  ? () => onChange({ ...mark, rules: mark.rules.filter((_, n) => n !== i) })
                  : undefined
              }
            />
          ))}
          <Button
            size="small"
            sx={{ justifySelf: "start" }}
            onClick={() => onChange({ ...mark, rules: [...mark.rules, markKinds["k-of-last"].fresh] })}
          >
            One more rule
          </Button>
        </>
      )}
    </>
  );
}
