"use client";

import { typedNumber } from "@/contract";
import CloseIcon from "@mui/icons-material/Close";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import { blockKinds, type BlockKind } from "@/core";
import type { PlannedBlock } from "@/contract";
import { findStep, LINES_STEP, stepName, type Syllabus } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { stepOptions } from "@/ui/syllabus/step-options";
import { SortableLine, SortableList } from "@/ui/sortable/sortable-list";
import { useListener } from "@/ui/units/listener";
import { blockNames, blockReasonWords } from "@/words";
import type { Candidate } from "./load";

const FREELY = "freely";

/** What one pilot flies, in order: each block with its reason, to be moved, changed, added to or taken out. */
export function PlanBlocks({
  one,
  syllabus,
  blocks,
  left,
  packMin,
  startHeight,
  onChange,
}: {
  one: Candidate;
  syllabus: Syllabus;
  blocks: readonly PlannedBlock[];
  /** What does not fit or is refused, and why. */
  left: readonly string[];
  packMin: number;
  /** The minimum start height of a step in words; null where there is none. */
  startHeight: (stepId: string) => string | null;
  onChange: (blocks: readonly PlannedBlock[]) => void;
}) {
  const ids = blocks.map((_, i) => `${one.id}-${i}`);
  const replace = (at: number, part: Partial<PlannedBlock>) =>
    onChange(blocks.map((block, i) => (i === at ? { ...block, ...part } : block)));
  const move = (from: number, to: number) => {
    const moved = [...blocks];
    moved.splice(to, 0, ...moved.splice(from, 1));
    onChange(moved);
  };
  const main = blocks.findIndex(({ kind, stepId }) => kind === "main" && stepId !== null);
  return (
    <Box sx={{ gridColumn: "1 / -1", pl: { xs: 0, md: 5 } }} role="group" aria-label={`Plan of ${one.name}`}>
      {blocks.length === 0 && (
        <Typography sx={{ color: "text.secondary", fontSize: "0.9rem" }}>Nothing planned for {one.name}.</Typography>
      )}
      <SortableList id={`blocks-${one.id}`} ids={ids} ordered onMove={move}>
        {blocks.map((block, i) => (
          <SortableLine key={ids[i]} id={ids[i]} label={`${nameOf(block, syllabus)}, ${one.name}`}>
            <Block
              block={block}
              height={block.stepId === null ? null : startHeight(block.stepId)}
              syllabus={syllabus}
              lines={one.lines}
              onChange={(part) => replace(i, part)}
              onRemove={() => onChange(blocks.filter((_, n) => n !== i))}
            />
          </SortableLine>
        ))}
      </SortableList>
      {blocks.some(({ stepId }) => stepId === LINES_STEP) && (
        <Typography sx={{ fontSize: "0.88rem" }}>
          {one.lines.length > 0
            ? "Choose the line here, or in the field among those that are given."
            : `No line is given to ${one.name} yet; give one under Lines, and the field asks where it broke.`}
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 2 }}>
        <Button
          size="small"
          onClick={() =>
            onChange([
              ...blocks,
              {
                kind: "review",
                stepId: one.currentStepId,
                minutes: packMin / 2,
                firstDirection: null,
                reason: { kind: "coachs-choice" },
              },
            ])
          }
        >
          Add a block
        </Button>
        {main >= 0 && !blocks.some(({ kind }) => kind === "show") && (
          <Button size="small" onClick={() => onChange(withDemonstration(blocks, main, packMin))}>
            Demonstrate first
          </Button>
        )}
        {left.length > 0 && (
          <Typography sx={{ fontSize: "0.82rem", color: "text.secondary" }}>Left out: {left.join(" ")}</Typography>
        )}
      </Box>
    </Box>
  );
}

/** A pack that the coach flies before the main drill. */
const withDemonstration = (blocks: readonly PlannedBlock[], main: number, packMin: number): readonly PlannedBlock[] => [
  ...blocks.slice(0, main),
  { ...blocks[main], kind: "show", minutes: packMin, reason: { kind: "coachs-choice" } },
  ...blocks.slice(main),
];

const nameOf = ({ stepId }: PlannedBlock, syllabus: Syllabus) => (stepId ? stepName(syllabus, stepId) : "Free flying");

const small = { look: "lined", size: "small" } as const;

function Block({
  block,
  height,
  syllabus,
  lines,
  onChange,
  onRemove,
}: {
  block: PlannedBlock;
  height: string | null;
  syllabus: Syllabus;
  /** Those given to the pilot. */
  lines: Candidate["lines"];
  onChange: (part: Partial<PlannedBlock>) => void;
  onRemove: () => void;
}) {
  const name = nameOf(block, syllabus);
  return (
    <Box sx={{ flex: 1, minWidth: 0, py: 0.5 }}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr 1fr", md: "104px minmax(150px,1fr) 62px 122px 34px" },
          columnGap: 1,
          alignItems: "center",
        }}
      >
        <SelectField
          {...small}

          value={block.kind}
          onChange={(event) => onChange({ kind: event.target.value as BlockKind })}
          aria-label={`Kind of ${name}`}
        >
          {blockKinds.map((kind) => (
            <Option key={kind} value={kind}>
              {blockNames[kind]}
            </Option>
          ))}
        </SelectField>
        <SelectField
          {...small}

          value={block.stepId ?? FREELY}
          onChange={(event) =>
            onChange({
              stepId: event.target.value === FREELY ? null : event.target.value,
              firstDirection: null,
              lineId: null,
              reason: { kind: "coachs-choice" },
            })
          }
          aria-label={`Step, now ${name}`}
        >
          <Option value={FREELY}>Free flying</Option>
          {stepOptions(syllabus)}
        </SelectField>
        <TextField
          {...small}
          value={block.minutes}
          onChange={(event) => {
            const minutes = typedNumber(event.target.value);
            if (Number.isFinite(minutes) && minutes >= 0 && minutes <= 600) onChange({ minutes });
          }}
          slotProps={{
            htmlInput: { "aria-label": `Minutes of ${name}`, inputMode: "decimal" },
            input: { endAdornment: "min" },
          }}
        />
        <LineOrDirection block={block} name={name} syllabus={syllabus} lines={lines} onChange={onChange} />
        <IconButton size="small" aria-label={`Remove ${name}`} onClick={onRemove}>
          <CloseIcon fontSize="small" />
        </IconButton>
      </Box>
      <BlockReason block={block} height={height} syllabus={syllabus} />
    </Box>
  );
}

/** Which of the pilot's lines is flown, or the direction to begin with. */
function LineOrDirection({
  block,
  name,
  syllabus,
  lines,
  onChange,
}: {
  block: PlannedBlock;
  name: string;
  syllabus: Syllabus;
  lines: Candidate["lines"];
  onChange: (part: Partial<PlannedBlock>) => void;
}) {
  if (block.stepId === LINES_STEP && lines.length > 0)
    return (
      <SelectField
        {...small}

        value={lines.find(({ id }) => id === block.lineId)?.id ?? ""}
        onChange={(event) => onChange({ lineId: event.target.value || null })}
        aria-label={`Line of ${name}`}
      >
        <Option value="">any of the lines</Option>
        {lines.map((line) => (
          <Option key={line.id} value={line.id}>
            {line.name}
          </Option>
        ))}
      </SelectField>
    );
  const directions = (block.stepId && findStep(syllabus, block.stepId)?.directions) || [];
  if (directions.length < 2) return <span />;
  return (
    <SelectField
      {...small}

      value={block.firstDirection ?? directions[0].id}
      onChange={(event) => onChange({ firstDirection: event.target.value })}
      aria-label={`First direction of ${name}`}
    >
      {directions.map(({ id, name: direction }) => (
        <Option key={id} value={id}>
          {direction} first
        </Option>
      ))}
    </SelectField>
  );
}

/** Why it is flown, and from which height on. */
function BlockReason({ block, height, syllabus }: { block: PlannedBlock; height: string | null; syllabus: Syllabus }) {
  const listener = useListener();
  return (
    <Typography sx={{ fontSize: "0.8rem", color: "text.secondary", lineHeight: 1.3 }}>
      {blockReasonWords(block, syllabus, listener)}
      {height && (
        <Box component="span" sx={{ color: "text.primary" }}>
          {" "}
          {height}.
        </Box>
      )}
    </Typography>
  );
}
