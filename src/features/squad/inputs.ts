import { IsInt, Max, Min } from "class-validator";
import { IsId, IsName, IsOneOf } from "@/server/actions";
import { grips, type Grip } from "@/server/repositories";

export class AddPilotInput {
  @IsId() id!: string;
  @IsId() squadId!: string;
  @IsName() name!: string;
  @Max(4, { message: "stick mode is 1, 2, 3 or 4" })
  @Min(1, { message: "stick mode is 1, 2, 3 or 4" })
  @IsInt({ message: "stick mode is 1, 2, 3 or 4" })
  stickMode!: number;
  @IsOneOf(grips) grip!: Grip;
}

export class EditPilotInput extends AddPilotInput {
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}

export class PilotInput {
  @IsId() id!: string;
}
