import type { ReactNode } from "react";

/**
 * A page that is not there. It comes with every page, so it is of plain elements, without the component family; how it looks stands in the theme
 * (`theme/notice-styles.ts`).
 */
export function Notice({ heading, children }: { heading: string; children: ReactNode }) {
  return (
    <div className="notice">
      <h1>{heading}</h1>
      {children}
    </div>
  );
}
