/** What a flight must keep to be clean, besides its stop: what is looked at in the field. Our reading of the field's words; each step says them. */
export type Mark =
  /** From its highest to its lowest point no further from the entry height than this, m. */
  | { readonly kind: "height-band"; readonly aboveM: number; readonly belowM: number }
  /** Ends within this of the height it began at, m. */
  | { readonly kind: "end-height"; readonly withinM: number }
  /** The view wanders no further than this from where it looked as the turn began, °. */
  | { readonly kind: "view"; readonly withinDeg: number }
  /** Ends turned by this against the entry, to either side, °: a number, or that of a parameter of the recipe. */
  | { readonly kind: "heading"; readonly deg: number | { readonly param: string }; readonly withinDeg: number }
  /** The horizon leans no more than this while upright, °. */
  | { readonly kind: "horizon"; readonly withinDeg: number }
  /** Ends within this of the line of entry, m. */
  | { readonly kind: "line"; readonly withinM: number }
  /** Swings back no further than this after the stop, °. */
  | { readonly kind: "bounce"; readonly withinDeg: number }
  /** Distance from its circle over its radius, root mean square. */
  | { readonly kind: "round"; readonly unevenness: number }
  /** The circle kept: spread of its radius over the radius, and how far the sticks wander. */
  | { readonly kind: "circle"; readonly spreadShare: number; readonly stickWander: number }
  /** Touches or stops within this of its spot, m. */
  | { readonly kind: "spot"; readonly withinM: number }
  /** Upside down the throttle stays below this, share of the stick. */
  | { readonly kind: "throttle-closed"; readonly most: number }
  /** Its object in the picture for this share of the phase that is to keep it there. */
  | { readonly kind: "in-picture"; readonly share: number };

export type MarkKind = Mark["kind"];
