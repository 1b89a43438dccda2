import "reflect-metadata";
import { IsBase64, IsInt, IsOptional, Max, MaxLength, Min } from "class-validator";
import { LONGEST_TRY_PACKED } from "@/contract";
import { outcomes, type AttemptMeasure, type Outcome } from "@/core";
import { IsId, IsMeasured, IsMoment, IsOneOf, IsPart, IsStepId, IsText, LineTryInput } from "@/server/actions";

/** Longest try with its sticks, as base64, and all else of it. */
const LONGEST_TRY_TEXT = Math.ceil(LONGEST_TRY_PACKED / 3) * 4;
export const LONGEST_TRY_BYTES = LONGEST_TRY_TEXT + 8 * 1024;

/** A try of practice, as its device sends it. */
export class LogTryInput {
  @IsId() id!: string;
  /** One sitting of practice: a session of its own. */
  @IsId() sittingId!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @IsText(12) direction!: string;
  @IsOneOf(outcomes) outcome!: Outcome;
  /** When it began, by the device's clock. */
  @IsMoment() flownAtMs!: number;
  @Max(600, { message: "seconds is 0 to 600" })
  @Min(0, { message: "seconds is 0 to 600" })
  seconds!: number;
  @IsMeasured() measured!: Partial<Record<AttemptMeasure, number>>;
  @IsOptional() @IsId() setupId!: string | null;
  @IsOptional() @IsId() loadId!: string | null;
  @IsOptional() @IsPart(() => LineTryInput) line?: LineTryInput;
  @IsOptional()
  @MaxLength(LONGEST_TRY_TEXT, { message: "packed is longer than a try is kept" })
  @IsBase64({}, { message: "packed is not base64" })
  packed?: string;
}

export class SetHomeworkInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @Max(500, { message: "tries is a whole number from 1 to 500" })
  @Min(1, { message: "tries is a whole number from 1 to 500" })
  @IsInt({ message: "tries is a whole number from 1 to 500" })
  tries!: number;
  @IsMoment() dueAtMs!: number;
}
