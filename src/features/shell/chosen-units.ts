import "server-only";
import { cookies } from "next/headers";
import { unitSystems, type UnitSystem } from "@/words";

/** The units somebody chose on this device: kept in a cookie, so that pages and papers from here say them too. */
export async function chosenUnits(): Promise<UnitSystem> {
  const chosen = (await cookies()).get("bathygon-units")?.value;
  return unitSystems.find((name) => name === chosen) ?? "metric";
}
