"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { typedNumber, type Site } from "@/contract";
import { rounded } from "@/core";
import { builtInSyllabus } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { useUndoable } from "@/ui/actions/use-undoable";
import { choiceField } from "@/ui/forms/form-fields";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { useAtHand } from "@/ui/shell/at-hand";
import { usePreferences } from "@/ui/theme/preferences";
import { Num } from "@/ui/units/figure";
import { counted, entryIn, type Entry } from "@/words";
import type { YardData } from "./load";

const squadField = (squads: YardData["squads"]) =>
  choiceField({
    label: "Squad",
    initial: squads[0]?.id ?? "",
    options: squads.map(({ id, name }) => [id, name] as const),
    hidden: squads.length < 2,
  });

const lengths = ["roomM", "ceilingM", "elevationM"] as const;

/** Lengths stand and are typed in the unit chosen. */
const fieldsOf = (site: Site | null, length: Entry) => ({
  name: { label: "Name of the site", initial: site?.name ?? "" },
  roomM: {
    label: `Clear ground all round, ${length.symbol}`,
    initial: site?.roomM == null ? "" : length.text(site.roomM),
    help: "From the middle of the working area to the nearest people, road or wall.",
  },
  ceilingM: {
    label: `Local height limit, ${length.symbol} (empty: none known)`,
    initial: site?.ceilingM == null ? "" : length.text(site.ceilingM),
    help: "The local limit wins over anything the program says.",
  },
  elevationM: {
    label: `Elevation above sea level, ${length.symbol} (empty: not known)`,
    initial: site?.elevationM == null ? "" : length.text(site.elevationM),
    help: "Thin air lifts less: tricks are worked out for it.",
  },
  surface: { label: "Surface", initial: site?.surface ?? "" },
  features: { label: "What stands there to fly at", initial: site?.features ?? "", lines: 2 },
  hazards: { label: "Hazards", initial: site?.hazards ?? "", lines: 2 },
  rules: { label: "Local rules", initial: site?.rules ?? "", lines: 2 },
  askWhom: { label: "Who to ask", initial: site?.askWhom ?? "" },
});

/** What was typed, with its lengths in metres: as they were where nobody touched them. What is no number goes as it is, to be told so at its field. */
function inMetres<Values extends Readonly<Record<(typeof lengths)[number], string>>>(
  values: Values,
  length: Entry,
  site: Site | null,
): Values {
  const metres = (name: (typeof lengths)[number]) => {
    const known = site?.[name] ?? null;
    if (known !== null && values[name] === length.text(known)) return String(known);
    const typed = typedNumber(values[name]);
    if (values[name].trim() === "" || !Number.isFinite(typed)) return values[name];
    return String(rounded(length.read(typed), 3));
  };
  return { ...values, ...Object.fromEntries(lengths.map((name) => [name, metres(name)])) };
}

/** Yard: where the squad flies, how much room and height there is, what is in the way and who says so. */
export function YardScreen({ data }: { data: YardData }) {
  const { sites, squads, mayChange } = data;
  const router = useRouter();
  const undoable = useUndoable();
  const [editing, setEditing] = useState<Site | "new" | null>(null);
  const { units } = usePreferences();
  const length = entryIn("length", units);
  const keys = useMemo(
    () => (mayChange ? [{ key: "a", label: "Add a site", run: () => setEditing("new") }] : []),
    [mayChange],
  );
  useKeys(keys);
  const done = () => {
    setEditing(null);
    router.refresh();
  };
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">Yard</Typography>
        <span>
          <b className="num">{sites.length}</b> {sites.length === 1 ? "site" : "sites"}
        </span>
        <Box sx={{ flex: 1 }} />
        {mayChange && (
          <Button variant="outlined" onClick={() => setEditing("new")}>
            Add a site
          </Button>
        )}
      </Box>
      {sites.length === 0 && (
        <Box sx={{ maxWidth: 620, mt: 2 }}>
          <Typography variant="h2">No site yet</Typography>
          <Typography sx={{ my: 1.5 }}>
            A site says how much room and height there is. A session there then refuses a step that needs more, with the
            number.
          </Typography>
        </Box>
      )}
      {sites.map((site) => (
        <SiteEntry
          key={site.id}
          site={site}
          drawn={data.drawn[site.id] ?? 0}
          squadName={squads.length > 1 ? squads.find(({ id }) => id === site.squadId)?.name : undefined}
          onEdit={mayChange ? () => setEditing(site) : null}
          onRemove={() => undoable("remove-site", "restore-site", site.id, `${site.name} is in the bin`)}
        />
      ))}
      <Typography variant="h2" sx={{ mt: 3 }}>
        At every site
      </Typography>
      <Box component="ul" sx={(theme) => ({ pl: 2.5, mt: 0.5, color: theme.tokens.buoyText })}>
        {builtInSyllabus.skills[0].cautions.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
      <Dialog open={editing !== null} onClose={() => setEditing(null)} aria-labelledby="site" fullWidth maxWidth="sm">
        <DialogTitle id="site">{editing === "new" || !editing ? "Add a site" : `Change ${editing.name}`}</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            {editing === "new" && (
              <SendForm
                action="add-site"
                submit="Add"
                fields={{ squadId: squadField(squads), ...fieldsOf(null, length) }}
                input={(values, id) => ({ id, ...inMetres(values, length, null) })}
                onDone={done}
              />
            )}
            {editing !== null && editing !== "new" && (
              <SendForm
                action="edit-site"
                submit="Save"
                fields={fieldsOf(editing, length)}
                input={(values) => ({ id: editing.id, version: editing.version, ...inMetres(values, length, editing) })}
                onDone={done}
              />
            )}
          </Box>
        </DialogContent>
      </Dialog>
    </>
  );
}

function SiteEntry(props: {
  site: Site;
  squadName: string | undefined;
  /** How many things are on its plan. */
  drawn: number;
  onEdit: (() => void) | null;
  onRemove: () => void;
}) {
  const { site, squadName, drawn, onEdit, onRemove } = props;
  const { hrefFor } = useAtHand();
  const lines = (
    [
      ["Surface", site.surface],
      ["To fly at", site.features],
      ["Hazards", site.hazards],
      ["Rules", site.rules],
      ["Ask", site.askWhom],
    ] as const
  ).filter(([, text]) => text !== "");
  return (
    <Box
      component="section"
      aria-label={site.name}
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "220px 260px minmax(0,1fr) auto" },
        gap: 2,
        py: 1.5,
        borderTop: `1.5px solid ${theme.tokens.ink}`,
      })}
    >
      <div>
        <Typography variant="h2">
          <Link href={hrefFor(`/yard/${site.id}`)} style={{ color: "inherit" }}>
            {site.name}
          </Link>
        </Typography>
        <Box sx={{ fontSize: "0.92rem" }}>
          {drawn === 0 ? "not drawn yet" : `${counted(drawn, "thing")} on its plan`}
        </Box>
        {squadName && <Box sx={{ color: "text.secondary", fontSize: "0.88rem" }}>{squadName}</Box>}
      </div>
      <Box sx={{ fontSize: "1.05rem" }}>
        <div>
          Clear ground <Num value={site.roomM} quantity="length" digits={0} />
        </div>
        {site.ceilingM === null ? (
          <div>No height limit known: ask</div>
        ) : (
          <Box sx={{ color: "error.main", fontWeight: 600 }}>
            Not above <Num value={site.ceilingM} quantity="length" digits={0} />
          </Box>
        )}
      </Box>
      <div>
        {site.elevationM !== null && (
          <Box>
            <b>Elevation.</b> <Num value={site.elevationM} quantity="length" digits={0} />
          </Box>
        )}
        {lines.map(([word, text]) => (
          <Box key={word} sx={{ whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>
            <b>{word}.</b> {text}
          </Box>
        ))}
      </div>
      {onEdit && (
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "start", gap: 0.5 }}>
          <Button size="small" variant="outlined" component={Link} href={hrefFor(`/yard/${site.id}`)}>
            Plan and courses
          </Button>
          <Button size="small" onClick={onEdit}>
            Change
          </Button>
          <Button size="small" onClick={onRemove}>
            Delete
          </Button>
        </Box>
      )}
    </Box>
  );
}
