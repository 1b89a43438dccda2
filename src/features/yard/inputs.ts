import "reflect-metadata";
import { Transform } from "class-transformer";
import { IsInt, IsNumber, IsObject, IsOptional, Matches, Max, MaxLength, Min } from "class-validator";
import { dayAirRanges, type SitePlan } from "@/core";
import { IsId, IsName, IsText, numberOf } from "@/server/actions";

/** 4 MB as base64. */
export const LONGEST_PICTURE_TEXT = Math.ceil((4 * 1024 * 1024) / 3) * 4;

const ELEVATION = `the elevation is ${dayAirRanges.elevationM.join(" to ")} m`;

class SiteFields {
  @IsId() id!: string;
  @IsName() name!: string;
  @IsText(80) surface!: string;
  @Max(5000, { message: "room is 1 to 5000 m" })
  @Min(1, { message: "room is 1 to 5000 m" })
  @IsNumber({}, { message: "room is a number of metres" })
  @Transform(numberOf)
  roomM!: number;
  @IsOptional()
  @Max(1000, { message: "the height limit is 1 to 1000 m" })
  @Min(1, { message: "the height limit is 1 to 1000 m" })
  @IsNumber({}, { message: "the height limit is a number of metres" })
  @Transform(numberOf)
  ceilingM!: number | null;
  @IsOptional()
  @Max(dayAirRanges.elevationM[1], { message: ELEVATION })
  @Min(dayAirRanges.elevationM[0], { message: ELEVATION })
  @IsNumber({}, { message: "the elevation is a number of metres" })
  @Transform(numberOf)
  elevationM?: number | null;
  @IsText(500) features!: string;
  @IsText(1000) hazards!: string;
  @IsText(1000) rules!: string;
  @IsText(300) askWhom!: string;
}

export class AddSiteInput extends SiteFields {
  @IsId() squadId!: string;
}

export class EditSiteInput extends SiteFields {
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}

export class SitePictureInput {
  @IsId() id!: string;
  @IsId() pictureId!: string;
  @Matches(/^[A-Za-z0-9+/]+={0,2}$/, { message: "jpeg is no picture as base64" })
  @MaxLength(LONGEST_PICTURE_TEXT, { message: "the picture is larger than 4 MB" })
  jpeg!: string;
}

export class SavePlanInput {
  @IsId() id!: string;
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
  /** Checked by its own rules. */
  @IsObject({ message: "plan is no plan of a site" })
  plan!: SitePlan;
}
