import { addressOf, codeAt, newRecoveryCodes, newSecret, recoveryHash, stepOf } from "./one-time-codes";

/** "12345678901234567890" in base 32 (RFC 4648): the secret of the vectors for SHA-1. */
const RFC_SECRET = "GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ";

// RFC 6238, appendix B, SHA-1: the last six of its eight figures.
it.each([
  [59, "94287082"],
  [1_111_111_109, "07081804"],
  [1_111_111_111, "14050471"],
  [1_234_567_890, "89005924"],
  [2_000_000_000, "69279037"],
  [20_000_000_000, "65353130"],
])("at %d s the code ends as RFC 6238 has it", (seconds, eight) => {
  expect(codeAt(RFC_SECRET, 1000 * seconds)).toBe(eight.slice(-6));
  expect(stepOf(RFC_SECRET, eight.slice(-6), 1000 * seconds)).toBe(Math.floor(seconds / 30));
});

it("takes the code of the step before and after, and none further off or of another shape", () => {
  const nowMs = 1_234_567_890_000;
  const step = Math.floor(nowMs / 30_000);
  for (const off of [-1, 0, 1])
    expect(stepOf(RFC_SECRET, codeAt(RFC_SECRET, nowMs + off * 30_000), nowMs)).toBe(step + off);
  for (const off of [-2, 2]) expect(stepOf(RFC_SECRET, codeAt(RFC_SECRET, nowMs + off * 30_000), nowMs)).toBeNull();
  expect(stepOf(RFC_SECRET, ` ${codeAt(RFC_SECRET, nowMs).replace(/(...)/, "$1 ")}`, nowMs)).toBe(step);
  for (const shape of ["", "12345", "1234567", "abcdef", "１２３４５６"])
    expect(stepOf(RFC_SECRET, shape, nowMs)).toBeNull();
});

it("makes secrets of 160 bits and recovery codes that are all different, known again however they are typed", () => {
  expect(newSecret()).toMatch(/^[A-Z2-7]{32}$/);
  expect(newSecret()).not.toBe(newSecret());
  expect(addressOf(RFC_SECRET, "Ann Pell")).toBe(
    `otpauth://totp/Bathygon:Ann%20Pell?issuer=Bathygon&secret=${RFC_SECRET}&algorithm=SHA1&digits=6&period=30`,
  );
  const codes = newRecoveryCodes();
  expect(new Set(codes).size).toBe(10);
  for (const code of codes) expect(code).toMatch(/^([a-z2-9]{4}-){2}[a-z2-9]{4}$/);
  expect(recoveryHash(codes[0].toUpperCase().replaceAll("-", " "))).toBe(recoveryHash(codes[0]));
});
