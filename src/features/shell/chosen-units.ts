import "server-only";
import { cookies } from "next/headers";
import { unitSystems, type UnitSystem } from "@/words";

const COOKIE = "bathygon-units";
const known = (name: string | undefined): UnitSystem => unitSystems.find((one) => one === name) ?? "metric";

/** The units somebody chose on this device: kept in a cookie, so that pages and papers from here say them too. */
export async function chosenUnits(): Promise<UnitSystem> {
  return known((await cookies()).get(COOKIE)?.value);
}

/** The same of a request, by its cookie header. */
export function unitsIn(request: Request): UnitSystem {
  const cookie = request.headers.get("cookie") ?? "";
  return known(
    cookie
      .split(/;\s*/)
      .find((one) => one.startsWith(`${COOKIE}=`))
      ?.slice(COOKIE.length + 1),
  );
}
