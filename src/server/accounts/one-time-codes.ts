import "server-only";
import { createHash, randomInt } from "node:crypto";
import { Secret, TOTP } from "otpauth";

const PERIOD_S = 30;
/** A code of the step before or after counts too: clocks differ, and typing takes time (RFC 6238, 5.2). */
const STEPS_OFF = 1;
const SECRET_BYTES = 20;
const RECOVERY_CODES = 10;
/** Without letters that look like figures. */
const ALPHABET = "abcdefghjkmnpqrstvwxyz23456789";
const RECOVERY_LENGTH = 12;

const totpOf = (secret: string, name = "") =>
  new TOTP({
    issuer: "Bathygon",
    label: name,
    algorithm: "SHA1",
    digits: 6,
    period: PERIOD_S,
    secret: Secret.fromBase32(secret),
  });

/** A secret of 160 bits in base 32 (RFC 4226, 4 and RFC 4648). */
export const newSecret = (): string => new Secret({ size: SECRET_BYTES }).base32;

/** What an authenticator reads from the picture. */
export const addressOf = (secret: string, name: string): string => totpOf(secret, name).toString();

/** The time step for which `code` is right about now, else null. */
export function stepOf(secret: string, code: string, nowMs: number): number | null {
  const token = code.replace(/\s/g, "");
  if (!/^\d{6}$/.test(token)) return null;
  const delta = totpOf(secret).validate({ token, timestamp: nowMs, window: STEPS_OFF });
  return delta === null ? null : Math.floor(nowMs / 1000 / PERIOD_S) + delta;
}

/** The code of a moment. */
export const codeAt = (secret: string, nowMs: number): string => totpOf(secret).generate({ timestamp: nowMs });

/** Codes that work once each, for who lost the device, about 59 bits each. */
export const newRecoveryCodes = (): readonly string[] =>
  Array.from({ length: RECOVERY_CODES }, () =>
    Array.from({ length: RECOVERY_LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)])
      .join("")
      .replace(/(.{4})(?=.)/g, "$1-"),
  );

/** What is kept of a recovery code; however it was typed. */
export const recoveryHash = (code: string): string =>
  createHash("sha256")
    .update(code.toLowerCase().replace(/[^a-z0-9]/g, ""))
    .digest("hex");
