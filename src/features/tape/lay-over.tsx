"use client";

import { useEffect, useState } from "react";
import type { Recording, Setup } from "@/contract";
import { recipes, type Airframe, type FoundTrick, type ModelWay, type Pack, type TrickPicture } from "@/core";
import { Option, OptionHeading } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import type { WorkerClient } from "@/ui/worker/worker-client";
import { foundTrickName, momentText, percent } from "@/words";
import type { TapeWorker } from "@/workers/tape.worker";
import { useOther } from "./use-other";

/** What is laid over a turn, dashed. */
export interface LaidOver {
  readonly name: string;
  readonly picture: Pick<TrickPicture, "turnedDeg" | "rateDps">;
  readonly trick: FoundTrick;
}

interface LayOverProps {
  readonly pack: Pack;
  readonly at: number;
  /** The trick most like it, as the model flies it; null where there is none, or not yet. */
  readonly model: ModelWay | null;
  /** Other kept recordings of the pilot, and the setups they were flown with. */
  readonly others: readonly Recording[];
  readonly setups: readonly Setup[];
  readonly setup: Setup;
  readonly onLay: (over: LaidOver | null) => void;
}

const isLike = (trick: FoundTrick) => (other: FoundTrick) => other.kind === trick.kind && other.turns === trick.turns;

/** Chooses what is laid over the turn at hand: the model's way, another of this pack, or one of another recording. */
export function LayOver({ pack, at, model, others, setups, setup, onLay }: LayOverProps) {
  const trick = pack.tricks[at];
  const [chosen, setChosen] = useState("model");
  const [ofOther, setOfOther] = useState("");
  const recording = others.find(({ id }) => id === chosen) ?? null;
  const other = useOther(recording, setups.find(({ id }) => id === recording?.setupId) ?? setup);
  const like = pack.tricks.flatMap((one, i) => (i !== at && isLike(trick)(one) ? [i] : []));
  const likeInOther =
    other.kind === "read" ? other.pack.tricks.flatMap((one, i) => (isLike(trick)(one) ? [i] : [])) : [];
  const over = laidOver(
    chosen,
    pack,
    model,
    other.kind === "read" ? other.pack : null,
    ofOther || `${likeInOther[0] ?? ""}`,
  );
  const key = over && `${over.name} ${over.trick.fromS}`;
  useEffect(() => {
    onLay(over);
    // oxlint-disable-next-line react/exhaustive-deps -- `key` says what is laid over
  }, [key, onLay]);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
      <SelectField
        size="small"
        label="Lay over"
        value={chosen}
        onChange={({ target }) => {
          setChosen(target.value);
          setOfOther("");
        }}
        sx={{ minWidth: 170 }}
      >
        <Option value="model">The model’s way</Option>
        <Option value="none">Nothing</Option>
        {like.length > 0 && <OptionHeading>Of this pack</OptionHeading>}
        {like.map((i) => (
          <Option key={i} value={`trick ${i}`}>
            {nameIn(pack, i)}
          </Option>
        ))}
        {others.length > 0 && <OptionHeading>Of another recording</OptionHeading>}
        {others.map(({ id, name }) => (
          <Option key={id} value={id}>
            {name.replace(/\.csv$/i, "")}
          </Option>
        ))}
      </SelectField>
      {other.kind === "reading" && <span role="status">Reading it, {percent(other.share)}</span>}
      {other.kind === "failed" && <span role="alert">It could not be read. Choose it again.</span>}
      {other.kind === "read" && likeInOther.length === 0 && <span>Nothing like it was found there.</span>}
      {other.kind === "read" && likeInOther.length > 0 && (
        <SelectField
          size="small"
          label="Which one"
          value={ofOther || `${likeInOther[0]}`}
          onChange={({ target }) => setOfOther(target.value)}
        >
          {likeInOther.map((i) => (
            <Option key={i} value={`${i}`}>
              {nameIn(other.pack, i)}
            </Option>
          ))}
        </SelectField>
      )}
    </Box>
  );
}

const nameIn = ({ tricks, fromS }: Pack, i: number) =>
  `${foundTrickName(tricks[i])} · ${momentText(tricks[i].fromS - fromS)}`;

function laidOver(
  chosen: string,
  pack: Pack,
  model: ModelWay | null,
  other: Pack | null,
  ofOther: string,
): LaidOver | null {
  if (chosen === "none") return null;
  if (chosen === "model")
    return model && { name: recipes[model.recipe].label, picture: model.picture, trick: model.trick };
  const [of, i] = chosen.startsWith("trick ") ? [pack, Number(chosen.slice(6))] : [other, Number(ofOther)];
  if (!of || (ofOther === "" && of === other)) return null;
  return of.tricks[i] ? { name: nameIn(of, i), picture: of.pictures[i], trick: of.tricks[i] } : null;
}

/** The trick of the library that is most like one that was found; null meanwhile and where there is none. */
export function useModelWay(
  trick: FoundTrick,
  flownWith: { readonly airframe: Airframe | null; readonly setup: Setup },
  ask: WorkerClient<TapeWorker>["ask"],
): ModelWay | null {
  const { airframe, setup } = flownWith;
  const [way, setWay] = useState<{ readonly of: FoundTrick; readonly way: ModelWay | null } | null>(null);
  useEffect(() => {
    if (!airframe) return;
    let current = true;
    ask((remote) => remote.modelWay(trick, { airframe, settings: setup.settings }))
      .then((found) => current && setWay({ of: trick, way: found }))
      // Without the model's way the turn is still drawn.
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [trick, airframe, setup, ask]);
  return way?.of === trick ? way.way : null;
}
