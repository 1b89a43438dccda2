import "server-only";
import { cookies } from "next/headers";
import { isUuid } from "./ids";

export type SearchParams = Promise<Record<string, string | string[] | undefined>>;

/** What a person has chosen on this device: kept in cookies, never trusted further than a look-up. */
export async function remembered(name: "pilot" | "aircraft"): Promise<string | null> {
  const value = (await cookies()).get(`bathygon-${name}`)?.value;
  return value && isUuid(value) ? value : null;
}

/** One text parameter of the address, or null. */
export async function parameter(search: SearchParams, name: string): Promise<string | null> {
  const value = (await search)[name];
  return typeof value === "string" ? value : null;
}
