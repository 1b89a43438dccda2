"use client";

import Button from "@mui/material/Button";
import { useState } from "react";
import { useFilePicker } from "./use-file-picker";

/** A file that was read as JSON, or why it was not. */
export type JsonFile =
  | { readonly ok: true; readonly name: string; readonly content: unknown }
  | { readonly ok: false; readonly message: string };

interface JsonFileButtonProps {
  readonly children: string;
  /** What the file is, for people who do not see the button: "File with a setup". */
  readonly label: string;
  readonly longestBytes: number;
  readonly size?: "small";
  readonly variant?: "outlined";
  /** Ends of the file's name that are taken; "json" if not said. */
  readonly kinds?: readonly string[];
  readonly onFile: (file: JsonFile) => void | Promise<void>;
}

/** A button that takes one JSON file. Kind and size are looked at before it is read. Waits while `onFile` is at work. */
export function JsonFileButton({
  children,
  label,
  longestBytes,
  size,
  variant,
  kinds = ["json"],
  onFile,
}: JsonFileButtonProps) {
  const [busy, setBusy] = useState(false);
  const take = async (file: File) => {
    setBusy(true);
    await onFile(await readJson(file, longestBytes, kinds));
    setBusy(false);
  };
  const { input, pick } = useFilePicker({
    label,
    accept: [...kinds.map((kind) => `.${kind}`), "application/json"].join(","),
    onFile: (file) => void take(file),
  });
  return (
    <>
      <Button size={size} variant={variant} disabled={busy} onClick={pick}>
        {busy ? "Reading the file" : children}
      </Button>
      {input}
    </>
  );
}

async function readJson(file: File, longestBytes: number, kinds: readonly string[]): Promise<JsonFile> {
  const refused = (message: string): JsonFile => ({ ok: false, message: `${file.name} ${message}` });
  if (!kinds.some((kind) => file.name.toLowerCase().endsWith(`.${kind}`))) return refused("is not a JSON file");
  if (file.size > longestBytes) return refused(`is larger than ${sizeText(longestBytes)}; nothing of its kind is`);
  try {
    return { ok: true, name: file.name, content: JSON.parse(await file.text()) };
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return refused("is damaged or not a JSON file");
  }
}

const sizeText = (bytes: number) =>
  bytes >= 1024 ** 2 ? `${Math.floor(bytes / 1024 ** 2)} MB` : `${Math.floor(bytes / 1024)} kB`;
