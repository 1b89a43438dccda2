import "reflect-metadata";
import { IsInt, IsOptional, Max, Min } from "class-validator";
import { outcomes, type AttemptMeasure, type Outcome } from "@/core";
import { IsId, IsMeasured, IsMoment, IsOneOf, IsStepId, IsText } from "@/server/actions";

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
