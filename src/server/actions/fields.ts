import { typedNumber } from "@/contract";
import { attemptMeasures, countedMeasures } from "@/core";
import "reflect-metadata";
import { applyDecorators } from "./apply-decorators";
import { IsIn, IsObject, IsString, IsUUID, Matches, MaxLength, ValidateBy, ValidateNested } from "class-validator";
import { Transform, Type } from "class-transformer";

const trimmed = Transform(({ value }: { value: unknown }) => (typeof value === "string" ? value.trim() : value));

/** For a Transform: forms send text; an empty field is no number. */
export const numberOf = ({ value }: { value: unknown }): unknown => {
  if (typeof value !== "string") return value;
  return value.trim() === "" ? null : typedNumber(value);
};

/** An id made by the client, UUID version 7 (RFC 9562). */
export const IsId = (options: { readonly each?: boolean } = {}) =>
  IsUUID(7, { ...options, message: "$property is not an id of this program" });

/** A name of a person or thing: 1 to 80 characters, no markup. */
export const IsName = () =>
  applyDecorators(
    trimmed,
    ValidateBy({
      name: "name",
      validator: {
        validate: (value: unknown) => typeof value !== "string" || faultOfName(value) === null,
        defaultMessage: (asked) => `$property ${faultOfName(String(asked?.value))}`,
      },
    }),
    IsString({ message: "$property is not text" }),
  );

/** What keeps a text from being a name, after "The name"; null for one that is. */
export function faultOfName(name: string): string | null {
  if (name.length === 0 || name.length > 80) return "is empty or longer than 80 characters";
  // Also what is not seen, or turns the writing round: two names that look alike are one too many.
  if (!/^[^<>\p{Cc}\p{Cs}\p{Cf}\u115f\u1160\u3164\uffa0]*$/u.test(name))
    return "may not hold < or >, control or invisible characters";
  return looksLikeAnother(name) ? "mixes letters of two alphabets in one word; write it in one" : null;
}

/** Alphabets whose letters look alike. */
const alike = [/\p{Script=Latin}/u, /\p{Script=Cyrillic}/u, /\p{Script=Greek}/u];

/** Whether a word holds letters of two alphabets that look alike. */
const looksLikeAnother = (name: string) =>
  name.split(/[^\p{L}\p{M}]+/u).some((word) => alike.filter((letters) => letters.test(word)).length > 1);

/** Free text, shown as it is typed. */
export const IsText = (longest: number, options: { readonly each?: boolean } = {}) =>
  applyDecorators(
    ...(options.each ? [] : [trimmed]),
    MaxLength(longest, { ...options, message: `$property is longer than ${longest} characters` }),
    Matches(/^[^\p{Cs}\0]*$/u, { ...options, message: "$property holds characters that are not text" }),
    IsString({ ...options, message: "$property is not text" }),
  );

/** The key of a step; whether the squad's syllabus has it is for the action to say. */
export const IsStepId = () => Matches(/^[a-z0-9-]{2,40}$/, { message: "$property is no key of a step" });

/** An input within an input; `ValidateNested` alone lets nothing at all and an empty list through. */
export const IsPart = (cls: () => new () => object) =>
  applyDecorators(Type(cls), ValidateNested(), IsObject({ message: "$property is missing" }));

/** One of a fixed set of words. */
export const IsOneOf = (words: readonly string[]) =>
  IsIn([...words], { message: `$property must be one of: ${words.join(", ")}` });

const YEAR_2000_MS = Date.UTC(2000, 0, 1);
const YEAR_2100_MS = Date.UTC(2100, 0, 1);

/** A moment as a device or a form has it, ms. */
export const IsMoment = () =>
  ValidateBy({
    name: "isMoment",
    validator: {
      validate: (value: unknown) =>
        Number.isInteger(value) && Number(value) >= YEAR_2000_MS && Number(value) <= YEAR_2100_MS,
      defaultMessage: (about) => `${about?.property} is no plausible time`,
    },
  });

/** For what wants no more than the id of the thing. */
export class ByIdInput {
  @IsId() id!: string;
}

/** What was measured of an attempt: numbers by measure, in the unit of its name. */
export const IsMeasured = () =>
  ValidateBy({
    name: "isMeasured",
    validator: {
      validate: (value: unknown) =>
        typeof value === "object" &&
        value !== null &&
        !Array.isArray(value) &&
        Object.entries(value).every(
          ([name, one]) =>
            attemptMeasures.some((known) => known === name) &&
            typeof one === "number" &&
            Number.isFinite(one) &&
            Math.abs(one) <= 1e6 &&
            (!countedMeasures.some((counted) => counted === name) || (Number.isInteger(one) && one >= 0)),
        ),
      defaultMessage: () => `measured may hold numbers for: ${attemptMeasures.join(", ")}`,
    },
  });
