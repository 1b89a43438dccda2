"use client";

import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import type { ReactNode } from "react";
import type { FlownItem, LineFault, LineItem, LineMend, LineState } from "@/core";
import { Box } from "@/ui/layout/box";
import { SortableLine, SortableList } from "@/ui/sortable/sortable-list";
import { usePreferences } from "@/ui/theme/preferences";
import { headingText, joinWords, lineFaultWords, lineItemName, numeral, quantityText, type UnitSystem } from "@/words";
import { trickNumbers } from "./numbered";
import type { Mends } from "./use-line";

interface StripProps {
  readonly asked: readonly LineItem[];
  /** As flown; fewer than asked where the line is over before, null while it is being flown. */
  readonly flown: readonly FlownItem[] | null;
  readonly faults: readonly LineFault[];
  readonly mends: Mends;
  /** Whether mends are still looked for. */
  readonly mending: boolean;
  readonly selected: number | null;
  readonly mayChange: boolean;
  readonly onSelect: (item: number) => void;
  readonly onMove: (from: number, to: number) => void;
  readonly onMend: (item: number, mend: LineMend) => void;
  readonly onBeginAt: (heightM: number) => void;
}

/** The items in order: tricks as numbered cards with how they are entered and left, and between them what is carried over, in red where it does not hold. */
export function Strip(props: StripProps) {
  const { asked, flown, faults, mends, mending, selected, mayChange, onSelect, onMove, onMend, onBeginAt } = props;
  const { units } = usePreferences();
  const numbers = trickNumbers(asked);
  const ids = asked.map((_, i) => String(i));
  return (
    <SortableList id="line-items" ids={ids} ordered inRows onMove={onMove}>
      {asked.map((item, i) => {
        const own = faults.filter((fault) => fault.item === i);
        const name = lineItemName(item, units);
        return (
          <SortableLine key={i} id={String(i)} label={name} movable={mayChange}>
            {item.kind === "trick" ? (
              <>
                {(i > 0 && asked[i - 1].kind === "trick") || own.length > 0 ? (
                  <Joint
                    straight={i > 0 && asked[i - 1].kind === "trick"}
                    entry={flown?.[i]?.entry}
                    faults={own}
                    mends={mayChange && i > 0 ? (mends.get(i) ?? []) : null}
                    mending={mending}
                    onMend={(mend) => onMend(i, mend)}
                    onBeginAt={mayChange && i === 0 ? onBeginAt : null}
                  />
                ) : null}
                <TrickCard
                  number={numbers[i]!}
                  name={name}
                  flown={flown && (flown[i] ?? "not-reached")}
                  broken={own.length > 0}
                  selected={selected === i}
                  onSelect={() => onSelect(i)}
                />
              </>
            ) : (
              <JoinCard
                words={joinWords(item.join, units)}
                exit={flown?.[i]?.exit}
                faults={own}
                selected={selected === i}
                onSelect={() => onSelect(i)}
              />
            )}
          </SortableLine>
        );
      })}
    </SortableList>
  );
}

const stateText = ({ heightM, speedMps }: LineState, units: UnitSystem) =>
  `${quantityText(heightM, "length", units)} · ${quantityText(speedMps, "speed", units, 0)}`;

function TrickCard(props: {
  number: number;
  name: string;
  flown: FlownItem | "not-reached" | null;
  broken: boolean;
  selected: boolean;
  onSelect: () => void;
}) {
  const { number, name, flown, broken, selected, onSelect } = props;
  const { units } = usePreferences();
  return (
    <ButtonBase
      onClick={onSelect}
      aria-pressed={selected}
      sx={(theme) => ({
        display: "block",
        textAlign: "left",
        width: 148,
        minHeight: 76,
        px: 1,
        py: 1,
        bgcolor: theme.tokens.sheet,
        border: `1.5px solid ${theme.tokens.ink}`,
        borderTop: `5px ${broken ? "dashed" : "solid"} ${broken ? theme.tokens.buoyText : theme.tokens.shoal}`,
        outline: selected ? `2.5px solid ${theme.tokens.ink}` : "none",
        outlineOffset: 1,
        fontSize: "0.82rem",
        lineHeight: 1.3,
      })}
    >
      <Box component="span" sx={{ display: "block", fontWeight: 700, fontSize: "0.9rem", mb: 0.5 }}>
        <span className="num">{number}</span> {name}
      </Box>
      {flown === "not-reached" ? (
        <Box component="span" sx={{ display: "block", color: "error.main", fontWeight: 650 }}>
          not reached
        </Box>
      ) : flown ? (
        <>
          <Box component="span" sx={{ display: "block" }}>
            in <span className="num">{stateText(flown.entry, units)}</span>
          </Box>
          <Box component="span" sx={{ display: "block" }}>
            out <span className="num">{flown.complete ? stateText(flown.exit, units) : "does not end"}</span>
          </Box>
        </>
      ) : null}
    </ButtonBase>
  );
}

function JoinCard(props: {
  words: string;
  exit: LineState | undefined;
  faults: readonly LineFault[];
  selected: boolean;
  onSelect: () => void;
}) {
  const { words, exit, faults, selected, onSelect } = props;
  const { units } = usePreferences();
  return (
    <Box sx={{ width: 112, px: 0.5, textAlign: "center" }}>
      <ButtonBase
        onClick={onSelect}
        aria-pressed={selected}
        sx={(theme) => ({
          display: "block",
          width: 1,
          py: 1,
          fontSize: "0.82rem",
          lineHeight: 1.3,
          color: "text.secondary",
          outline: selected ? `2.5px solid ${theme.tokens.ink}` : "none",
        })}
      >
        <Box component="span" sx={{ display: "block", fontWeight: 600, color: "text.primary" }}>
          {words}
        </Box>
        {exit && (
          <Box component="span" className="num" sx={{ display: "block", whiteSpace: "nowrap", fontSize: "0.78rem" }}>
            {stateText(exit, units)}
            <br />
            {headingText(exit.headingDeg)}
          </Box>
        )}
        <span aria-hidden>→</span>
      </ButtonBase>
      <FaultLines faults={faults} />
    </Box>
  );
}

function Joint(props: {
  straight: boolean;
  entry: LineState | undefined;
  faults: readonly LineFault[];
  /** Null where none are looked for. */
  mends: readonly LineMend[] | null;
  mending: boolean;
  onMend: (mend: LineMend) => void;
  /** Begins the whole line higher; null where that is not what it wants. */
  onBeginAt: ((heightM: number) => void) | null;
}) {
  const { straight, entry, faults, mends, mending, onMend, onBeginAt } = props;
  const low = faults.find((fault) => fault.kind === "too-low");
  const beginAtM = onBeginAt && low ? Math.ceil(2 * low.wantsM) / 2 : null;
  const { units } = usePreferences();
  return (
    <Box sx={{ width: 116, px: 0.5, textAlign: "center", fontSize: "0.82rem", lineHeight: 1.3 }}>
      {straight && faults.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>
          straight in
          {entry && (
            <Box component="span" className="num" sx={{ display: "block" }}>
              {numeral(entry.pitchDeg, 0)}° nose · {headingText(entry.headingDeg)}
            </Box>
          )}
          <span aria-hidden>→</span>
        </Box>
      )}
      <FaultLines faults={faults} />
      {faults.length > 0 && mends !== null && (mending || mends.length === 0) && (
        <Box sx={{ color: "text.secondary" }}>{mending ? "looking for a fix" : "no join before it fixes that"}</Box>
      )}
      {beginAtM !== null && (
        <MendButton onClick={() => onBeginAt?.(beginAtM)}>
          begin at {quantityText(beginAtM, "length", units)}
        </MendButton>
      )}
      {mends?.map((mend) => {
        const words = mend.joins.map((join) => joinWords(join, units)).join(", ");
        return (
          <MendButton
            key={words}
            title={`Takes ${quantityText(mend.s, "time", units, 1)} and ${quantityText(mend.m, "length", units, 0)}`}
            onClick={() => onMend(mend)}
          >
            {words}
          </MendButton>
        );
      })}
    </Box>
  );
}

function MendButton({ title, onClick, children }: { title?: string; onClick: () => void; children: ReactNode }) {
  return (
    <Button
      size="small"
      variant="outlined"
      title={title}
      onClick={onClick}
      sx={{ px: 1, py: 0, minHeight: 28, fontSize: "0.78rem", lineHeight: 1.2, mt: 0.5, width: 1 }}
    >
      {children}
    </Button>
  );
}

function FaultLines({ faults }: { faults: readonly LineFault[] }) {
  const { units } = usePreferences();
  return faults.map((fault) => (
    <Box
      key={fault.kind === "style" ? `style ${fault.fault.kind}` : fault.kind}
      sx={{ color: "error.main", fontWeight: 650, fontSize: "0.8rem", lineHeight: 1.25, overflowWrap: "anywhere" }}
    >
      ▲ {lineFaultWords(fault, units)}
    </Box>
  ));
}
