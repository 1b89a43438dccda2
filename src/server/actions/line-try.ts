import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsInt,
  IsOptional,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from "class-validator";
import { MOST_PARTS } from "@/contract";
import { LINES_STEP } from "@/syllabus";
import { badField } from "./errors";
import { IsId, IsText } from "./fields";

class LinePartInput {
  @IsId() id!: string;
  @IsText(80) name!: string;
}

/** A line that was flown, and where it broke. */
export class LineTryInput {
  @IsId() id!: string;
  @Max(100_000, { message: "version is 1 to 100000" })
  @Min(1, { message: "version is 1 to 100000" })
  @IsInt({ message: "version is a whole number" })
  version!: number;
  @IsText(80) name!: string;
  /** A way of the squad's own by its label. */
  @IsText(120, { each: true })
  @ArrayMaxSize(24, { message: "a line has 24 tricks at most" })
  @ArrayMinSize(1, { message: "a line has a trick" })
  @IsArray({ message: "tricks are missing" })
  tricks!: string[];
  /** Of a copied line: what there is to hold. */
  @IsOptional()
  @ArrayMaxSize(MOST_PARTS, { message: `a line has ${MOST_PARTS} parts at most` })
  @IsArray({ message: "parts are missing" })
  @ValidateNested({ each: true })
  @Type(() => LinePartInput)
  parts?: LinePartInput[];
  @ValidateIf(({ brokeAt }: LineTryInput) => brokeAt !== null)
  @Max(23, { message: "brokeAt is the place of a trick" })
  @Min(0, { message: "brokeAt is the place of a trick" })
  @IsInt({ message: "brokeAt is the place of a trick" })
  brokeAt!: number | null;
}

/** Throws a Refusal for a try at a line where no line is flown, or that broke at a trick it does not have. */
export function requireLineTry(line: LineTryInput, stepId: string): void {
  if (stepId !== LINES_STEP) throw badField("line", "Lines are flown at the step of lines only.");
  if ((line.brokeAt ?? 0) >= line.tricks.length) throw badField("line.brokeAt", "That line has no such trick.");
}
