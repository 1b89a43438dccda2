"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import type { ItemWayOut, LineFault, LineFlight, LineItem, LineStartHeight } from "@/core";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import type { Computed } from "@/ui/scatter/use-scatter";
import { RunOrStop } from "@/ui/scatter/run-or-stop";
import { usePreferences } from "@/ui/theme/preferences";
import { Num } from "@/ui/units/figure";
import { counted, lineItemName, percent, percentRange, quantityText, refusedWords } from "@/words";
import { trickNumbers } from "./numbered";
import type { LineAsFlown } from "./use-line";
import type { LineSafety } from "./use-odds";

interface WholeLineProps {
  readonly asked: readonly LineItem[];
  readonly flight: LineFlight;
  readonly faults: readonly LineFault[];
  readonly freezes: LineAsFlown["freezes"];
  readonly entryHeightM: number;
  readonly safety: Computed<LineSafety>;
  /** Still of the line that is shown. */
  readonly safetyHolds: boolean;
  readonly onFly: () => void;
  readonly onStop: () => void;
  /** Hands as usual there. */
  readonly stage: number;
  readonly onStage: (stage: number) => void;
  /** Opens the joint that leads into an item as a line of its own; null where nothing may be changed. */
  readonly onPractise: ((item: number) => void) | null;
}

/** Figures of the whole line, how likely it is clean, and the joint at which it breaks most. */
export function WholeLine(props: WholeLineProps) {
  const { asked, flight, faults, freezes, entryHeightM, safety, safetyHolds, onFly, onStop, stage, onStage } = props;
  const { measures } = flight;
  const numbers = trickNumbers(asked);
  const first = faults.find(({ item }) => item !== null)?.item ?? null;
  const found = safety.kind === "done" && safetyHolds ? safety.result : null;
  const startHeight = found?.startHeight ?? freezes?.startHeight ?? null;
  return (
    <section aria-labelledby="whole">
      <Typography variant="h2" id="whole" sx={{ mb: 0.5 }}>
        The whole line
      </Typography>
      <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "auto 1fr", columnGap: 2, rowGap: 0.5, m: 0 }}>
        <Row name="Clean end to end">
          {first !== null ? (
            <Box component="b" sx={{ color: "error.main" }}>
              not until {placeName(first, numbers)} holds
            </Box>
          ) : found ? (
            <b className="num">
              {percent(found.odds.clean.value)} ({percentRange(found.odds.clean)})
            </b>
          ) : (
            "not counted yet"
          )}
        </Row>
        <Row name="Minimum start height">
          <StartHeight {...{ startHeight, entryHeightM, numbers }} withHands={found !== null} />
        </Row>
        <Row name="Time, length">
          <Num value={measures.durationS} quantity="time" digits={1} /> ·{" "}
          <Num value={measures.lengthM} quantity="length" digits={0} />
        </Row>
        <Row name="Lowest, highest">
          <Num value={measures.lowestM} quantity="length" /> · <Num value={measures.highestM} quantity="length" />
        </Row>
        <Row name="Slowest, fastest">
          <Num value={measures.slowestMps} quantity="speed" /> · <Num value={measures.fastestMps} quantity="speed" />
        </Row>
        <Row name="Room along, across">
          <Num value={measures.roomAlongM} quantity="length" digits={0} /> ·{" "}
          <Num value={measures.roomAcrossM} quantity="length" digits={0} />
        </Row>
        <Row name="Ends from its start">
          <Num value={measures.endsOffM} quantity="length" digits={0} />
        </Row>
        {measures.packShare !== null && (
          <Row name="Of a pack">
            <span className="num">{percent(measures.packShare)}</span>
          </Row>
        )}
        <Row name="Upside down">
          <span className="num">{percent(measures.upsideDownShare)}</span>
        </Row>
        <Row name="Pauses">
          <span className="num">{measures.pauses.length}</span>
        </Row>
      </Box>
      {first === null && (
        <Box sx={{ mt: 1 }}>
          <Box sx={{ display: "flex", alignItems: "center", gap: 1.5 }}>
            <RunOrStop state={safety} label="Flying the line many times" onStop={onStop}>
              <Button variant="outlined" disabled={found !== null} onClick={onFly}>
                Run 200 flights
              </Button>
              <SelectField
                size="small"
                label="Pilot skill: typical for stage"
                value={stage}
                onChange={(event) => onStage(Number(event.target.value))}
                sx={{ minWidth: 170 }}
              >
                {[4, 5, 6, 7].map((one) => (
                  <Option key={one} value={one}>
                    {one}
                  </Option>
                ))}
              </SelectField>
            </RunOrStop>
          </Box>
          {safety.kind === "broken" && (
            <Typography role="alert" color="error.main">
              ▲ {refusedWords(safety.why)}
            </Typography>
          )}
          {found && <WhereItBreaks {...props} safety={found} numbers={numbers} />}
        </Box>
      )}
    </section>
  );
}

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <Box component="dt" sx={{ color: "text.secondary", fontSize: "0.92rem" }}>
        {name}
      </Box>
      <Box component="dd" sx={{ m: 0 }}>
        {children}
      </Box>
    </>
  );
}

/** What leads to an item: the two tricks that it joins, by number, or the one trick. */
function placeName(item: number, numbers: readonly (number | null)[]): string {
  const number = numbers[item];
  const before =
    numbers
      .slice(0, item)
      .filter((one) => one !== null)
      .at(-1) ?? null;
  const after = number ?? numbers.slice(item).find((one) => one !== null) ?? null;
  if (before === null || after === null) return String(number ?? before ?? after ?? item + 1);
  return `${before} → ${after}`;
}

function StartHeight(props: {
  startHeight: LineStartHeight | null;
  entryHeightM: number;
  numbers: readonly (number | null)[];
  withHands: boolean;
}) {
  const { startHeight, entryHeightM, numbers, withHands } = props;
  const { units } = usePreferences();
  if (!startHeight) return <>not known yet</>;
  const low = startHeight.heightM > entryHeightM;
  const { reason } = startHeight;
  const why =
    reason.kind === "freeze"
      ? `freezing in ${numbers[reason.item] ?? reason.item + 1} decides`
      : `the fourth worst of ${reason.runs} flights decides`;
  return (
    <Box sx={low ? { color: "error.main" } : undefined}>
      <b className="num">{quantityText(startHeight.heightM, "length", units)}</b>
      {low && `, begins at ${quantityText(entryHeightM, "length", units)}`}
      <Box sx={{ fontSize: "0.82rem", color: "text.secondary" }}>
        {why}
        {!withHands && "; hands not counted yet"}
      </Box>
    </Box>
  );
}

/** Where scattered flights broke, beside what the tricks one by one would promise. */
function WhereItBreaks({
  asked,
  safety: { odds },
  numbers,
  stage,
  onPractise,
}: Pick<WholeLineProps, "asked" | "stage" | "onPractise"> & {
  safety: LineSafety;
  numbers: readonly (number | null)[];
}) {
  const { units } = usePreferences();
  const worst = odds.brokeAt.reduce((at, count, i) => (count > odds.brokeAt[at] ? i : at), 0);
  const broke = odds.runs - Math.round(odds.clean.value * odds.runs);
  // The trick that the joint leads to; a join that breaks belongs to the one after it.
  const into = asked.findIndex((item, i) => i >= worst && item.kind === "trick");
  return (
    <Box sx={{ mt: 1 }}>
      <Typography>
        Clean <b className="num">{percent(odds.clean.value)}</b> ({percentRange(odds.clean)}) of{" "}
        <span className="num">{odds.runs}</span> flights with hands as usual in stage{" "}
        <span className="num">{stage}</span>; the tricks one by one would give{" "}
        <b className="num">{percent(odds.product)}</b>.
      </Typography>
      {broke > 0 && (
        <>
          <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
            {odds.brokeAt.map((count, i) =>
              count === 0 ? null : (
                <li key={i}>
                  {numbers[i] !== null && <b className="num">{numbers[i]} </b>}
                  {lineItemName(asked[i], units)}: broke <span className="num">{count}</span>{" "}
                  {count === 1 ? "time" : "times"}
                </li>
              ),
            )}
          </Box>
          {onPractise && into > 0 && numbers.slice(0, into).some((one) => one !== null) && (
            <Button variant="outlined" onClick={() => onPractise(into)}>
              Practise {placeName(into, numbers)} by itself
            </Button>
          )}
        </>
      )}
    </Box>
  );
}

/** What to do when each item goes wrong, and where the line can be taken up again. */
export function BailOuts({
  asked,
  flight,
  wayOuts,
  pending,
  refused,
}: {
  asked: readonly LineItem[];
  flight: LineFlight;
  wayOuts: readonly ItemWayOut[] | null;
  pending: boolean;
  refused: Error | null;
}) {
  const { units } = usePreferences();
  const numbers = trickNumbers(asked);
  return (
    <section aria-labelledby="bail-outs">
      <Typography variant="h2" id="bail-outs" sx={{ mb: 0.5 }}>
        Bail-outs
      </Typography>
      {!wayOuts && pending && <Typography>being worked out</Typography>}
      {refused && (
        <Typography role="alert" color="error.main">
          ▲ They cannot be worked out: {refusedWords(refused, units)}
        </Typography>
      )}
      {wayOuts?.map(({ lastS, lastHeightM, carryOnAt }, i) => {
        const number = numbers[i];
        if (number === null || !flight.items[i]) return null;
        const on =
          carryOnAt === null
            ? i === asked.length - 1
              ? ""
              : "; the line is over"
            : numbers[carryOnAt] !== null
              ? `; carry on at ${numbers[carryOnAt]}`
              : `; carry on with "${lineItemName(asked[carryOnAt], units)}"`;
        return (
          <Typography key={i} sx={{ mb: 0.5 }}>
            In <b className="num">{number}</b>:{" "}
            {lastS === null ? (
              "level and climb at any time"
            ) : (
              <>
                bail out by <b className="num">{quantityText(lastS - flight.items[i].fromS, "time", units)}</b> into it
                {lastHeightM !== null && (
                  <>
                    , <b className="num">{quantityText(lastHeightM, "length", units)}</b> up
                  </>
                )}
              </>
            )}
            {on}.
          </Typography>
        );
      })}
      {wayOuts && (
        <Typography sx={{ fontSize: "0.82rem", color: "text.secondary", mt: 1 }}>
          {counted(wayOuts.filter(({ lastS }) => lastS !== null).length, "item")} with a last moment. Call the bail-out
          before it, not at it.
        </Typography>
      )}
    </section>
  );
}
