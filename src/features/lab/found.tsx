import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import {
  feelDistance,
  rateAtStick,
  turnKnobs,
  type Knob,
  type KnobId,
  type Recipe,
  type SearchResult,
  type Settings,
  type TurnedCost,
} from "@/core";
import type { Aircraft, Setup } from "@/contract";
import type { SettingsProposal } from "@/syllabus";
import { useSend } from "@/ui/actions/use-send";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { TradePlot } from "@/ui/scatter/pictures";
import { differencesInWords } from "@/ui/settings/differences";
import { useAtHand } from "@/ui/shell/at-hand";
import { numeral, capital } from "@/words";

/** What was found, with what it was asked of: the page may ask something else by now. */
export interface Searched {
  readonly result: SearchResult;
  readonly knobs: readonly Knob[];
  readonly names: readonly string[];
  readonly recipe: Recipe;
  readonly settings: Settings;
  /** What the trick takes as it is set now, and as found; null where it cannot be flown. */
  readonly before: TurnedCost | null;
  readonly after: TurnedCost | null;
}

export const shown = ({ unit }: Knob, value: number) =>
  unit === "" ? numeral(value, 2) : `${Math.round(value)}${unit === "°" ? "" : " "}${unit}`;
const percent = (share: number) => Math.round(100 * share);

/** What the search found, what it costs, and the way to keep it. */
export function Found({
  searched,
  setup,
  onSaved,
  aircraft,
  frozen,
  usual,
}: {
  searched: Searched;
  setup: Setup;
  onSaved: () => void;
  aircraft: Aircraft;
  frozen: boolean;
  /** What is usual at the stage and not so with these settings. */
  usual: (settings: Settings) => readonly SettingsProposal[];
}) {
  const { result, knobs, names, recipe, settings, before, after } = searched;
  const router = useRouter();
  const { coaches, hrefFor } = useAtHand();
  const { sendAction, pending } = useSend();
  const [id] = useState(() => newId());
  const { gain, present, proposed, better } = result;
  const values = result.values as Partial<Record<KnobId, number>>;
  const changed = knobs.filter((knob) => values[knob.id] !== knob.value);
  const changes = changed.map(
    (knob) => `${knob.label.toLowerCase()} ${shown(knob, knob.value)} to ${shown(knob, values[knob.id]!)}`,
  );
  const inSetup = changed.some((knob) => knob.id !== "ease");
  const shares = names.map(
    (name, i) => `${name.toLowerCase()} ${percent(present[i])} to ${percent(proposed[i])}\u202f%`,
  );
  const turned = turnKnobs({ settings, recipe }, values).settings;
  const edges = changed.filter(({ id: knob }) => result.atBounds.includes(knob));
  const save = async () => {
    const drafted = differencesInWords(setup.settings, settings);
    const also = drafted.length > 0 ? ` Also: ${drafted.join("; ")}.` : "";
    const reason = `Scatter: ${changes.join(", ")}. Modelled clean: ${shares.join(", ")}.${also}`.slice(0, 300);
    const saved = await sendAction("save-setup", {
      id,
      aircraftId: aircraft.id,
      basedOn: setup.number,
      reason,
      settings: turned,
      ...(frozen && { evenFrozen: true }),
    });
    if (!saved.ok) return;
    onSaved();
    tell(`Saved as setup ${setup.number + 1}`, { kind: "done" });
    router.push(hrefFor("/setup"));
    router.refresh();
  };
  return (
    <Box role="status" aria-label="What the search found">
      {better ? (
        <>
          <Typography sx={{ fontSize: "1.1rem" }}>
            <b>{capital(changes.join(", "))}</b>: clean more often by <b className="num">{percent(gain.value)}</b>{" "}
            points ({percent(gain.low)} to {percent(gain.high)}), with the same errors.
          </Typography>
          <Typography>{shares.map(capital).join(". ")}.</Typography>
          {edges.length > 0 && (
            <Typography>
              {capital(edges.map(({ label }) => label.toLowerCase()).join(", "))} went as far as the bounds let{" "}
              {edges.length > 1 ? "them" : "it"}: with wider bounds there may be more.
            </Typography>
          )}
          <Costs before={before} after={after} present={settings} turned={turned} usual={usual} />
          {changed.some(({ id: knob }) => knob === "ease") && (
            <Typography>
              The stick left at the end belongs to the hands, not to the setup: say it in the brief.
            </Typography>
          )}
          {coaches && inSetup && (
            <Button variant="contained" disabled={pending} onClick={save} sx={{ mt: 1 }}>
              Save as setup {setup.number + 1}
              {frozen && ", although settings are frozen"}
            </Button>
          )}
          {inSetup && (
            <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 0.5 }}>
              Fly a dozen attempts on a changed setup before judging it.
            </Typography>
          )}
        </>
      ) : (
        <Typography sx={{ fontSize: "1.1rem" }}>
          <b>Nothing found beats the present setup</b> within these bounds: {percent(gain.value)} points (
          {percent(gain.low)} to {percent(gain.high)}).
        </Typography>
      )}
      <Trades searched={searched} />
    </Box>
  );
}

/** What each knob costs and gives over its bounds. */
function Trades({ searched: { knobs, result } }: { searched: Searched }) {
  const values = result.values as Partial<Record<KnobId, number>>;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mt: 1.5 }}>
      {knobs.map((knob) => (
        <TradePlot
          key={knob.id}
          name={knob.label}
          points={result.points.flatMap((point) =>
            point.knob === knob.id ? [[point.value, point.share] as const] : [],
          )}
          now={knob.value}
          proposed={result.better ? values[knob.id]! : null}
          text={(value) => shown(knob, value)}
        />
      ))}
    </Box>
  );
}

/** End rates further apart than this from axis to axis feel like two aircraft. Common practice, no source. */
const APART = 1.25;

function Costs({
  before,
  after,
  present,
  turned,
  usual,
}: Pick<Searched, "before" | "after"> & {
  present: Settings;
  turned: Settings;
  usual: (settings: Settings) => readonly SettingsProposal[];
}) {
  const from = (a: number, b: number, unit: string) => `${numeral(a, 1)} to ${numeral(b, 1)} ${unit}`;
  const feel = feelDistance(present.rates, turned.rates).percent;
  const already = new Set(usual(present).map(({ id }) => id));
  const against = usual(turned).filter(({ id }) => !already.has(id));
  const ends = (["roll", "pitch"] as const).map((axis) => rateAtStick(turned.rates[axis], 1));
  const costs = [
    ...(before && after ? [`takes ${from(before.durationS, after.durationS, "s")}`] : []),
    ...(before?.startHeightM != null && after?.startHeightM != null
      ? [`asks for ${from(before.startHeightM, after.startHeightM, "m")} of height by its freezes`]
      : []),
    ...(feel > 0.5 ? [`feels ${numeral(feel, 0)}\u202f% different on the sticks`] : []),
    ...against.map(({ what, now, wanted }) => `${what.toLowerCase()} ${now} where ${wanted} is usual at this stage`),
    ...(Math.max(...ends) > APART * Math.min(...ends)
      ? [`roll and pitch end at ${ends.map((end) => numeral(end, 0)).join(" and ")} °/s: far apart for one hand`]
      : []),
  ];
  return costs.length === 0 ? null : (
    <Typography>
      <b>What it costs:</b> {costs.join("; ")}.
    </Typography>
  );
}
