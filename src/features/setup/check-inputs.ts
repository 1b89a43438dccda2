import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsNumber,
  IsOptional,
  Max,
  Min,
  MinLength,
  ValidateNested,
} from "class-validator";
import { checkFindings, defectKinds, mounts, type CheckFindings, type DefectKind, type Mount } from "@/contract";
import { IsId, IsOneOf, IsPart, IsText } from "@/server/actions";

const LONGEST_WHAT = 200;
const TILT = "a reading is 0 to 90°";

export class FindingsInput implements CheckFindings {
  @IsOneOf(checkFindings.sense) sense!: CheckFindings["sense"];
  @IsOneOf(checkFindings.drift) drift!: CheckFindings["drift"];
  @IsOneOf(checkFindings.noise) noise!: CheckFindings["noise"];
  @IsOneOf(checkFindings.heat) heat!: CheckFindings["heat"];
}

export class DefectInput {
  @IsId() id!: string;
  @IsOneOf(defectKinds) kind!: DefectKind;
  @IsText(LONGEST_WHAT) what!: string;
}

export class CheckFlightInput {
  @IsId() id!: string;
  @IsId() aircraftId!: string;
  @IsPart(() => FindingsInput) found!: FindingsInput;
  @ArrayMaxSize(10, { message: "10 defects at most" })
  @IsArray({ message: "defects are missing" })
  @ValidateNested({ each: true })
  @Type(() => DefectInput)
  defects!: DefectInput[];
}

export class AddDefectInput {
  @IsId() id!: string;
  @IsId() aircraftId!: string;
  @MinLength(1, { message: "say what is wrong" })
  @IsText(LONGEST_WHAT)
  what!: string;
}

export class MendDefectInput {
  @IsId() id!: string;
  @IsId() aircraftId!: string;
  @IsBoolean({ message: "mended is true or false" }) mended!: boolean;
}

export class ReadTiltInput {
  @IsId() id!: string;
  @IsId() aircraftId!: string;
  @Max(90, { each: true, message: TILT })
  @Min(0, { each: true, message: TILT })
  @IsNumber({}, { each: true, message: TILT })
  @ArrayMaxSize(20, { message: "20 readings at most" })
  @ArrayMinSize(1, { message: "one reading at least" })
  @IsArray({ message: "readings are missing" })
  readingsDeg!: number[];
}

export class SetMountInput {
  @IsId() id!: string;
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
  @IsOptional() @IsOneOf(mounts) mount!: Mount | null;
}
