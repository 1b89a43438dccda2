import "reflect-metadata";
import { ArrayMaxSize, ArrayUnique, IsArray, IsInt, IsOptional, Max, Min } from "class-validator";
import { IsId, IsStepId, IsText } from "@/server/actions";

const YEAR_2000_MS = 946_684_800_000;
const YEAR_2100_MS = 4_102_444_800_000;

class PlannedFields {
  @IsId() id!: string;
  @IsOptional() @IsId() siteId?: string | null;
  @Max(YEAR_2100_MS, { message: "startsAtMs is no plausible time" })
  @Min(YEAR_2000_MS, { message: "startsAtMs is no plausible time" })
  @IsInt({ message: "say on which day and when it begins" })
  startsAtMs!: number;
  @Max(1440, { message: "a session takes 10 minutes to a day" })
  @Min(10, { message: "a session takes 10 minutes to a day" })
  @IsInt({ message: "minutes are a whole number" })
  minutes!: number;
  @IsText(500) note!: string;
  @ArrayUnique({ message: "a pilot is in there twice" })
  @ArrayMaxSize(60, { message: "60 pilots at most" })
  @IsArray({ message: "pilots are missing" })
  @IsId({ each: true })
  pilotIds!: string[];
}

export class PlanSessionInput extends PlannedFields {
  @IsId() squadId!: string;
}

export class EditPlannedInput extends PlannedFields {
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}

export class SetTargetInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @Max(YEAR_2100_MS, { message: "dueAtMs is no plausible date" })
  @Min(YEAR_2000_MS, { message: "dueAtMs is no plausible date" })
  @IsInt({ message: "say by which day" })
  dueAtMs!: number;
}
