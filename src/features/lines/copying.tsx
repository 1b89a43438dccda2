"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { copyEvidence, lookAgainDue, type CopiedPart } from "@/core";
import { copyTries, type LineCopy } from "@/contract";
import { Box } from "@/ui/layout/box";
import { counted } from "@/words";
import { ShareBar } from "./share-bar";
import type { LinesData } from "./load";

const standingWords: Readonly<Record<CopiedPart["standing"], string>> = {
  untried: "not ticked yet",
  lost: "lost",
  coming: "coming",
  held: "held",
};

/** How far a pilot is with a copied line: what is held, what is lost, when to look at the original again, and when to change one thing. */
export function Copying({
  copy,
  tries,
  pilotName,
  onChangeOne,
}: {
  copy: LineCopy;
  /** Of this pilot, in the order flown. */
  tries: LinesData["tries"];
  pilotName: string;
  /** Asks for the line with one thing changed; null where nothing may be changed. */
  onChangeOne: (() => void) | null;
}) {
  const { parts, lookAfter } = copy;
  const ticked = copyTries(tries);
  const evidence = copyEvidence(
    ticked,
    parts.map(({ id }) => id),
    lookAfter,
  );
  const nameOf = (id: string) => parts.find((part) => part.id === id)!.name;
  // As the field asks: by the tries of a session.
  const session = tries.filter(({ sessionId }) => sessionId === tries[tries.length - 1].sessionId);
  const toGo = lookAfter - (session.length % lookAfter);
  return (
    <Box component="section" aria-labelledby="copying" sx={{ mt: 3, maxWidth: 820 }}>
      <Typography variant="h2" id="copying" sx={{ mb: 0.5 }}>
        Copying {copy.from && `· ${copy.from}`}
      </Typography>
      {parts.length === 0 ? (
        <Typography>Name its parts first: what there is to hold in it.</Typography>
      ) : (
        <Typography>
          {ticked.length === 0
            ? `${pilotName} has no try yet at which it was ticked as held.`
            : evidence.whole
              ? `${pilotName} holds every part. Now change one thing, and it is a line of their own.`
              : evidence.lost.length > 0
                ? `Lost: ${evidence.lost.map(nameOf).join(", ")}.`
                : "Nothing is lost; not every part is held yet."}{" "}
          {session.length > 0 &&
            (lookAgainDue(session.length, lookAfter)
              ? `${counted(session.length, "try", "tries")}: look at the original again.`
              : `Look at the original again after ${counted(toGo, "more try", "more tries")}.`)}
        </Typography>
      )}
      <Box component="ol" aria-label="Parts of the line" sx={{ listStyle: "none", p: 0, my: 1 }}>
        {evidence.parts.map(({ id, all, lately, standing, slipped }, i) => (
          <Box
            component="li"
            key={id}
            sx={{ display: "grid", gridTemplateColumns: "minmax(0,220px) minmax(0,1fr) 230px", gap: 1.5, py: 0.5 }}
          >
            <span>
              <b className="num">{i + 1}</b> {nameOf(id)}
            </span>
            <ShareBar share={lately} verb="held" marked={standing === "lost"} />
            <span>
              <b>{standingWords[standing]}</b>
              {lately.of > 0 && (
                <>
                  , <span className="num">{lately.count}</span> of the last <span className="num">{lately.of}</span>
                  {slipped && `, ${all.count - lately.count} of ${all.of - lately.of} before`}
                </>
              )}
            </span>
          </Box>
        ))}
      </Box>
      {onChangeOne && parts.length > 0 && (
        <Button variant={evidence.whole ? "contained" : "outlined"} onClick={onChangeOne}>
          Change one thing
        </Button>
      )}
    </Box>
  );
}
