"use client";

import { useEffect, useState } from "react";
import type { SyllabusDocument } from "@/syllabus";

const key = (squadId: string) => `bathygon-syllabus-draft-${squadId}`;
const MOST_STEPS = 100;

interface Kept {
  readonly basedOn: number;
  readonly document: SyllabusDocument;
}

/** What a coach has changed and not saved, kept on this device over reloads until it is saved or dropped; with undo and redo. */
export function useSyllabusDraft(squadId: string, number: number, saved: SyllabusDocument) {
  const [kept, setKept] = useState<Kept>({ basedOn: number, document: saved });
  const [restored, setRestored] = useState(false);
  const [past, setPast] = useState<readonly SyllabusDocument[]>([]);
  const [future, setFuture] = useState<readonly SyllabusDocument[]>([]);
  useEffect(() => {
    const before = read(squadId);
    if (!before) return;
    // The draft lives in the browser only, so it can be read no sooner than here.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setKept(before);
    setRestored(true);
  }, [squadId]);
  const show = (document: SyllabusDocument) => {
    const next = { ...kept, document };
    setKept(next);
    localStorage.setItem(key(squadId), JSON.stringify(next));
  };
  return {
    ...kept,
    restored,
    changed: kept.document !== saved,
    change: (document: SyllabusDocument) => {
      setPast([...past.slice(-MOST_STEPS), kept.document]);
      setFuture([]);
      show(document);
    },
    undo: past.length
      ? () => {
          setPast(past.slice(0, -1));
          setFuture([kept.document, ...future]);
          show(past[past.length - 1]);
        }
      : null,
    redo: future.length
      ? () => {
          setPast([...past, kept.document]);
          setFuture(future.slice(1));
          show(future[0]);
        }
      : null,
    /** Forgets the draft and goes on from a version in force. */
    drop: (document: SyllabusDocument, basedOn: number) => {
      localStorage.removeItem(key(squadId));
      setKept({ basedOn, document });
      setRestored(false);
      setPast([]);
      setFuture([]);
    },
  };
}

function read(squadId: string): Kept | null {
  try {
    const kept = JSON.parse(localStorage.getItem(key(squadId)) ?? "null") as Kept | null;
    return kept && Array.isArray(kept.document.skills) && Array.isArray(kept.document.stages) ? kept : null;
  } catch {
    return null;
  }
}
