"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import { builtInSyllabus, syllabusChanges, type SyllabusDocument } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { useSend } from "@/ui/actions/use-send";
import { JsonFileButton, type JsonFile } from "@/ui/forms/json-file-button";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { Moment } from "@/ui/moment/moment";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { useAtHand } from "@/ui/shell/at-hand";
import { syllabusChangeWords } from "@/words";
import { SquadSchool } from "./squad-school";
import { useSyllabusDraft } from "./draft";
import { LONGEST_SYLLABUS_BYTES } from "./limits";
import type { SyllabusData } from "./load";
import { problemOf } from "./problem-of";
import { Outline, type Chosen } from "./outline";
import { StepEditor } from "./step-editor";
import { SkillEditor } from "./skill-editor";
import { StepReader } from "./step-reader";

const SHOWN_CHANGES = 8;

/** Syllabus: stages, skills and steps, changed here and kept in versions; a record keeps the version it was judged by. */
export function SyllabusScreen({ data, stepId = null }: { data: SyllabusData; stepId?: string | null }) {
  const inForce = data.document ?? builtInSyllabus.document;
  return data.older ? (
    <OlderVersion data={data} inForce={inForce} older={data.older} />
  ) : (
    <Present key={`${data.squadId} ${data.number}`} data={data} inForce={inForce} stepId={stepId} />
  );
}

function Present({
  data,
  inForce,
  stepId,
}: {
  data: SyllabusData;
  inForce: SyllabusDocument;
  /** The step asked for; the first one where there is none such. */
  stepId: string | null;
}) {
  const inBrowser = useHydrated();
  const draft = useSyllabusDraft(data.squadId, data.number, inForce);
  const { document, change, undo, redo } = draft;
  const asked = inForce.skills.flatMap(({ steps }) => steps).find(({ id }) => id === stepId);
  const [chosen, setChosen] = useState<Chosen | null>({
    kind: "step",
    id: (asked ?? inForce.skills[0].steps.at(0))?.id ?? "",
  });
  const [fileProblem, setFileProblem] = useState<string | null>(null);
  const keys = useMemo(
    () => [
      ...(undo ? [{ key: "u", label: "Undo the last change", run: undo }] : []),
      ...(redo ? [{ key: "r", label: "Redo", run: redo }] : []),
    ],
    [undo, redo],
  );
  useKeys(keys);
  const takeFile = (file: JsonFile) => {
    if (!file.ok) return setFileProblem(file.message);
    // The same checks as on the server; its schema has the last word when it is saved.
    const problem = problemOf(file.content as SyllabusDocument);
    setFileProblem(problem && `${file.name}: ${problem}`);
    if (problem === null) change(file.content as SyllabusDocument);
  };
  return (
    <>
      <Head data={data}>
        {data.mayChange && (
          <>
            <Button disabled={!undo} onClick={undo ?? undefined}>
              Undo
            </Button>
            <Button disabled={!redo} onClick={redo ?? undefined}>
              Redo
            </Button>
            <JsonFileButton label="File with a syllabus" longestBytes={LONGEST_SYLLABUS_BYTES} onFile={takeFile}>
              Read a file
            </JsonFileButton>
          </>
        )}
      </Head>
      {fileProblem && (
        <Alert severity="error" onClose={() => setFileProblem(null)} sx={{ mb: 1.5 }}>
          Nothing was changed. {fileProblem}
        </Alert>
      )}
      {draft.changed && <SaveBar data={data} inForce={inForce} draft={draft} />}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(280px,340px) minmax(0,1fr)" },
          gap: 4,
        }}
      >
        <Box sx={{ maxHeight: { md: "calc(100dvh - 190px)" }, overflowY: { md: "auto" }, pr: 1 }} tabIndex={0}>
          <Outline
            document={document}
            chosen={chosen}
            mayChange={data.mayChange}
            onChoose={setChosen}
            onChange={change}
          />
        </Box>
        <Box>
          <ChosenPart
            document={document}
            chosen={chosen}
            mayChange={data.mayChange}
            onChange={change}
            onGone={() => setChosen(null)}
          />
          {data.mayChange && inBrowser && (
            // Under the first screenful, like the rest of the step.
            <Box sx={{ mt: 4, display: "grid", gap: 3, maxWidth: 760 }}>
              <SquadSchool key={data.squadVersion} data={data} />
              <Versions data={data} />
            </Box>
          )}
        </Box>
      </Box>
    </>
  );
}

/** The step or skill that was chosen, to be changed by those who may. */
function ChosenPart({
  document,
  chosen,
  mayChange,
  onChange,
  onGone,
}: {
  document: SyllabusDocument;
  chosen: Chosen | null;
  mayChange: boolean;
  onChange: (document: SyllabusDocument) => void;
  onGone: () => void;
}) {
  const steps = useMemo(
    () => new Map(document.skills.flatMap((skill) => skill.steps.map((one) => [one.id, one]))),
    [document],
  );
  const step = chosen?.kind === "step" ? steps.get(chosen.id) : undefined;
  const skill = chosen?.kind === "skill" ? document.skills.find(({ id }) => id === chosen.id) : undefined;
  return (
    <>
      {step &&
        (mayChange ? (
          <StepEditor key={step.id} document={document} step={step} onChange={onChange} onGone={onGone} />
        ) : (
          <StepReader document={document} step={step} />
        ))}
      {skill &&
        (mayChange ? (
          <SkillEditor key={skill.id} document={document} skill={skill} onChange={onChange} onGone={onGone} />
        ) : (
          <Typography variant="h2">{skill.name}</Typography>
        ))}
      {!step && !skill && <Typography>Choose a skill or a step on the left.</Typography>}
    </>
  );
}

function Head({ data, children }: { data: SyllabusData; children?: React.ReactNode }) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1.5 }}>
      <Typography variant="h1">Syllabus</Typography>
      {data.squads.length > 1 ? (
        <SelectField
          size="small"
          label="Squad"
          value={data.squadId}
          onChange={(event) => router.push(hrefFor("/syllabus", { squad: event.target.value }))}
        >
          {data.squads.map(({ id, name }) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </SelectField>
      ) : (
        <span>{data.squadName}</span>
      )}
      <span>
        {data.number === 0 ? (
          "built in, nothing changed yet"
        ) : (
          <>
            version <b className="num">{data.number}</b> active
          </>
        )}
      </span>
      <Box sx={{ flex: 1 }} />
      {children}
      <Button component="a" href={`/syllabus-files/${data.squadId}/syllabus.json`} download>
        Export JSON
      </Button>
      <Button component="a" href={`/syllabus-files/${data.squadId}/booklet.pdf`} download>
        Booklet, PDF
      </Button>
    </Box>
  );
}

/** What is changed and not saved, whether it can be, and why it changes. */
function SaveBar({
  data,
  inForce,
  draft,
}: {
  data: SyllabusData;
  inForce: SyllabusDocument;
  draft: ReturnType<typeof useSyllabusDraft>;
}) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [reason, setReason] = useState("");
  const [id, setId] = useState(() => newId());
  const changes = useMemo(
    () => syllabusChanges(inForce, draft.document).map(syllabusChangeWords),
    [inForce, draft.document],
  );
  const problem = useMemo(() => problemOf(draft.document), [draft.document]);
  const overtaken = draft.basedOn !== data.number;
  const save = async () => {
    const result = await sendAction("save-syllabus", {
      id,
      squadId: data.squadId,
      basedOn: draft.basedOn,
      reason,
      document: draft.document,
    });
    if (!result.ok) return;
    setId(newId());
    setReason("");
    draft.drop(draft.document, result.data.number);
    tell(`Syllabus ${result.data.number} is now active`, { kind: "done" });
    router.refresh();
  };
  return (
    <Box
      role="region"
      aria-label="Not saved yet"
      sx={(theme) => ({
        mb: 2,
        py: 1,
        px: 2,
        borderLeft: `6px solid ${problem ? theme.tokens.buoy : theme.tokens.ochre}`,
        bgcolor: theme.tokens.sheet,
      })}
    >
      <Typography sx={{ fontWeight: 650 }}>
        {draft.restored && "Kept on this device from before. "}
        Not saved yet: {changes.length === 0 ? "nothing differs" : null}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: "0.9rem" }}>
        {changes.slice(0, SHOWN_CHANGES).map((line) => (
          <li key={line}>{line}</li>
        ))}
        {changes.length > SHOWN_CHANGES && (
          <li>
            and <span className="num">{changes.length - SHOWN_CHANGES}</span> more
          </li>
        )}
      </Box>
      {problem && (
        <Typography role="alert" color="error.main" sx={{ fontWeight: 600 }}>
          ▲ Cannot be saved so: {problem}
        </Typography>
      )}
      {overtaken && (
        <Typography color="error.main">
          ▲ Version {data.number} was saved meanwhile; this draft follows version {draft.basedOn}. Drop it, or write
          your changes into the new version.
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1, alignItems: "center" }}>
        <TextField
          size="small"
          label="Why it changes"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 300 } }}
          sx={{ flex: 1, minWidth: 220 }}
        />
        <Button
          variant="contained"
          disabled={problem !== null || overtaken || reason.trim() === "" || changes.length === 0 || pending}
          onClick={save}
        >
          Save as version {data.number + 1}
        </Button>
        <Button onClick={() => draft.drop(inForce, data.number)}>Drop the changes</Button>
      </Box>
    </Box>
  );
}

/** All versions, each to be looked at and put back into force. */
function Versions({ data }: { data: SyllabusData }) {
  const { hrefFor } = useAtHand();
  return (
    <section aria-labelledby="versions">
      <Typography variant="h2" id="versions">
        Versions
      </Typography>
      {data.versions.map(({ id, number, reason, coachName, createdAtMs }) => (
        <Box
          key={id}
          sx={(theme) => ({ py: 0.5, borderTop: `1px solid ${theme.tokens.rule}`, display: "flex", gap: 1.5 })}
        >
          <b className="num">{number}</b>
          <Box sx={{ flex: 1 }}>
            {reason}
            <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
              {coachName}, <Moment atMs={createdAtMs} show="both" />
            </Box>
          </Box>
          {number === data.number ? (
            <span>active</span>
          ) : (
            <Link href={hrefFor("/syllabus", { squad: data.squadId, version: String(number) })}>View</Link>
          )}
        </Box>
      ))}
      <Box sx={(theme) => ({ py: 0.5, borderTop: `1px solid ${theme.tokens.rule}`, display: "flex", gap: 1.5 })}>
        <b className="num">0</b>
        <Box sx={{ flex: 1 }}>the syllabus the program comes with</Box>
        {data.number === 0 ? (
          <span>active</span>
        ) : (
          <Link href={hrefFor("/syllabus", { squad: data.squadId, version: "0" })}>View</Link>
        )}
      </Box>
    </section>
  );
}

function OlderVersion({
  data,
  inForce,
  older,
}: {
  data: SyllabusData;
  inForce: SyllabusDocument;
  older: { readonly number: number; readonly document: SyllabusDocument };
}) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const { sendAction, pending } = useSend();
  const [id] = useState(() => newId());
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const steps = older.document.skills.flatMap((skill) => skill.steps);
  const step = steps.find((one) => one.id === chosen?.id) ?? steps[0];
  const changes = syllabusChanges(older.document, inForce).map(syllabusChangeWords);
  const back = hrefFor("/syllabus", { squad: data.squadId });
  const restore = async () => {
    const result = await sendAction("save-syllabus", {
      id,
      squadId: data.squadId,
      basedOn: data.number,
      reason: older.number === 0 ? "Back to the syllabus the program comes with" : `Back to version ${older.number}`,
      document: older.document,
    });
    if (!result.ok) return;
    router.push(back);
    router.refresh();
  };
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center", mb: 1 }}>
        <Typography variant="h1">
          Syllabus, version <span className="num">{older.number}</span>
        </Typography>
        <Box sx={{ flex: 1 }} />
        {data.mayChange && (
          <Button variant="outlined" disabled={pending} onClick={restore}>
            Make this version active
          </Button>
        )}
        <Button component={Link} href={back}>
          To the active version
        </Button>
      </Box>
      <Typography>Since then changed:</Typography>
      <Box component="ul" sx={{ mt: 0.5 }}>
        {changes.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "320px 1fr" }, gap: 4 }}>
        <Outline document={older.document} chosen={chosen} mayChange={false} onChoose={setChosen} onChange={() => {}} />
        {step && <StepReader document={older.document} step={step} />}
      </Box>
    </>
  );
}
