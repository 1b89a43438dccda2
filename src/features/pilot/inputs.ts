import { MinLength } from "class-validator";
import { IsId, IsOneOf, IsText } from "@/server/actions";
import { steps } from "@/syllabus";

export class SignOffInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsOneOf(steps.map((step) => step.id)) stepId!: string;
  @IsText(500) note!: string;
}

export class ById {
  @IsId() id!: string;
}

export class AddNoteInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @MinLength(1, { message: "text is empty" })
  @IsText(4000)
  text!: string;
}

export class AskSignOffInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsOneOf(steps.map((step) => step.id)) stepId!: string;
  @IsText(500) message!: string;
}

export class AnswerInput {
  @IsId() id!: string;
  @MinLength(1, { message: "say in a few words what is still wanted" })
  @IsText(500)
  answer!: string;
}
