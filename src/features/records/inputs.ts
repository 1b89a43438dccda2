import { IsObject } from "class-validator";
import { IsId, IsName } from "@/server/actions";

export class ImportInput {
  @IsId() squadId!: string;
  /** The file as it was read; checked by the published schema. */
  @IsObject({ message: "The file is not a record." })
  record!: object;
}

export class ErasePilotInput {
  @IsId() id!: string;
  /** The pilot's name, typed once more. */
  @IsName() name!: string;
}
