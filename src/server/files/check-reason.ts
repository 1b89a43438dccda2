import "server-only";
import type { BlockReason } from "@/contract";
import { schemaCheck } from "./check-file";
import schema from "./block-reason.schema.json";
import record from "./pilot-record.schema.json";

/** Whether something is a reason for which a block is flown. */
export const isBlockReason = schemaCheck<BlockReason>(schema, [record]);
