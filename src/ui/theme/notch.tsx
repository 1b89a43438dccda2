import type { ReactNode } from "react";

/**
 * The frame of a field with a gap as wide as its label, or without one of a line's height, drawn by plain elements (`.notch` of the plain styles): there are
 * forty on a screen. Its states come from the field round it.
 */
export const Notch = ({ className, label, notched }: { className?: string; label?: ReactNode; notched?: boolean }) => (
  <fieldset aria-hidden className={`notch ${className ?? ""}`}>
    <legend className={label ? (notched ? "open" : "shut") : undefined}>
      {label ? <span>{label}</span> : "\u200b"}
    </legend>
  </fieldset>
);
