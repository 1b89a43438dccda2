import { render, type RenderResult } from "@testing-library/react";
import * as standIn from "next/navigation";
import { Suspense, type ReactNode } from "react";
import { KeysProvider } from "../keys/keys";
import { AtHandProvider, type ShellData } from "../shell/at-hand";
import { PreferencesProvider, type Preferences } from "../theme/preferences";
import { WhyProvider } from "../why/why";

/** next/navigation is a stand-in here, see scripts/jest. */
export const navigation = standIn as unknown as {
  readonly journeys: string[];
  readonly visit: (address: string) => void;
};

export const people: ShellData = {
  name: "Ann Pell",
  coaches: true,
  pilots: [
    {
      id: "odo",
      name: "Odo Fenn",
      squadId: "squad",
      aircraft: [{ id: "plank", name: "Plank", setupNumber: 2, loads: [] }],
    },
    { id: "ida", name: "Ida Rook", squadId: "squad", aircraft: [] },
  ],
  syllabi: [],
  rememberedPilotId: null,
  rememberedAircraftId: null,
};

/** Renders with everything a desk screen has round it: preferences, pilot at hand, keys, reasons. */
export function renderScreen(
  screen: ReactNode,
  {
    address = "/squad",
    shell = people,
    preferences = { theme: "light", units: "metric" },
  }: { address?: string; shell?: ShellData; preferences?: Preferences } = {},
): RenderResult {
  navigation.visit(address);
  return render(
    <PreferencesProvider initial={preferences}>
      <AtHandProvider data={shell}>
        <KeysProvider>
          <WhyProvider>
            <Suspense>{screen}</Suspense>
          </WhyProvider>
        </KeysProvider>
      </AtHandProvider>
    </PreferencesProvider>,
  );
}

/** What the server was sent, and what it answers: by action, else success; by address what is only looked at, else nothing. */
export function fakeServer(answers: Readonly<Record<string, { status: number; body: object }>> = {}) {
  const sent: { action: string; input: Record<string, unknown> }[] = [];
  globalThis.fetch = jest.fn((address: unknown, init?: RequestInit) => {
    if (!init?.body) {
      const { status, body } = answers[String(address)] ?? { status: 503, body: {} };
      return Promise.resolve(new Response(JSON.stringify(body), { status }));
    }
    const action = String(address).replace("/api/", "");
    sent.push({ action, input: JSON.parse(init.body as string) as Record<string, unknown> });
    const { status, body } = answers[action] ?? { status: 200, body: { ok: true, data: { number: 3 } } };
    return Promise.resolve(new Response(JSON.stringify(body), { status }));
  }) as typeof fetch;
  return sent;
}
