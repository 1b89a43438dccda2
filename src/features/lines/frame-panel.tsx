"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { lineStyles, type Anchor, type LineStyle, type Obstacle, type SitePlan } from "@/core";
import type { Site } from "@/contract";
import { NumberSlider } from "@/ui/forms/number-slider";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { usePreferences } from "@/ui/theme/preferences";
import { styleNames, styleWords, type Quantity } from "@/words";
import { usualAnchors, withAnchors, type LineDraft } from "./edits";
import { anchorsOnPlan, turnedAnchors } from "./on-site";

interface FramePanelProps {
  readonly draft: LineDraft;
  readonly sites: readonly Site[];
  /** Of the site that is chosen, where it is drawn. */
  readonly plan: SitePlan | null;
  readonly onChange: (draft: LineDraft, gesture?: string) => void;
}

/** Where and how a line is begun, what it is held to, and what stands there to be flown at. */
export function FramePanel({ draft, sites, plan, onChange }: FramePanelProps) {
  const { units } = usePreferences();
  const { line } = draft;
  const change = (part: Partial<LineDraft["line"]>, gesture: string) =>
    onChange({ ...draft, line: { ...line, ...part } }, gesture);
  return (
    <Box component="section" aria-labelledby="frame" sx={{ display: "grid", gap: 1.5, maxWidth: 420 }}>
      <Typography variant="h2" id="frame">
        Where it is flown
      </Typography>
      <SelectField
        size="small"
        label="Site"
        value={sites.find(({ id }) => id === draft.siteId)?.id ?? ""}
        onChange={({ target }) => onChange({ ...draft, siteId: target.value || null })}
      >
        <Option value="">anywhere</Option>
        {sites.map(({ id, name }) => (
          <Option key={id} value={id}>
            {name}
          </Option>
        ))}
      </SelectField>
      <NumberSlider
        label="Begins at a height of"
        quantity="length"
        value={line.entryHeightM ?? 15}
        range={[1, 60]}
        step={0.5}
        digits={1}
        onChange={(entryHeightM) => change({ entryHeightM }, "entry height")}
      />
      <NumberSlider
        label="Heading; the wind is taken from the north"
        quantity="angle"
        value={line.headingDeg}
        range={[-180, 180]}
        step={5}
        digits={0}
        onChange={(headingDeg) =>
          change(
            {
              headingDeg,
              ...(plan && { anchors: turnedAnchors(line.anchors, plan, line.headingDeg, headingDeg) }),
            },
            "heading",
          )
        }
      />
      <SelectField
        size="small"
        label="Style"
        value={draft.style ?? ""}
        helperText={draft.style ? styleWords(draft.style, units) : "held to no limits of its own"}
        onChange={({ target }) => onChange({ ...draft, style: (target.value || null) as LineStyle | null })}
      >
        <Option value="">any</Option>
        {lineStyles.map((style) => (
          <Option key={style} value={style}>
            {styleNames[style]}
          </Option>
        ))}
      </SelectField>
      <Fold title="Things to fly at" beside={String(line.anchors.length)} level={3}>
        <AnchorList draft={draft} plan={plan} onChange={onChange} />
      </Fold>
    </Box>
  );
}

/** Things that stand at the site, taken from its plan. */
function FromPlan({ offered, onTake }: { offered: readonly Anchor[]; onTake: (anchor: Anchor) => void }) {
  if (offered.length === 0) return null;
  return (
    <SelectField
      size="small"
      label="From the plan of the site"
      value=""
      onChange={({ target }) => {
        const anchor = offered.find(({ id }) => id === target.value);
        if (anchor) onTake(anchor);
      }}
    >
      {offered.map(({ id }) => (
        <Option key={id} value={id}>
          {id}
        </Option>
      ))}
    </SelectField>
  );
}

const kindNames: Readonly<Record<keyof typeof usualAnchors, string>> = {
  pole: "a post",
  bar: "a bar",
  gap: "a gap",
  wall: "a wall",
  tree: "a tree",
};
const figures: readonly (readonly [keyof Obstacle & string, string, readonly [number, number], Quantity])[] = [
  ["alongM", "Along the line of entry", [-100, 150], "length"],
  ["acrossM", "To the right, or left where negative", [-80, 80], "length"],
  ["heightM", "High", [0.5, 30], "length"],
  ["widthM", "Wide", [0.1, 30], "length"],
  ["turnedDeg", "Turned", [-180, 180], "angle"],
];

function AnchorList({ draft, plan, onChange }: Pick<FramePanelProps, "draft" | "plan" | "onChange">) {
  const { anchors } = draft.line;
  const used = (id: string) =>
    draft.line.items.some((item) =>
      item.kind === "trick" ? item.anchor?.id === id : item.join.kind === "round" && item.join.anchorId === id,
    );
  const nextId = (kind: string) => {
    for (let n = 1; ; n++) {
      const id = n === 1 ? kind : `${kind}-${n}`;
      if (!anchors.some((anchor) => anchor.id === id)) return id;
    }
  };
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {(Object.keys(usualAnchors) as (keyof typeof usualAnchors)[]).map((kind) => (
          <Button
            key={kind}
            size="small"
            variant="outlined"
            onClick={() =>
              onChange(withAnchors(draft, [...anchors, { id: nextId(kind), obstacle: usualAnchors[kind] }]))
            }
          >
            Add {kindNames[kind]}
          </Button>
        ))}
      </Box>
      {plan && (
        <FromPlan
          offered={anchorsOnPlan(plan, draft.line.headingDeg).filter(({ id }) => !anchors.some((one) => one.id === id))}
          onTake={(anchor) => onChange(withAnchors(draft, [...anchors, anchor]))}
        />
      )}
      {anchors.map(({ id, obstacle }) => (
        <Fold key={id} title={id} level={3}>
          <Box sx={{ display: "grid", gap: 1 }}>
            {figures.map(([name, label, range, quantity]) => (
              <NumberSlider
                key={name}
                label={label}
                quantity={quantity}
                value={(obstacle[name] as number | undefined) ?? 0}
                range={range}
                step={quantity === "angle" ? 5 : 0.5}
                digits={quantity === "angle" ? 0 : 1}
                onChange={(value) =>
                  onChange(
                    withAnchors(
                      draft,
                      anchors.map((one) => (one.id === id ? { id, obstacle: { ...obstacle, [name]: value } } : one)),
                    ),
                    `anchor ${id} ${name}`,
                  )
                }
              />
            ))}
            <Button
              size="small"
              sx={{ justifySelf: "start" }}
              disabled={used(id)}
              title={used(id) ? "Something in the line is flown at it" : undefined}
              onClick={() =>
                onChange(
                  withAnchors(
                    draft,
                    anchors.filter((one) => one.id !== id),
                  ),
                )
              }
            >
              Take it away
            </Button>
          </Box>
        </Fold>
      ))}
    </Box>
  );
}
