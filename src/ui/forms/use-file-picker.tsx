"use client";

import { useRef, type ReactNode } from "react";

const hidden = { position: "absolute", width: 1, height: 1, overflow: "hidden", clipPath: "inset(50%)" } as const;

/** A file of this device: an input that nobody sees, to be put anywhere on the screen, and what opens it. */
export function useFilePicker({
  label,
  accept,
  onFile,
}: {
  /** What the file is, for people who do not see the button. */
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
}): { readonly input: ReactNode; readonly pick: () => void } {
  const element = useRef<HTMLInputElement>(null);
  return {
    pick: () => element.current?.click(),
    input: (
      <input
        ref={element}
        type="file"
        accept={accept}
        aria-label={label}
        tabIndex={-1}
        style={hidden}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          // The same file may be chosen again.
          event.target.value = "";
        }}
      />
    ),
  };
}
