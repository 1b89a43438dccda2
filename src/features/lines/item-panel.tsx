"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { recipes, type AnchorWay, type FlownItem, type Join, type LineItem, type TrickItem } from "@/core";
import { directionWords, flownBy } from "@/syllabus";
import { ParameterSlider } from "@/ui/flight/parameter-slider";
import { NumberSlider } from "@/ui/forms/number-slider";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { capital, lineItemName, problemWords, type Quantity } from "@/words";
import { usualJoins } from "./edits";
import { wholeRecipe } from "./repertoire";

interface ItemPanelProps {
  readonly item: LineItem;
  readonly flown: FlownItem | undefined;
  readonly anchorIds: readonly string[];
  readonly onChange: (item: LineItem, gesture?: string) => void;
  readonly onRemove: () => void;
}

/** The item that is chosen: which way a trick is flown, at what, and its figures; how large a join is. */
export function ItemPanel(props: ItemPanelProps) {
  const { item, flown, onRemove } = props;
  const { units } = usePreferences();
  return (
    <Box component="section" aria-labelledby="item">
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1.5, mb: 1 }}>
        <Typography variant="h2" id="item">
          {capital(lineItemName(item, units))}
        </Typography>
        <Button size="small" onClick={onRemove}>
          Take it out
        </Button>
      </Box>
      {flown?.problem && (
        <Typography color="error.main" sx={{ fontWeight: 600, mb: 1 }}>
          ▲ {problemWords(flown.problem, units)}
        </Typography>
      )}
      {item.kind === "trick" ? <TrickPart {...props} item={item} /> : <JoinPart {...props} join={item.join} />}
    </Box>
  );
}

const anchorWays: Readonly<Record<AnchorWay, string>> = {
  over: "over",
  under: "under",
  through: "through",
  round: "round",
  past: "past, in the picture",
};

function TrickPart({ item, flown, anchorIds, onChange }: ItemPanelProps & { item: TrickItem }) {
  const known = typeof item.recipe === "string" ? flownBy(item.recipe) : undefined;
  const ways =
    known?.trick.variants.flatMap((variant) =>
      Object.entries(variant.recipes).map(
        ([direction, recipe]) =>
          [
            recipe,
            `${directionWords[direction]}${known.trick.variants.length > 1 ? `, ${variant.name}` : ""}`,
          ] as const,
      ),
    ) ?? [];
  const recipe = flown?.recipe ?? wholeRecipe(item.recipe);
  const own = wholeRecipe(item.recipe);
  const byHand = item.parameters ?? {};
  return (
    <Box sx={{ display: "grid", gap: 1.5, maxWidth: 420 }}>
      {ways.length > 1 && typeof item.recipe === "string" && (
        <SelectField
          size="small"
          label="Flown"
          value={item.recipe}
          onChange={(event) => onChange({ ...item, recipe: event.target.value, parameters: undefined })}
        >
          {ways.map(([id, name]) => (
            <Option key={id} value={id} disabled={!(id in recipes)}>
              {name}
            </Option>
          ))}
        </SelectField>
      )}
      {anchorIds.length > 0 && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <SelectField
            size="small"
            label="Flown at"
            value={item.anchor?.id ?? ""}
            sx={{ flex: 1 }}
            onChange={({ target: { value } }) => {
              const { anchor: before, ...rest } = item;
              onChange(value === "" ? rest : { ...rest, anchor: { id: value, how: before?.how ?? "over" } });
            }}
          >
            <Option value="">nothing</Option>
            {anchorIds.map((id) => (
              <Option key={id} value={id}>
                {id}
              </Option>
            ))}
          </SelectField>
          {item.anchor && (
            <SelectField
              size="small"
              label="How"
              value={item.anchor.how}
              sx={{ flex: 1 }}
              onChange={({ target: { value } }) =>
                onChange({ ...item, anchor: { id: item.anchor!.id, how: value as AnchorWay } })
              }
            >
              {Object.entries(anchorWays).map(([how, name]) => (
                <Option key={how} value={how}>
                  {name}
                </Option>
              ))}
            </SelectField>
          )}
        </Box>
      )}
      {Object.entries(own.parameters).map(([name, { label, unit, min, max }]) => (
        <ParameterSlider
          key={name}
          name={name}
          label={label}
          unit={unit}
          value={recipe.parameters[name]?.value ?? own.parameters[name].value}
          min={min}
          max={max}
          worked={!(name in byHand) && own.solveFor.some(({ param }) => param === name)}
          onSet={(key, value) => onChange({ ...item, parameters: { ...byHand, [key]: value } }, `set ${key}`)}
        />
      ))}
      {Object.keys(byHand).length > 0 && (
        <Button size="small" sx={{ justifySelf: "start" }} onClick={() => onChange({ ...item, parameters: undefined })}>
          Work everything out again
        </Button>
      )}
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
        ◆ is worked out from the state in which the line comes to it. What you move stays as you set it.
      </Typography>
    </Box>
  );
}

const joinNames: Readonly<Record<Join["kind"], string>> = {
  on: "fly on",
  climb: "climb or sink",
  turn: "turn",
  speed: "speed up or slow down",
  hover: "stop and hover",
  wait: "hold it",
  round: "round something",
};

interface Size {
  readonly field: string;
  readonly label: string;
  readonly range: readonly [number, number];
  readonly step: number;
  readonly quantity: Quantity;
}
/** Ranges in which a coach works; a file may hold more. */
const sizes: Readonly<Record<Join["kind"], Size>> = {
  on: { field: "m", label: "So far", range: [1, 80], step: 1, quantity: "length" },
  climb: { field: "m", label: "Up, or down where negative", range: [-30, 30], step: 0.5, quantity: "length" },
  turn: { field: "deg", label: "To the right, or left where negative", range: [-360, 360], step: 5, quantity: "angle" },
  speed: { field: "mps", label: "To", range: [0, 30], step: 0.5, quantity: "speed" },
  hover: { field: "s", label: "So long", range: [0.2, 10], step: 0.1, quantity: "time" },
  wait: { field: "s", label: "So long", range: [0.1, 10], step: 0.1, quantity: "time" },
  round: {
    field: "deg",
    label: "To the right, or left where negative",
    range: [-720, 720],
    step: 15,
    quantity: "angle",
  },
};

function JoinPart({ join, anchorIds, onChange }: ItemPanelProps & { join: Join }) {
  const { field, label, range, step, quantity } = sizes[join.kind];
  const value = (join as unknown as Record<string, number>)[field];
  const kinds = (Object.keys(joinNames) as Join["kind"][]).filter(
    (kind) => kind !== "round" || anchorIds.length > 0 || join.kind === "round",
  );
  return (
    <Box sx={{ display: "grid", gap: 1.5, maxWidth: 420 }}>
      <SelectField
        size="small"
        label="Join"
        value={join.kind}
        onChange={({ target }) =>
          onChange({ kind: "join", join: usualJoins[target.value as Join["kind"]](anchorIds[0] ?? "") })
        }
      >
        {kinds.map((kind) => (
          <Option key={kind} value={kind}>
            {joinNames[kind]}
          </Option>
        ))}
      </SelectField>
      {join.kind === "round" && (
        <SelectField
          size="small"
          label="Round"
          value={join.anchorId}
          onChange={({ target }) => onChange({ kind: "join", join: { ...join, anchorId: target.value } })}
        >
          {anchorIds.map((id) => (
            <Option key={id} value={id}>
              {id}
            </Option>
          ))}
        </SelectField>
      )}
      <NumberSlider
        label={label}
        quantity={quantity}
        value={value}
        range={[Math.min(range[0], value), Math.max(range[1], value)]}
        step={step}
        digits={step < 1 ? 1 : 0}
        onChange={(next) => onChange({ kind: "join", join: { ...join, [field]: next } as Join }, "join size")}
      />
    </Box>
  );
}
