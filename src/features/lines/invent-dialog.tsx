"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import {
  lineStyles,
  type InventedLine,
  type Line,
  type LineProposal,
  type LineScore,
  type LineStyle,
  type Wish,
} from "@/core";
import type { Site } from "@/contract";
import { Option } from "@/ui/forms/options";
import { PickOne } from "@/ui/forms/pick-one";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { Progress } from "@/ui/layout/progress";
import { usePreferences } from "@/ui/theme/preferences";
import { counted, lineItemName, lineReasonWords, percent, quantityText, refusedWords, styleNames } from "@/words";
import { isForLines, type Tile } from "./repertoire";
import { useInvent, type Inventing } from "./use-invent";
import type { FlownWith } from "./line-worker";

/** What is invented: a line of its own, or another made out of the one that is open. */
export type LineKind = "new" | NonNullable<Wish["from"]>["change"];

const kindNames: Readonly<Record<LineKind, string>> = {
  new: "From scratch",
  mirrored: "Mirrored: leave left, enter right",
  "other-end": "Same beginning, other end",
  "low-and-high": "The same trick low and high",
  "one-thing": "One thing changed",
};
/** Candidates that are looked at. */
const BUDGET = 200;
const MOST_TRICKS = 20;

/** What the coach asks for. */
interface Wished {
  readonly kind: LineKind;
  readonly length: number;
  readonly style: LineStyle | "";
  /** Keys of tiles; empty for none. */
  readonly must: string;
  readonly oneNew: string;
}

interface InventDialogProps {
  readonly open: boolean;
  /** What is asked for to begin with. */
  readonly kind: LineKind;
  readonly onClose: () => void;
  readonly tiles: readonly Tile[];
  /** The line that is open, to be made into others; null where there is none yet. */
  readonly line: Line | null;
  readonly site: Site | null;
  readonly request: FlownWith;
  readonly pilotName: string;
  /** Lines the pilot flew, as ids of tricks in order. */
  readonly flown: readonly (readonly string[])[];
  readonly onTake: (line: Line) => void;
}

/** Lines the pilot has not flown: what they are to be like, and the proposals as they come. */
export function InventDialog(props: InventDialogProps) {
  const { open, kind: begunAs, onClose, tiles, line, site, request, pilotName, flown, onTake } = props;
  const known = useMemo(
    () => tiles.filter((tile) => isForLines(tile) && tile.standing !== "new").slice(0, MOST_TRICKS),
    [tiles],
  );
  const fresh = useMemo(() => tiles.filter((tile) => isForLines(tile) && tile.standing === "new"), [tiles]);
  const [wished, setWished] = useState<Wished>({ kind: begunAs, length: 3, style: "", must: "", oneNew: "" });
  const { kind, length, style, must, oneNew } = wished;
  const [seed, setSeed] = useState(1);
  const { state, start, stop } = useInvent();
  // Nobody waits for what nobody sees.
  const close = () => {
    stop();
    onClose();
  };
  const allowed = [...known, ...fresh.filter(({ key }) => key === oneNew)];
  const invent = (withSeed: number) => {
    setSeed(withSeed);
    start(
      {
        allowed: allowed.map(({ recipe }) => recipe),
        length,
        ...(style && { style }),
        ...(must && kind === "new" && { mustHave: [must] }),
        ...(oneNew && { fresh: [oneNew] }),
        ...(site && { roomM: 2 * site.roomM }),
        ...(site?.ceilingM && { ceilingM: site.ceilingM }),
        ...(kind !== "new" && line && { from: { line, change: kind } }),
        flown,
        seed: withSeed,
        budget: BUDGET,
      },
      request,
    );
  };
  return (
    <Dialog open={open} onClose={close} aria-labelledby="invent" fullWidth maxWidth="md">
      <DialogTitle id="invent">Invent lines for {pilotName}</DialogTitle>
      <DialogContent>
        {allowed.length === 0 ? (
          <Typography>
            {pilotName} has no trick signed off or learning that is flown in the model. Sign some off first, or put the
            line together by hand.
          </Typography>
        ) : (
          <>
            <WishFields wished={wished} onWish={setWished} made={line !== null} allowed={allowed} fresh={fresh} />
            <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", my: 1 }}>
              Out of {counted(allowed.length, "trick")} that {pilotName} has or is at
              {site ? `, within the room and the height limit of ${site.name}` : ""}. Every line shown has been flown
              whole in the model.
            </Typography>
            <Box sx={{ display: "flex", gap: 1, mb: 1 }}>
              {state.kind === "inventing" ? (
                <Button variant="outlined" onClick={stop}>
                  Stop
                </Button>
              ) : (
                <Button variant="contained" onClick={() => invent(seed)}>
                  Invent
                </Button>
              )}
              {(state.kind === "done" || state.kind === "stopped") && kind === "new" && (
                <Button onClick={() => invent(seed + 1)}>Others</Button>
              )}
            </Box>
            <Proposals state={state} onTake={onTake} />
          </>
        )}
      </DialogContent>
    </Dialog>
  );
}

function WishFields({
  wished,
  onWish,
  made,
  allowed,
  fresh,
}: {
  wished: Wished;
  onWish: (wished: Wished) => void;
  /** There is a line to be made into others. */
  made: boolean;
  allowed: readonly Tile[];
  fresh: readonly Tile[];
}) {
  const { kind, length, style, must, oneNew } = wished;
  const set = (part: Partial<Wished>) => onWish({ ...wished, ...part });
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", pt: 1 }}>
      <Choice
        label="LineKind"
        value={kind}
        options={Object.entries(kindNames).filter(([id]) => id === "new" || made)}
        onPick={(value) => set({ kind: value as LineKind })}
      />
      {kind === "new" && (
        <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
          <span>Tricks</span>
          <PickOne
            label="Tricks in a line"
            value={length}
            options={[2, 3, 4, 5].map((n) => [n, String(n)])}
            onPick={(n) => set({ length: n })}
          />
        </Box>
      )}
      <Choice
        label="Style"
        value={style}
        options={[["", "any"], ...lineStyles.map((id) => [id, styleNames[id]] as const)]}
        onPick={(value) => set({ style: value as LineStyle | "" })}
      />
      {kind === "new" && (
        <Choice
          label="With"
          value={must}
          options={[["", "anything"], ...allowed.map(({ key, name }) => [key, name] as const)]}
          onPick={(key) => set({ must: key })}
        />
      )}
      <Choice
        label="One new trick"
        value={oneNew}
        options={[["", "none"], ...fresh.map(({ key, name }) => [key, name] as const)]}
        onPick={(key) => set({ oneNew: key })}
      />
    </Box>
  );
}

function Choice(props: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onPick: (value: string) => void;
}) {
  return (
    <SelectField
      size="small"
      label={props.label}
      value={props.value}
      onChange={(event) => props.onPick(event.target.value)}
      sx={{ minWidth: 170 }}
    >
      {props.options.map(([id, name]) => (
        <Option key={id} value={id}>
          {name}
        </Option>
      ))}
    </SelectField>
  );
}

const stageWords = {
  pairs: "What can follow what",
  lines: "Flying lines whole",
  odds: "Counting how often they are clean",
};

function Proposals({ state, onTake }: { state: Inventing; onTake: (line: Line) => void }) {
  if (state.kind === "idle") return null;
  if (state.kind === "refused")
    return (
      <Typography role="alert" color="error.main">
        ▲ {refusedWords(state.why)}
      </Typography>
    );
  const lines = state.kind === "done" ? state.lines : state.soFar;
  return (
    <>
      {state.kind === "inventing" && (
        <Box sx={{ mb: 1 }}>
          <Typography sx={{ fontSize: "0.88rem" }} role="status">
            {stageWords[state.stage]}: {percent(state.share)}
          </Typography>
          <Progress share={state.share} aria-label={stageWords[state.stage]} />
        </Box>
      )}
      {state.kind === "stopped" && <Typography>Stopped. This is what there was until then.</Typography>}
      {lines.length === 0 && state.kind !== "inventing" && (
        <Typography>No line keeps to all of that. Ask for fewer tricks, another style, or more room.</Typography>
      )}
      <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {lines.map((one) => (
          <Proposal key={one.line.id} proposal={one} onTake={() => onTake(one.line)} />
        ))}
      </Box>
    </>
  );
}

const partNames: Readonly<Record<keyof LineScore, string>> = {
  odds: "clean",
  flow: "no stops",
  variety: "variety",
  surprise: "surprise",
  closes: "ends where it began",
};

function Proposal({ proposal, onTake }: { proposal: LineProposal | InventedLine; onTake: () => void }) {
  const { units } = usePreferences();
  const { line, parts, why } = proposal;
  const scored = "score" in proposal ? proposal : null;
  return (
    <Box
      component="li"
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", sm: "minmax(0,1fr) auto" },
        gap: 1,
        py: 1,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
      })}
    >
      <div>
        <Typography sx={{ fontWeight: 650 }}>
          {line.items.map((item) => lineItemName(item, units)).join(" → ")}
        </Typography>
        <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
          {why.map((reason) => lineReasonWords(reason, units)).join(" · ")}
        </Typography>
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, fontSize: "0.85rem", mt: 0.5 }}>
          {(Object.keys(partNames) as (keyof LineScore)[]).map((part) => {
            const share = part === "odds" ? (scored?.parts.odds ?? null) : parts[part];
            return (
              <span key={part}>
                {partNames[part]} <b className="num">{share === null ? "–" : percent(share)}</b>
              </span>
            );
          })}
        </Box>
      </div>
      <Box sx={{ textAlign: "right" }}>
        {scored && (
          <Box className="num" sx={{ fontSize: "1.4rem", lineHeight: 1.1 }}>
            {quantityText(scored.score * 100, "count", units, 0)}
          </Box>
        )}
        <Button variant="outlined" size="small" onClick={onTake}>
          Take it up
        </Button>
      </Box>
    </Box>
  );
}
