import dynamic from "next/dynamic";
import type { ComponentType } from "react";

/** A part of a screen that is fetched when it is first shown, or before by `load`. */
export type Later<Props> = ComponentType<Props> & { readonly load: () => Promise<unknown> };

/**
 * A part of a screen whose code is fetched when the part is first shown: what opens on a press, or comes after the model has flown.
 * The server draws nothing of it, and nothing of it delays what can be used at once.
 */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): Later<Props> {
  return Object.assign(
    dynamic(() => load().then((part) => ({ default: part })), { ssr: false }),
    { load },
  );
}
