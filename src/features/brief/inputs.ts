import "reflect-metadata";
import { IsObject, Matches } from "class-validator";
import type { StartHeight } from "@/core";

export class KeepStartHeightInput {
  @Matches(/^[0-9a-f]{32}$/, { message: "key is 32 hexadecimal digits" }) key!: string;
  @IsObject({ message: "startHeight is a figure with its reason" }) startHeight!: StartHeight;
}
