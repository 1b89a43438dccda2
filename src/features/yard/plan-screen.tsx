"use client";

import ExpandMore from "@mui/icons-material/ExpandMore";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { fromGeoJson, toGeoJson, type SitePlan } from "@/core";
import { useSend } from "@/ui/actions/use-send";
import type { Draft } from "@/ui/drafts/use-draft";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { JsonFileButton, type JsonFile } from "@/ui/forms/json-file-button";
import { nameForFile, saveFile } from "@/ui/forms/save-file";
import { Box } from "@/ui/layout/box";
import { Menu } from "@/ui/layout/opened";
import { tell } from "@/ui/messages/messages";
import { usePreferences } from "@/ui/theme/preferences";
import { Num } from "@/ui/units/figure";
import { refusedWords } from "@/words";
import type { PlanData } from "./load-plan";
import { loosePoles, withOwnCourse } from "./edits";
import { PlanBoard, type Adding } from "./plan-board";
import { usePlan } from "./use-plan";

const LONGEST_FILE_BYTES = 4 * 1024 * 1024;

/** A site drawn to scale, with the courses that stand there. */
export function PlanScreen({ data }: { data: PlanData }) {
  return (
    <BadFieldsProvider>
      <Plan data={data} />
    </BadFieldsProvider>
  );
}

function Plan({ data }: { data: PlanData }) {
  const { site, kept, mayChange } = data;
  const { draft, problem } = usePlan(data);
  const [adding, setAdding] = useState<Adding | null>(null);
  const [fileProblem, setFileProblem] = useState<string | null>(null);
  const { units } = usePreferences();
  const overtaken = draft.basedOn < kept.version;
  const said = overtaken
    ? "It was saved meanwhile, and your changes follow the version before. Take them out as a file, or drop them."
    : problem
      ? refusedWords(problem, units)
      : fileProblem;
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1 }}>
        <Typography variant="h1">{site.name}</Typography>
        <Typography sx={{ color: "text.secondary" }}>
          {site.surface}
          {site.ceilingM !== null && (
            <>
              {site.surface !== "" && " · "}limit <Num value={site.ceilingM} quantity="length" digits={0} />
            </>
          )}
          {draft.changed && " · changed, not saved"}
        </Typography>
        <Box sx={{ flex: 1 }} />
        <Files data={data} draft={draft} onProblem={setFileProblem} />
        {mayChange && (
          <AddMenu
            onPick={setAdding}
            poles={loosePoles(draft.document).length}
            onOwn={() => draft.change(withOwnCourse(draft.document, newId()))}
          />
        )}
        {mayChange && <Save data={data} draft={draft} blocked={problem !== null || overtaken} />}
      </Box>
      <SiteRules site={site} />
      {said && (
        <Typography color="error.main" role="alert" sx={{ mb: 1 }}>
          ▲ {said}
        </Typography>
      )}
      <PlanBoard data={data} draft={draft} adding={adding} onAdded={() => setAdding(null)} />
    </>
  );
}

/** What the site itself asks for comes before anything that is worked out for it. */
function SiteRules({ site: { rules, hazards, askWhom } }: Pick<PlanData, "site">) {
  const own = [rules, hazards && `Hazards: ${hazards}`, askWhom && `Ask ${askWhom}`]
    .filter(Boolean)
    .map((text) => text.replace(/[.\s]*$/, "."));
  return (
    <Typography role="note" sx={{ mb: 1, fontSize: "0.92rem" }}>
      <b>First:</b> {own.join(" ")} Local law and licensed instruction come before anything on this plan; nobody stands
      within the throw.
    </Typography>
  );
}

/** A course has no fewer poles. */
const LEAST_POLES = 2;

/** What is added to the plan: by a dialog of its own, or of what is drawn already. */
function AddMenu({
  onPick,
  poles,
  onOwn,
}: {
  onPick: (adding: Adding) => void;
  /** How many are drawn by themselves. */
  poles: number;
  onOwn: () => void;
}) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const pick = (adding: Adding) => () => {
    setAt(null);
    onPick(adding);
  };
  return (
    <>
      <Button
        variant="outlined"
        aria-haspopup="menu"
        endIcon={<ExpandMore />}
        onClick={(event) => setAt(event.currentTarget)}
      >
        Add
      </Button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        <MenuItem onClick={pick("course")}>A course</MenuItem>
        {poles >= LEAST_POLES && (
          <MenuItem
            onClick={() => {
              setAt(null);
              onOwn();
            }}
          >
            A course of the {poles} poles drawn
          </MenuItem>
        )}
        <MenuItem onClick={pick("flight")}>A trick or a line flown here</MenuItem>
      </Menu>
    </>
  );
}

function Files({
  data: { site, mayChange },
  draft,
  onProblem,
}: {
  data: PlanData;
  draft: Draft<SitePlan>;
  onProblem: (problem: string | null) => void;
}) {
  const { units } = usePreferences();
  const refusing = (run: () => void) => {
    try {
      run();
      onProblem(null);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      onProblem(refusedWords(error, units));
    }
  };
  const take = (file: JsonFile) => {
    if (!file.ok) return onProblem(file.message);
    // What is flown there and the picture are no part of such a file, and stay.
    const { place, flights, picture } = draft.document;
    refusing(() =>
      draft.change({ ...fromGeoJson(file.content, place), ...(flights && { flights }), ...(picture && { picture }) }),
    );
  };
  const put = () => {
    if (draft.document.place === null)
      return onProblem("A file for other programs needs to know where the site lies: say it under Where it lies.");
    refusing(() =>
      saveFile(
        `site-${nameForFile(site.name)}.geojson`,
        "application/geo+json",
        JSON.stringify(toGeoJson(draft.document), null, 1),
      ),
    );
  };
  return (
    <>
      {mayChange && (
        <JsonFileButton
          label="File with a plan, GeoJSON"
          longestBytes={LONGEST_FILE_BYTES}
          onFile={take}
          kinds={["json", "geojson"]}
        >
          Import file
        </JsonFileButton>
      )}
      <Button disabled={draft.document.features.length + draft.document.courses.length === 0} onClick={put}>
        Export file
      </Button>
    </>
  );
}

function Save({ data: { site, kept }, draft, blocked }: { data: PlanData; draft: Draft<SitePlan>; blocked: boolean }) {
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const save = async () => {
    const plan = draft.document;
    const result = await sendAction("save-plan", { id: site.id, version: draft.basedOn, plan });
    if (!result.ok) return;
    draft.drop(plan, draft.basedOn + 1);
    tell("The plan is saved", { kind: "done" });
    router.refresh();
  };
  return (
    <>
      {draft.changed && (
        <Button disabled={pending} onClick={() => draft.drop(kept.plan, kept.version)}>
          Drop changes
        </Button>
      )}
      <Button variant="contained" disabled={!draft.changed || blocked || pending} onClick={save}>
        Save
      </Button>
    </>
  );
}
