import { IsBoolean, IsInt, IsObject, IsOptional, Min, MinLength } from "class-validator";
import { IsId, IsMoment, IsStepId, IsText } from "@/server/actions";

export class PlacingInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
}

export class SignOffInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @IsText(500) note!: string;
  /** When, by the device's clock; left out for now. */
  @IsOptional() @IsMoment() atMs?: number;
}

export class SchoolInput {
  @IsId() id!: string;
  @IsObject({ message: "school is no list of choices" }) school!: Record<string, string>;
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}

export class AddNoteInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @MinLength(1, { message: "text is empty" })
  @IsText(4000)
  text!: string;
  /** Pilots do not see it. */
  @IsOptional() @IsBoolean({ message: "forCoaches is true or false" }) forCoaches?: boolean;
}

export class AskSignOffInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @IsText(500) message!: string;
}

export class AnswerInput {
  @IsId() id!: string;
  @MinLength(1, { message: "say in a few words what is missing" })
  @IsText(500)
  answer!: string;
}
