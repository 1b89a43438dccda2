import type { BinnedThing, DeedDone, DeedKind } from "@/contract";
import { deedWords } from ".";

const things: readonly BinnedThing[] = [
  { thing: "record" },
  { thing: "squad", name: "Lower pans" },
  { thing: "note" },
  { thing: "aircraft", name: "Plank" },
  { thing: "site", name: "Upper pans" },
  { thing: "variant", name: "Long punch" },
  { thing: "line", name: "Over the bar" },
  { thing: "attempt", step: "Hang", outcome: "rough" },
];
/** One of every kind: a new kind does not compile until it stands here. */
const everyKind: { readonly [Kind in DeedKind]: Extract<DeedDone, { readonly kind: Kind }> | DeedDone } = {
  "signed-off": { kind: "signed-off", step: "Hang" },
  "took-back": { kind: "took-back", step: "Hang" },
  "let-stand-again": { kind: "let-stand-again", step: "Hang" },
  "answered-not-yet": { kind: "answered-not-yet", step: "Hang" },
  removed: { kind: "removed", thing: "record" },
  restored: { kind: "restored", thing: "record" },
  "check-flown": { kind: "check-flown", aircraft: "Plank", well: false },
  checked: { kind: "checked", aircraft: "Plank", tiltDeg: 24.6 },
  "saved-setup": { kind: "saved-setup", aircraft: "Plank", number: 1, reason: "first" },
  measured: { kind: "measured", aircraft: "Plank" },
  "changed-pilot": { kind: "changed-pilot" },
  "changed-school": { kind: "changed-school" },
  "changed-squad-school": { kind: "changed-squad-school" },
  "changed-squad-rules": { kind: "changed-squad-rules" },
  "moved-away": { kind: "moved-away", pilot: "Odo Fenn", to: "Upper pans" },
  "moved-here": { kind: "moved-here" },
  erased: { kind: "erased" },
  exported: { kind: "exported", file: "notes.csv" },
  imported: { kind: "imported", count: 12 },
  "invited-coach": { kind: "invited-coach" },
  "invited-pilot": { kind: "invited-pilot" },
  "made-way-back": { kind: "made-way-back" },
  joined: { kind: "joined" },
  "opened-account": { kind: "opened-account" },
  "closed-account": { kind: "closed-account" },
  "left-squad": { kind: "left-squad" },
  placed: { kind: "placed", step: "Slow flip", count: 12 },
  unplaced: { kind: "unplaced", step: "Slow flip", count: 12 },
  "renamed-aircraft": { kind: "renamed-aircraft", was: "Plank", is: "Plank Two" },
  "named-squad": { kind: "named-squad", name: "Lower pans" },
  "made-owner": { kind: "made-owner", coach: "Edda Lind" },
  "took-ownership": { kind: "took-ownership", coach: "Edda Lind" },
  "ended-sharing": { kind: "ended-sharing", coach: "Edda Lind" },
  "saved-syllabus": { kind: "saved-syllabus", number: 3, reason: "shorter", changes: [{ kind: "stages" }], more: 0 },
  "added-variant": { kind: "added-variant", name: "Long punch", flownBy: [] },
  "changed-variant": { kind: "changed-variant", name: "Long punch", flownBy: ["Odo Fenn"] },
  "saved-line": { kind: "saved-line", name: "Over the bar", number: 2 },
  "kept-recording": { kind: "kept-recording", name: "pack 3.csv" },
  "deleted-recording": { kind: "deleted-recording", name: "pack 3.csv" },
  "matched-recording": { kind: "matched-recording", name: "pack 3.csv", count: 9 },
  "gave-line": { kind: "gave-line", name: "Over the bar" },
  "took-line-back": { kind: "took-line-back", name: "Over the bar" },
};
const said = Object.values(everyKind).map((done) => deedWords({ done, pilotName: null }));

it("every deed has words of its own that follow a name: past tense, no capital, no full stop, nothing missing", () => {
  expect(new Set(said).size).toBe(said.length);
  for (const words of said) {
    expect(words).toMatch(/^[a-z]+[a-z]? .*[^.]$/);
    expect(words).not.toMatch(/undefined|null|\[object/);
  }
});

it("a deed for one pilot names them at the end", () => {
  for (const done of Object.values(everyKind))
    expect(deedWords({ done, pilotName: "Odo Fenn" })).toBe(`${deedWords({ done, pilotName: null })} for Odo Fenn`);
});

it.each(things)("what goes into the bin and comes back is named alike: %j", (thing) => {
  const gone = deedWords({ done: { kind: "removed", ...thing }, pilotName: null });
  const back = deedWords({ done: { kind: "restored", ...thing }, pilotName: null });
  expect(gone.replace(/^removed /, "")).toBe(back.replace(/^restored /, ""));
  expect(gone).not.toBe(back);
});
