import "reflect-metadata";
import { IsInt, IsObject, Max, Min, MinLength } from "class-validator";
import { IsId, IsText } from "@/server/actions";

export class SaveSyllabusInput {
  @IsId() id!: string;
  @IsId() squadId!: string;
  /** Number of the version that was changed; 0 for the built-in one. */
  @Max(1_000_000)
  @Min(0)
  @IsInt({ message: "basedOn is a version number" })
  basedOn!: number;
  @MinLength(1, { message: "say in a few words why it changes" })
  @IsText(300)
  reason!: string;
  /** Checked by the published schema and by the rules of a syllabus. */
  @IsObject({ message: "The file is not a syllabus." })
  document!: object;
}

export class SquadSchoolInput {
  @IsId() id!: string;
  @IsObject({ message: "school is no list of choices" }) school!: Record<string, string>;
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}
